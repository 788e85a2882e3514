import { NumberInput } from '@mantine/core';
import { meanOf, spanOf } from '../../../core/loot/index.ts';
import type { Count } from '../../../core/mod/index.ts';
import styles from './loot.module.css';

type Kind = 'fixed' | 'range' | 'tries';
const kindOf = (count: Count): Kind =>
  typeof count === 'number' ? 'fixed' : Array.isArray(count) ? 'range' : 'tries';

/** How many: one number, from one to another, or tries that each count one by their chance. */
export function CountField({
  label,
  value,
  onValue,
}: {
  label: string;
  value: Count;
  onValue: (value: Count) => void;
}) {
  const kind = kindOf(value);
  const [low, high] = spanOf(value);
  const become = (next: Kind) =>
    onValue(
      next === 'fixed'
        ? Math.round(meanOf(value)) || 1
        : next === 'range'
          ? [low, Math.max(low + 1, high)]
          : { tries: Math.max(1, high), chance: 0.5 },
    );
  const number = (
    words: string,
    shown: number,
    put: (next: number) => void,
    more: { max?: number; step?: number; scale?: number } = {},
  ) => (
    <NumberInput
      aria-label={words}
      w={more.scale ? 56 : 42}
      hideControls
      min={0}
      max={more.max}
      step={more.step ?? 1}
      decimalScale={more.scale ?? 0}
      value={shown}
      onChange={(next) => typeof next === 'number' && put(next)}
    />
  );
  return (
    <span className={styles['count-field']}>
      <select
        className="pick"
        aria-label={`How ${label} is counted`}
        value={kind}
        onChange={(event) => become(event.currentTarget.value as Kind)}
      >
        <option value="fixed">just</option>
        <option value="range">from</option>
        <option value="tries">of tries</option>
      </select>
      {typeof value === 'number' && number(`How many ${label}`, value, (next) => onValue(next))}
      {Array.isArray(value) && (
        <>
          {number(`Least ${label}`, value[0], (next) => onValue([next, Math.max(next, value[1])]))}
          <span>to</span>
          {number(`Most ${label}`, value[1], (next) => onValue([value[0], next]))}
        </>
      )}
      {typeof value === 'object' && !Array.isArray(value) && (
        <>
          {number(`Tries ${label}`, value.tries, (next) => onValue({ ...value, tries: next }))}
          <span>at</span>
          {number(
            `Chance of each ${label}`,
            Number((value.chance * 100).toFixed(2)),
            (next) => onValue({ ...value, chance: next / 100 }),
            { max: 100, scale: 2 },
          )}
          <span>%</span>
        </>
      )}
    </span>
  );
}
