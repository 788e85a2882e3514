import type { BitSet } from './bitset.ts';
import { fewestRows } from './minimise.ts';
import { expandRows, type Row, type Rows } from './rows.ts';
import type { StateSpace } from './space.ts';

/**
 * The rows after some states were painted: each gets what `paint` makes of what it had, every other
 * state keeps its value, and the rows are as few as can be found. What is painted with undefined is
 * left without a row.
 *
 * @example paintRows([{ value: 0 }], space, lit, () => 13)
 * // [{ when: { lit: true }, value: 13 }, { value: 0 }]
 */
export function paintRows<T>(
  rows: Rows<T>,
  space: StateSpace,
  painted: BitSet,
  paint: (before: T | undefined, state: number) => T | undefined,
): Row<T>[] {
  const values = expandRows(rows, space);
  painted.forEach((state) => {
    values[state] = paint(values[state], state);
  });
  // Where something is left open the old rows, which match it, are no place to begin.
  const isOpen = values.some((value, state) => value === undefined && painted.has(state));
  if (isOpen) return fewestRows(values, space).rows;
  const strokes = fewestRows(
    values.map((value, state) => (painted.has(state) ? value : undefined)),
    space,
  ).rows;
  return fewestRows(values, space, [...strokes, ...rows]).rows;
}
