import { NumberInput, Select, Switch } from '@mantine/core';
import { useState } from 'react';
import { Link } from 'react-router';
import { kitNamed } from '../../../../../core/kits/index.ts';
import { broken, lootSource, waysOf } from '../../../../../core/loot/index.ts';
import {
  lookUp,
  titleOf,
  toolKinds,
  type Header,
  type Mod,
  type ResolvedBlock,
  type Traits,
} from '../../../../../core/mod/index.ts';
import { digTime, firstBearable, toolName } from '../../../../../core/traits/index.ts';
import { useMod, useSession } from '../../../../api/hooks.tsx';
import { Field } from '../../../../parts/field.tsx';
import { Still } from '../../../../parts/still.tsx';
import { Ruler } from '../../ruler.tsx';
import { ticksOf, type TraitEditor } from './trait-editor.ts';

/**
 * Hardness on the ruler, the tool that digs it, and what digging with each tool takes and gives.
 */
export function Digging({ traits, put, own, seen, editor, state }: TraitEditor) {
  const mod = useMod();
  const session = useSession();
  const { header } = mod;
  const { hardness } = traits;
  const [careful, setCareful] = useState(false);
  const solid = hardness === 'unbreakable';
  return (
    <>
      <Still
        of={[
          ...seen('hardness', 'toolKind', 'leastGrade', 'gated'),
          editor.declared.loot,
          state,
          careful,
          header.tools,
          header.tickRate,
          header.kit,
        ]}
      >
        {() => (
          <Field
            label="Hardness"
            {...own('hardness')}
            value={
              solid ? (
                <span className="mono value">unbreakable</span>
              ) : (
                <NumberInput
                  aria-label="Hardness"
                  w={92}
                  hideControls
                  min={0}
                  decimalScale={2}
                  value={hardness}
                  onChange={(value) => typeof value === 'number' && put('hardness', value)}
                  rightSection={
                    <span className="note" style={{ fontSize: 11 }}>
                      s
                    </span>
                  }
                  rightSectionWidth={22}
                />
              )
            }
          >
            {!solid && (
              <Ruler
                label="Hardness on the ruler"
                value={hardness}
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
            <DigBars block={editor.block} mod={mod} state={state} careful={careful} />
            <Switch
              mt={8}
              label="Dug with care"
              checked={careful}
              onChange={(event) => setCareful(event.currentTarget.checked)}
            />
            <Switch
              mt={6}
              label="Unbreakable"
              checked={solid}
              onChange={(event) => put('hardness', event.currentTarget.checked ? 'unbreakable' : 2)}
            />
          </Field>
        )}
      </Still>
      <Still of={[...seen('toolKind', 'gated', 'leastGrade'), header.tools]}>
        {() => (
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
            {traits.toolKind !== 'none' && (
              <>
                <Field
                  label="Least grade"
                  {...own('leastGrade')}
                  value={
                    <Select
                      aria-label="Least grade"
                      w={110}
                      allowDeselect={false}
                      data={header.tools.grades.map((grade, i) => ({
                        value: String(i),
                        label: `${grade.name} up`,
                      }))}
                      value={String(traits.leastGrade)}
                      error={!header.tools.grades[traits.leastGrade]}
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
            )}
            <p className="note">
              The grades and their paces stand in the{' '}
              <Link className="link" to={`/m/${session.name}/data/tools`}>
                tool ladder
              </Link>{' '}
              of the mod.
            </p>
          </Field>
        )}
      </Still>
    </>
  );
}

/** What drops, in a few words: the mean count and the name of each item. */
function dropWords(mod: Mod, block: ResolvedBlock, found: ReturnType<typeof broken>): string {
  if (typeof found === 'string') return found === 'gated' ? 'nothing' : found;
  return (
    found
      .map(({ give, mean }) => {
        const name = give.slice(give.indexOf(':') + 1);
        return (
          `${Number(mean.toFixed(2))} ` +
          (give === block.id
            ? 'itself'
            : titleOf(mod, name, (lookUp(mod.items, name) ?? lookUp(mod.blocks, name))?.names))
        );
      })
      .join(', ') || 'nothing'
  );
}

/**
 * A bar of seconds for each tool that makes a difference, and what it yields; hatched where nothing
 * drops. Where the kit's engine digs otherwise, a second bar says how.
 */
function DigBars({
  block,
  mod,
  state,
  careful,
}: {
  block: ResolvedBlock;
  mod: Mod;
  state: number;
  careful: boolean;
}) {
  const { header } = mod;
  const { traits } = block;
  if (traits.hardness === 'unbreakable')
    return <p className="note">Nothing that a player holds digs it.</p>;
  const { physics } = kitNamed(header.kit);
  const source = lootSource(mod, block);
  const rows = waysOf(block, header, source)
    .filter(({ blast }) => !blast)
    .map(({ tool }) => ({
      name: toolName(tool, header),
      ...digTime(traits, tool, header),
      there: physics && digTime(traits, tool, header, physics),
      gives: dropWords(mod, block, broken(block, { tool, careful, state }, source)),
    }));
  const longest = Math.max(
    ...rows.flatMap((row) => [row.seconds ?? 0, row.there?.seconds ?? 0]),
    0.05,
  );
  return (
    <>
      <div className="bars" role="table" aria-label="Seconds to dig">
        {rows.map((row) => (
          <div key={row.name} role="row" className="tool-bar">
            <span role="cell">{row.name}</span>
            <span role="cell" className="lines">
              <u
                className={row.gives === 'nothing' ? 'none' : undefined}
                style={{ width: `${((row.seconds ?? 0) / longest) * 100}%` }}
              />
              {row.there && (
                <u
                  className="there"
                  style={{ width: `${((row.there.seconds ?? 0) / longest) * 100}%` }}
                />
              )}
            </span>
            <span role="cell" className="mono">
              {row.seconds!.toFixed(2)} s{row.there && <em>{row.there.seconds!.toFixed(2)} s</em>}
            </span>
            <span role="cell" className="ticks">
              {row.ticks} ticks{row.there && <em>{row.there.ticks} ticks</em>}
            </span>
            <span
              role="cell"
              className={row.gives === 'nothing' ? 'gives bad' : 'gives'}
              title={row.gives}
            >
              {row.gives}
            </span>
          </div>
        ))}
      </div>
      <p className="note">
        {bearableNote(traits, header)}
        {physics &&
          ` The thin bars are the engine of ${kitNamed(header.kit).title}: ${physics.tickRate} ` +
            `ticks a second, the wrong tool takes ${physics.wrongTool} times as long.`}
      </p>
    </>
  );
}

function bearableNote(traits: ResolvedBlock['traits'], header: Header): string {
  const bearable = firstBearable(traits, header);
  if (bearable === undefined) return 'No tool that yields a drop brings it under a second.';
  return bearable === 'bare hands'
    ? 'Under a second with bare hands already.'
    : `Under a second from the ${toolName(bearable, header)} on.`;
}
