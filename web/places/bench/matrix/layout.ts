import { itemAt } from '../../../../core/lists/index.ts';
import type { StateSpace } from '../../../../core/states/index.ts';

/** Along what each property runs, by name. */
export interface Arrangement {
  rows: string[];
  columns: string[];
  tabs: string[];
}

/** How many combinations are laid side by side before further properties run down instead. */
const mostColumns = 8;
/** How many rows there are before further properties become tabs. */
const mostRows = 1024;

/**
 * An arrangement that one sees at once: of the first or the last few properties those across that
 * make the most columns, but no more than a few; the rest down, and what is too many for that as
 * tabs.
 */
export function usualArrangement(space: StateSpace): Arrangement {
  const names = space.properties.map((property) => property.name);
  const many = (list: readonly string[]) =>
    list.reduce((product, name) => product * itemAt(space.values, space.indexOf(name)).length, 1);
  const splits = names
    .flatMap((_, i) => [names.slice(names.length - i), names.slice(0, i)])
    .filter((columns) => columns.length > 0 && many(columns) <= mostColumns);
  const columns = splits.reduce<string[]>(
    (best, split) => (many(split) > many(best) ? split : best),
    [],
  );
  const arrangement: Arrangement = { rows: [], columns, tabs: [] };
  for (const name of names.toReversed()) {
    if (columns.includes(name)) continue;
    if (many([...arrangement.rows, name]) <= mostRows) arrangement.rows.unshift(name);
    else arrangement.tabs.unshift(name);
  }
  return arrangement;
}

/**
 * An arrangement that was kept, with properties that are gone left out and new ones running down.
 */
export function fittedArrangement(kept: Arrangement | undefined, space: StateSpace): Arrangement {
  if (!kept) return usualArrangement(space);
  const known = (names: string[]) => names.filter((name) => space.indexOf(name) >= 0);
  const [rows, columns, tabs] = [known(kept.rows), known(kept.columns), known(kept.tabs)];
  const missing = space.properties
    .map((property) => property.name)
    .filter((name) => ![...rows, ...columns, ...tabs].includes(name));
  return { rows: [...rows, ...missing], columns, tabs };
}

/** The head of a row or column: the values that make it, and the head with which its band begins. */
export interface PlaneHead {
  digits: number[];
  first: number[];
}
/** Rows by columns of states. */
export interface Plane {
  rows: PlaneHead[];
  columns: PlaneHead[];
  /** The state of a cell. */
  stateAt: (row: number, column: number) => number;
  /** Where a state lies; undefined when it is on another tab. */
  cellOf: (state: number) => { row: number; column: number } | undefined;
}

/** The last head of the band in which a head lies on a level. */
export function bandEnd(heads: readonly PlaneHead[], from: number, level: number): number {
  let end = from;
  while (heads[end + 1]?.first[level] === itemAt(heads, from).first[level]) end += 1;
  return end;
}

/**
 * The cells of a matrix: every combination of the row properties by every one of the column
 * properties, the tabs as in `state`.
 */
export function planeOf(
  space: StateSpace,
  { rows, columns, tabs }: Arrangement,
  state: number,
): Plane {
  const places = (names: readonly string[]) => names.map((name) => space.indexOf(name));
  const combinations = (places: readonly number[]): number[][] =>
    places.reduce<number[][]>(
      (all, place) =>
        all.flatMap((digits) => itemAt(space.values, place).map((_, digit) => [...digits, digit])),
      [[]],
    );
  /** For each head and level the head with which its band begins. */
  const banded = (list: number[][]) =>
    list.map((digits, i) => ({
      digits,
      first: digits.map((_, level) => {
        let from = i;
        while (
          from > 0 &&
          digits.slice(0, level + 1).every((digit, k) => itemAt(list, from - 1)[k] === digit)
        )
          from -= 1;
        return from;
      }),
    }));
  const [down, across, fixed] = [places(rows), places(columns), places(tabs)];
  const [rowHeads, columnHeads] = [banded(combinations(down)), banded(combinations(across))];
  const base = fixed.reduce(
    (sum, place) => sum + space.digit(state, place) * itemAt(space.steps, place),
    0,
  );
  const worth = (places: readonly number[], digits: readonly number[]) =>
    digits.reduce((sum, digit, i) => sum + digit * itemAt(space.steps, itemAt(places, i)), 0);
  const rowWorth = rowHeads.map(({ digits }) => worth(down, digits));
  const columnWorth = columnHeads.map(({ digits }) => worth(across, digits));
  const index = (places: readonly number[], shown: number) =>
    places.reduce(
      (sum, place) => sum * itemAt(space.values, place).length + space.digit(shown, place),
      0,
    );
  return {
    rows: rowHeads,
    columns: columnHeads,
    stateAt: (row, column) => base + itemAt(rowWorth, row) + itemAt(columnWorth, column),
    cellOf: (shown) =>
      fixed.every((place) => space.digit(shown, place) === space.digit(state, place))
        ? { row: index(down, shown), column: index(across, shown) }
        : undefined,
  };
}
