import { NumberInput, Select, Switch } from '@mantine/core';
import clsx from 'clsx';
import { memo, useState } from 'react';
import { Link } from 'react-router';
import { builtKits } from '../../../../../core/kits/index.ts';
import {
  lookUp,
  resolveBlock,
  toolKinds,
  type Header,
  type Mod,
  type ResolvedBlock,
  type Traits,
} from '../../../../../core/mod/index.ts';
import { firstBearable, toolName } from '../../../../../core/traits/index.ts';
import { useModPart, useSession } from '../../../../api/hooks.tsx';
import { Field } from '../../../../parts/field.tsx';
import { Ruler } from '../../ruler.tsx';
import { digRows, type DigRow } from './dig-rows.ts';
import { ticksOf, useTraitEditor, type TraitEditor, type TraitPlace } from './trait-editor.ts';
import styles from './traits.module.css';
import barsStyles from '../../bars.module.css';
import fieldStyles from '../../../../parts/field.module.css';

/** Hardness on the ruler, the tool that digs it, and what digging with each tool takes and gives. */
export const Digging = memo(function Digging(place: TraitPlace) {
  return (
    <>
      <Hardness {...place} />
      <Tool {...place} />
    </>
  );
});

const Hardness = memo(function Hardness(place: TraitPlace) {
  const editor = useTraitEditor(place, 'hardness');
  const { traits, put, own } = editor;
  const [careful, setCareful] = useState(false);
  const isUnbreakable = traits.hardness === 'unbreakable';
  return (
    <Field label="Hardness" {...own('hardness')} value={<HardnessNumber editor={editor} />}>
      {traits.hardness !== 'unbreakable' && (
        <Ruler
          label="Hardness on the ruler"
          value={traits.hardness}
          low={0.3}
          high={16}
          log
          step={0.1}
          ticks={ticksOf.hardness}
          of={(block) =>
            typeof block.traits.hardness === 'number' ? block.traits.hardness : undefined
          }
          onValue={(value) => put('hardness', value)}
        />
      )}
      <DigBars {...place} careful={careful} />
      <Switch
        mt={8}
        label="Dug with care"
        checked={careful}
        onChange={(event) => setCareful(event.currentTarget.checked)}
      />
      <Switch
        mt={6}
        label="Unbreakable"
        checked={isUnbreakable}
        onChange={(event) => put('hardness', event.currentTarget.checked ? 'unbreakable' : 2)}
      />
    </Field>
  );
});

const HardnessNumber = ({ editor: { traits, put } }: { editor: TraitEditor }) =>
  traits.hardness === 'unbreakable' ? (
    <span className={clsx('mono', fieldStyles['value'])}>unbreakable</span>
  ) : (
    <NumberInput
      aria-label="Hardness"
      w={92}
      hideControls
      min={0}
      decimalScale={2}
      value={traits.hardness}
      onChange={(value) => typeof value === 'number' && put('hardness', value)}
      rightSection={<span className={styles['unit']}>s</span>}
      rightSectionWidth={22}
    />
  );

const Tool = memo(function Tool(place: TraitPlace) {
  const editor = useTraitEditor(place, 'toolKind', 'gated', 'leastGrade');
  const session = useSession();
  const { traits, put, own } = editor;
  return (
    <Field
      label="Tool"
      {...own('toolKind')}
      value={
        <Select
          aria-label="Tool kind"
          w={110}
          allowDeselect={false}
          data={['none', ...toolKinds]}
          value={traits.toolKind}
          onChange={(value) => put('toolKind', value as Traits['toolKind'])}
        />
      }
    >
      {traits.toolKind !== 'none' && <GradeAndGate editor={editor} />}
      <p className="note">
        The grades and their paces stand in the{' '}
        <Link className="link" to={`/m/${session.name}/data/tools`}>
          tool ladder
        </Link>{' '}
        of the mod.
      </p>
    </Field>
  );
});

