import { BitSet } from './bitset.ts';
import type { StateSpace, When } from './space.ts';

/** One row of a state-dependent value. Without `when` it matches every state. */
export interface Row<T> {
  when?: When;
  value: T;
}

/** A state-dependent value: ordered rows, the first match wins. */
export type Rows<T> = readonly Row<T>[];

/** A value that is the same in all states, or rows. */
export type ByState<T> = T | Rows<T>;

const isRows = <T>(given: ByState<T>): given is Rows<T> =>
  Array.isArray(given) &&
  given.length > 0 &&
  given.every((row) => typeof row === 'object' && row !== null && 'value' in row);

/** Rows for a value in either form. `toRows(14)` is `[{ value: 14 }]`. */
export const toRows = <T>(given: ByState<T>): Rows<T> =>
  isRows(given) ? given : [{ value: given }];

/**
 * The way back: rows that say one value for every state as that value. `fromRows([{ value: 14 }])`
 * is `14`.
 */
export const fromRows = <T>(rows: Rows<T>): ByState<T> => {
  const [only, ...others] = rows;
  return only && !only.when && !others.length ? only.value : rows;
};

/** What a coverage proof finds. All sets are over the states of the space. */
export interface Coverage {
  /** States that no row matches. */
  uncovered: BitSet;
  /** For each row, the states in which it is the first match. */
  wins: BitSet[];
  /**
   * For each row that never wins, the rows that take all its states first; empty when its condition
   * matches nothing.
   */
  dead: { row: number; coveredBy: number[] }[];
}

/**
 * Proves which states the rows cover, and which rows can never win. Linear in rows × states / 32,
 * and in the states that dead rows ask for.
 */
export function coverage(rows: Rows<unknown>, space: StateSpace): Coverage {
  const open = BitSet.full(space.size);
  const wins: BitSet[] = [];
  const blocked: number[] = [];
  rows.forEach((row, index) => {
    const won = space.matching(row.when, open);
    wins.push(won);
    if (won.isEmpty) blocked.push(index);
    else open.dropAll(won);
  });
  if (!blocked.length) return { uncovered: open, wins, dead: [] };
  const winner = new Int32Array(space.size).fill(-1);
  wins.forEach((won, index) =>
    won.forEach((state) => {
      winner[state] = index;
    }),
  );
  const noted = new Int32Array(rows.length).fill(-1);
  const dead = blocked.map((row) => {
    const coveredBy: number[] = [];
    space.matching(rows[row]!.when).forEach((state) => {
      const at = winner[state]!;
      if (noted[at] === row) return;
      noted[at] = row;
      coveredBy.push(at);
    });
    return { row, coveredBy: coveredBy.sort((a, b) => a - b) };
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
  coverage(rows, space).wins.forEach((won, index) => {
    won.forEach((state) => (values[state] = rows[index]!.value));
  });
  return values;
}

/** The value in one state: of the first row that matches it. */
export function valueIn<T>(rows: Rows<T>, space: StateSpace, state: number): T | undefined {
  return rows.find((row) => space.matching(row.when).has(state))?.value;
}

/**
 * A whole number for each state such that two states have the same one exactly when they have the
 * same data; 0 stands for no value. `kinds` holds the value of each number, with undefined first.
 */
export function kindsOf<T>(values: readonly (T | undefined)[]): {
  kinds: (T | undefined)[];
  of: Int32Array;
} {
  const kinds: (T | undefined)[] = [undefined];
  const byIdentity = new Map<T | undefined, number>([[undefined, 0]]);
  const byData = new Map<string, number>();
  const of = new Int32Array(values.length);
  values.forEach((value, state) => {
    let kind = byIdentity.get(value);
    if (kind === undefined) {
      const data = JSON.stringify(value);
      kind = byData.get(data);
      if (kind === undefined) {
        kind = kinds.push(value) - 1;
        byData.set(data, kind);
      }
      byIdentity.set(value, kind);
    }
    of[state] = kind;
  });
  return { kinds, of };
}

/**
 * The places of the properties on which a value by state depends: changing one of them alone
 * changes the value in some state.
 */
export function mattering(valueByState: Int32Array, space: StateSpace): number[] {
  return space.values.flatMap((list, index) => {
    if (list.length < 2) return [];
    const step = space.steps[index]!;
    const period = step * list.length;
    for (let from = 0; from < valueByState.length; from += period)
      for (let i = from + step; i < from + period; i += 1)
        if (valueByState[i] !== valueByState[i - step]) return [index];
    return [];
  });
}

/**
 * The properties on which the value really depends: changing one of them alone changes the value in
 * some state.
 */
export function dependsOn<T>(rows: Rows<T>, space: StateSpace): ReadonlySet<string> {
  // Rows that ask for nothing give every state the same.
  if (rows.every(({ when }) => !when)) return new Set();
  const before = known.get(rows);
  if (before?.space === space) return before.names;
  const matters = mattering(kindsOf(expandRows(rows, space)).of, space);
  const names = new Set(matters.map((index) => space.properties[index]!.name));
  known.set(rows, { space, names });
  return names;
}

/** Several ask the same of the same rows. */
const known = new WeakMap<Rows<unknown>, { space: StateSpace; names: ReadonlySet<string> }>();

/**
 * Rows that give each state its value, naming only the properties on which the value depends. One
 * row for each combination of those: right for every input, not the fewest, and each state finds
 * itself spelled out.
 *
 * @example rowsFromValues([0, 13, 0, 13], space)
 * // [{ when: { lit: false }, value: 0 }, { when: { lit: true }, value: 13 }]
 */
export function rowsFromValues<T>(values: readonly T[], space: StateSpace): Row<T>[] {
  const matters = mattering(kindsOf(values).of, space);
  const others = space.values.map((_, index) => index).filter((index) => !matters.includes(index));
  return values.flatMap((value, state) => {
    // Of the states that differ only in what does not matter, the one with the first values speaks
    // for all.
    if (others.some((index) => space.digit(state, index) > 0)) return [];
    return [
      matters.length
        ? {
            when: Object.fromEntries(
              matters.map((index) => [
                space.properties[index]!.name,
                space.values[index]![space.digit(state, index)]!,
              ]),
            ),
            value,
          }
        : { value },
    ];
  });
}
