import clsx from 'clsx';
import { itemAt } from '../../../../../core/lists/index.ts';
import { NumberInput } from '@mantine/core';
import { memo, useMemo } from 'react';
import type { ByStateTrait } from '../../../../../core/mod/index.ts';
import { fromRows, valueIn, type Rows } from '../../../../../core/states/index.ts';
import {
  lightBehind,
  lightReach,
  readingLevel,
  roomSection,
} from '../../../../../core/traits/index.ts';
import { Field } from '../../../../parts/field.tsx';
import { Ruler } from '../../ruler.tsx';
import { ticksOf, useTraitEditor, type TraitEditor, type TraitPlace } from './trait-editor.ts';
import { MakeItDepend } from '../../../../parts/make-it-depend.tsx';
import { firstWhen, RowsEditor } from '../../../../parts/rows-editor.tsx';
import styles from './light.module.css';
import fieldStyles from '../../../../parts/field.module.css';

/** What a wall of the block leaves of the brightest light. */
function wallNote(absorbed: number): string {
  if (!Number.isInteger(absorbed) || absorbed < 0 || absorbed > 15) return '';
  const behind = lightBehind(absorbed, 3);
  return behind[0] === 0
    ? 'A wall of it lets no light through.'
    : 'Of a light of 15 a wall one, two or three thick leaves ' +
        `${behind.slice(0, 2).join(', ')} or ${itemAt(behind, 2)}.`;
}

/** The light that the block gives, and how far it reaches. */
export const LightEmitted = memo(function LightEmitted(place: TraitPlace) {
  const editor = useTraitEditor(place, 'lightEmitted', 'lightAbsorbed');
  return <LightField editor={editor} name="lightEmitted" label="Light emitted" />;
});

/** The light that the block swallows, and what a wall of it leaves. */
export const LightAbsorbed = memo(function LightAbsorbed(place: TraitPlace) {
  const editor = useTraitEditor(place, 'lightAbsorbed');
  return <LightField editor={editor} name="lightAbsorbed" label="Light absorbed" />;
});

/**
 * A level of light by state: one number, or rows of numbers, and how far it reaches in the state
 * that is shown.
 */
function LightField({
  editor: { block, traits, declared, own, put, state },
  name,
  label,
}: {
  editor: TraitEditor;
  name: Exclude<ByStateTrait, 'friction'>;
  label: string;
}) {
  const rows = traits[name];
  const level = valueIn(rows, block.space, state) ?? 0;
  const many = Array.isArray(declared[name]);
  const emitted = name === 'lightEmitted';
  const absorbedHere = valueIn(block.traits.lightAbsorbed, block.space, state);
  const putRows = (next: Rows<number>) => put(name, fromRows(next));
  return (
    <Field
      label={label}
      {...own(name)}
      value={<span className={clsx('mono', fieldStyles['value'])}>{level} in this state</span>}
      note={
        !emitted
          ? wallNote(level)
          : level
            ? `Reads by it up to ${lightReach(level, readingLevel)} blocks away; dark at ${level}.`
            : undefined
      }
    >
      {many ? (
        <RowsEditor<number>
          what={label.toLowerCase()}
          rows={rows}
          space={block.space}
          inline
          fresh={() => 0}
          onRows={(_title, next) => putRows(next)}
          value={(value, onValue, i) => (
            <NumberInput
              w={58}
              hideControls
              aria-label={`${label}, row ${i + 1}`}
              value={value}
              onChange={(next) => typeof next === 'number' && onValue(next)}
            />
          )}
        />
      ) : (
        <OneLevel
          label={label}
          name={name}
          value={itemAt(rows, 0).value}
          onValue={(value) => putRows([{ value }])}
        />
      )}
      {!many && block.space.properties.length > 0 && (
        <MakeItDepend
          what={label.toLowerCase()}
          onMake={() => putRows([{ when: firstWhen(block.space), value: level }, { value: 0 }])}
        />
      )}
      {emitted && level > 0 && level <= 15 && Number.isInteger(level) && (
        <Room emitted={level} absorbed={Math.min(15, Math.max(0, Math.round(absorbedHere ?? 0)))} />
      )}
    </Field>
  );
}

interface LevelProps {
  label: string;
  name: Exclude<ByStateTrait, 'friction'>;
  value: number;
  onValue: (value: number) => void;
}

/** One level for all states, on a ruler and as a number. */
function OneLevel({ label, name, value, onValue }: LevelProps) {
  const emitted = name === 'lightEmitted';
  return (
    <div className={styles['every-state']}>
      <Ruler
        label={label}
        value={value}
        low={0}
        high={15}
        step={1}
        ticks={emitted ? [] : ticksOf.lightAbsorbed}
        of={({ traits }) =>
          emitted
            ? Math.max(...traits.lightEmitted.map((row) => row.value))
            : traits.lightAbsorbed[0]?.value
        }
        onValue={onValue}
      />
      <NumberInput
        aria-label={`${label}, number`}
        value={value}
        onChange={(next) => typeof next === 'number' && onValue(next)}
      />
    </div>
  );
}

/** The room that the section cuts open: as wide as a sheet has room for numbers. */
const [roomWidth, roomHeight] = [27, 5];

/**
 * The colour of a level. Between what one reads by and what is darker lies a step, so that the
 * border is seen and every number stays readable on its ground.
 */
function colourOf(level: number): string {
  const [from, to, share] =
    level < readingLevel
      ? ([[28, 42, 48], [84, 84, 74], level / (readingLevel - 1)] as const)
      : ([[160, 150, 110], [255, 232, 168], (level - readingLevel) / (15 - readingLevel)] as const);
  return `rgb(${from.map((value, i) => Math.round(value + (to[i]! - value) * share)).join(', ')})`;
}

/**
 * A room with the block on its floor, cut open: the level of every cell as colour and number, what
 * one can read by set apart from the rest.
 */
function Room({ emitted, absorbed }: { emitted: number; absorbed: number }) {
  const { levels, row, column } = useMemo(
    () => roomSection(emitted, absorbed, roomWidth, roomHeight),
    [emitted, absorbed],
  );
  return (
    <div
      className={styles['room']}
      role="img"
      aria-label={
        `A room cut open: ${emitted} at the block, ` +
        `${itemAt(levels, row).filter((level) => level >= readingLevel).length} of ${roomWidth} ` +
        'cells of the floor bright enough to read by'
      }
      style={{ gridTemplateColumns: `repeat(${roomWidth}, 1fr)` }}
    >
      {levels.flatMap((line, y) =>
        line.map((level, x) => {
          return (
            <i
              key={`${y} ${x}`}
              className={
                y === row && x === column
                  ? styles['block']
                  : level < readingLevel
                    ? styles['dim']
                    : undefined
              }
              style={{ background: colourOf(level) }}
            >
              {level || ''}
            </i>
          );
        }),
      )}
    </div>
  );
}