function GradeAndGate({ editor: { traits, put, own } }: { editor: TraitEditor }) {
  const grades = useModPart((mod) => mod.header.tools.grades);
  return (
    <>
      <Field
        label="Least grade"
        {...own('leastGrade')}
        value={
          <Select
            aria-label="Least grade"
            w={110}
            allowDeselect={false}
            data={grades.map(({ name }, grade) => ({ value: String(grade), label: `${name} up` }))}
            value={String(traits.leastGrade)}
            error={!grades[traits.leastGrade]}
            onChange={(value) => put('leastGrade', Number(value))}
          />
        }
      />
      <Field
        label="Gated"
        {...own('gated')}
        value={
          <Switch
            labelPosition="left"
            label="Only the right tool yields a drop"
            checked={traits.gated}
            onChange={(event) => put('gated', event.currentTarget.checked)}
          />
        }
      />
    </>
  );
}

/**
 * A bar of seconds for each tool that makes a difference, and what it yields; hatched where nothing
 * drops. Where the kit's engine digs otherwise, a second bar says how.
 */
const DigBars = memo(function DigBars({
  block: name,
  state,
  careful,
}: TraitPlace & { careful: boolean }) {
  const { rows, note } = useModPart((mod) => {
    const declared = lookUp(mod.blocks, name);
    if (!declared) return { rows: [], note: '' };
    const block = resolveBlock(mod, name, declared);
    return { rows: digRows(mod, block, { state, careful }), note: digNote(block, mod) };
  });
  const longest = Math.max(
    ...rows.flatMap(({ seconds, there }) => [seconds, there?.seconds ?? 0]),
    0.05,
  );
  return (
    <>
      {rows.length > 0 && (
        <div className={barsStyles['bars']} role="table" aria-label="Seconds to dig">
          {rows.map((row) => (
            <ToolBar key={row.tool} row={row} longest={longest} />
          ))}
        </div>
      )}
      <p className="note">{note}</p>
    </>
  );
});

function ToolBar({ row, longest }: { row: DigRow; longest: number }) {
  const { tool, seconds, ticks, there, gives } = row;
  const widthOf = (time: number) => ({ width: `${(time / longest) * 100}%` });
  const isBare = gives === 'nothing';
  return (
    <div role="row" className={barsStyles['tool-bar']}>
      <span role="cell">{tool}</span>
      <span role="cell" className={barsStyles['lines']}>
        <u className={isBare ? barsStyles['none'] : undefined} style={widthOf(seconds)} />
        {there && <u className={barsStyles['there']} style={widthOf(there.seconds)} />}
      </span>
      <span role="cell" className="mono">
        {seconds.toFixed(2)} s{there && <em>{there.seconds.toFixed(2)} s</em>}
      </span>
      <span role="cell" className={barsStyles['ticks']}>
        {ticks} ticks{there && <em>{there.ticks} ticks</em>}
      </span>
      <span
        role="cell"
        className={isBare ? clsx('bad', barsStyles['gives']) : barsStyles['gives']}
        title={gives}
      >
        {gives}
      </span>
    </div>
  );
}

/** From which tool on digging is quick, and what the thin bars are. */
function digNote({ traits }: ResolvedBlock, mod: Mod): string {
  const { header } = mod;
  if (traits.hardness === 'unbreakable') return 'Nothing that a player holds digs it.';
  const { physics, title } = builtKits(mod).find((kit) => kit.physics) ?? {};
  const engine = physics
    ? ` The thin bars are the engine of ${title}: ${physics.tickRate} ticks a second, the wrong ` +
      `tool takes ${physics.wrongTool} times as long.`
    : '';
  return bearableNote(traits, header) + engine;
}

function bearableNote(traits: ResolvedBlock['traits'], header: Header): string {
  const bearable = firstBearable(traits, header);
  if (bearable === undefined) return 'No tool that yields a drop brings it under a second.';
  return bearable === 'bare hands'
    ? 'Under a second with bare hands already.'
    : `Under a second from the ${toolName(bearable, header)} on.`;
}
