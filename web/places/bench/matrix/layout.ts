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
    list.reduce((product, name) => product * space.values[space.indexOf(name)]!.length, 1);
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

/** A head of a row or column: the values that make it, and how many heads before it share each. */
export interface Plane {
  rows: { digits: number[]; first: number[] }[];
  columns: { digits: number[]; first: number[] }[];
  /** The state of a cell. */
  stateAt: (row: number, column: number) => number;
  /** Where a state lies; undefined when it is on another tab. */
  cellOf: (state: number) => { row: number; column: number } | undefined;
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
  const combinations = (at: readonly number[]): number[][] =>
    at.reduce<number[][]>(
      (all, place) =>
        all.flatMap((digits) => space.values[place]!.map((_, digit) => [...digits, digit])),
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
          digits.slice(0, level + 1).every((digit, k) => list[from - 1]![k] === digit)
        )
          from -= 1;
        return from;
      }),
    }));
  const [down, across, fixed] = [places(rows), places(columns), places(tabs)];
  const [rowHeads, columnHeads] = [banded(combinations(down)), banded(combinations(across))];
  const base = fixed.reduce(
    (sum, place) => sum + space.digit(state, place) * space.steps[place]!,
    0,
  );
  const worth = (at: readonly number[], digits: readonly number[]) =>
    digits.reduce((sum, digit, i) => sum + digit * space.steps[at[i]!]!, 0);
  const rowWorth = rowHeads.map(({ digits }) => worth(down, digits));
  const columnWorth = columnHeads.map(({ digits }) => worth(across, digits));
  const index = (at: readonly number[], of: number) =>
    at.reduce((sum, place) => sum * space.values[place]!.length + space.digit(of, place), 0);
  return {
    rows: rowHeads,
    columns: columnHeads,
    stateAt: (row, column) => base + rowWorth[row]! + columnWorth[column]!,
    cellOf: (of) =>
      fixed.every((place) => space.digit(of, place) === space.digit(state, place))
        ? { row: index(down, of), column: index(across, of) }
        : undefined,
  };
}
