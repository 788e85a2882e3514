import { BitSet } from './bitset.ts';
import type { StateSpace, When } from './space.ts';

/** One row of a state-dependent value. Without `when` it matches every state. */
export interface Row<T> { when?: When; value: T }

/** A state-dependent value: ordered rows, the first match wins. */
export type Rows<T> = readonly Row<T>[];

/** A value that is the same in all states, or rows. */
export type ByState<T> = T | Rows<T>;

const isRows = <T>(given: ByState<T>): given is Rows<T> =>
  Array.isArray(given) && given.length > 0 && given.every((row) => typeof row === 'object' && row !== null && 'value' in row);

/** Rows for a value in either form. `toRows(14)` is `[{ value: 14 }]`. */
export const toRows = <T>(given: ByState<T>): Rows<T> => (isRows(given) ? given : [{ value: given as T }]);

/** What a coverage proof finds. All sets are over the states of the space. */
export interface Coverage {
  /** States that no row matches. */
  uncovered: BitSet;
  /** For each row, the states in which it is the first match. */
  wins: BitSet[];
  /** For each row that never wins, the rows that take all its states first; empty when its condition matches nothing. */
  dead: { row: number; coveredBy: number[] }[];
}

/** Proves which states the rows cover, and which rows can never win. Linear in rows × states / 32. */
export function coverage(rows: Rows<unknown>, space: StateSpace): Coverage {
  let open = BitSet.full(space.size);
  const wins: BitSet[] = [];
  const dead: Coverage['dead'] = [];
  rows.forEach((row, at) => {
    const matching = space.matching(row.when);
    const won = matching.and(open);
    if (won.isEmpty)
      dead.push({ row: at, coveredBy: wins.flatMap((earlier, i) => (earlier.and(matching).isEmpty ? [] : [i])) });
    wins.push(won);
    open = open.without(matching);
  });
  return { uncovered: open, wins, dead };
}

/**
 * The value of each state (its number is the index), undefined where no row matches.
 *
 * @example expandRows([{ when: { lit: true }, value: 13 }, { value: 0 }], space) // [0, 13]
 */
export function expandRows<T>(rows: Rows<T>, space: StateSpace): (T | undefined)[] {
  const values = new Array<T | undefined>(space.size).fill(undefined);
  coverage(rows, space).wins.forEach((won, at) => {
    for (const state of won) values[state] = rows[at]!.value;
  });
  return values;
}

/** The value in one state: of the first row that matches it. */
export function valueIn<T>(rows: Rows<T>, space: StateSpace, state: number): T | undefined {
  return rows.find((row) => space.matching(row.when).has(state))?.value;
}

/** True when two values are the same data. */
const same = (a: unknown, b: unknown): boolean => a === b || JSON.stringify(a) === JSON.stringify(b);

/** The properties on which the value really depends: changing one of them alone changes the value in some state. */
export function dependsOn<T>(rows: Rows<T>, space: StateSpace): Set<string> {
  const values = expandRows(rows, space);
  const named = new Set(rows.flatMap((row) => Object.keys(row.when ?? {})));
  const found = new Set<string>();
  for (const { name } of space.properties) {
    if (!named.has(name)) continue;
    for (let state = 0; state < values.length && !found.has(name); state += 1) {
      const other = space.encode({ ...space.decode(state), [name]: space.decode(0)[name]! });
      if (!same(values[state], values[other])) found.add(name);
    }
  }
  return found;
}

/**
 * Rows that give each state its value, naming only the properties on which the value depends. One row for each combination of those:
 * right for every input, not always the fewest.
 *
 * @example rowsFromValues([0, 13, 0, 13], space) // [{ when: { lit: false }, value: 0 }, { when: { lit: true }, value: 13 }]
 */
export function rowsFromValues<T>(values: readonly T[], space: StateSpace): Row<T>[] {
  const keys = values.map((value) => JSON.stringify(value));
  const matters = space.properties.filter(({ name }) => {
    const outcome = new Map<number, string>();
    const first = space.decode(0)[name]!;
    return keys.some((key, state) => {
      const rest = space.encode({ ...space.decode(state), [name]: first });
      const before = outcome.get(rest) ?? key;
      outcome.set(rest, before);
      return before !== key;
    });
  });
  const rows = new Map<string, Row<T>>();
  values.forEach((value, state) => {
    const named = space.decode(state);
    const when: When = Object.fromEntries(matters.map(({ name }) => [name, named[name]!]));
    rows.set(JSON.stringify(when), matters.length ? { when, value } : { value });
  });
  return [...rows.values()];
}
