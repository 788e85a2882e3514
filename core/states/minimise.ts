import { BitSet } from './bitset.ts';
import { diagramOf, rowsOfDiagram, type Diagram } from './diagram.ts';
import { boxesOf, searchRows } from './exact.ts';
import { kindsOf, mattering, type Row, type Rows } from './rows.ts';
import { StateSpace, whenOf } from './space.ts';

/** Rows that mean exactly what was given, and how few they are. */
export interface FewestRows<T> {
  rows: Row<T>[];
  /** True when it is proved that fewer rows cannot say it. */
  exact: boolean;
  /** No list of rows can be shorter than this: there are so many different values. */
  atLeast: number;
}

/** Tables up to this many cells are searched for the shortest list. */
const smallTable = 32;
/** About how many cells are looked at while orders of the properties are tried. */
const orderBudget = 60_000;
/** Lists longer than this are not tidied row against row. */
const tidyLimit = 512;

/**
 * A row while it is worked on: for each property the places of the values that it asks for, and its
 * kind of value. `slices` are the cells that each of these allows, undefined where all are.
 */
interface Draft {
  digits: number[][];
  kind: number;
  slices?: (BitSet | undefined)[];
}

/**
 * Rows that give each state its value, and as few of them as can be found: the first match wins,
 * states without a value stay without a row. For tables of up to 32 cells (counting only properties
 * that matter) the list is the shortest there is unless a search of bounded length gives up; for
 * larger ones it comes from the best of several decision diagrams and is never longer than one row
 * for each different part of that diagram, nor longer than `from`: rows that are known to mean the
 * same. `atLeast` says how short any list could be, `exact` whether this one is proved shortest.
 * Throws a RangeError when `from` means something else.
 *
 * @example fewestRows([0, 13, 0, 13], space).rows
 * // [{ when: { lit: true }, value: 13 }, { value: 0 }]
 */
export function fewestRows<T>(
  values: readonly (T | undefined)[],
  space: StateSpace,
  from?: Rows<T>,
): FewestRows<T> {
  const { kinds, of } = kindsOf(values);
  const atLeast = kinds.length - 1;
  const matters = mattering(of, space);
  const table = shrunk(of, space, matters);
  const sizes = matters.map((index) => space.values[index]!.length);
  const whole = (digits: readonly number[][]): number[][] =>
    space.values.map((list, index) =>
      matters.includes(index) ? digits[matters.indexOf(index)]! : list.map((_, i) => i),
    );

  // Where every property matters the table is the space itself, and the sets that it has kept serve
  // again.
  const cells =
    matters.length === space.properties.length
      ? space
      : new StateSpace(matters.map((index) => space.properties[index]!));
  const given = from && tidied(draftsOf(from, of, kinds, space, matters), table, cells);
  let drafts = given ?? [];
  if (!given || given.length > atLeast) {
    const made = fromDiagrams(
      table,
      kinds.length,
      sizes,
      given ? given.length * 4 : Infinity,
      given ? orderBudget / 4 : orderBudget,
    );
    const tidy = made && tidied(made, table, cells);
    if (tidy && (!given || tidy.length < given.length)) drafts = tidy;
  }
  let exact = drafts.length <= atLeast;
  const boxes = exact || table.length > smallTable ? undefined : boxesOf(sizes);
  if (boxes) {
    const { found, proved } = searchRows(table, kinds.length, boxes, drafts.length);
    if (found) drafts = found.map(({ box, kind }) => ({ digits: box.digits, kind }));
    exact = proved;
  }
  return {
    rows: drafts.map(({ digits, kind }): Row<T> =>
      rowOf(whenOf(space, whole(digits)), kinds[kind] as T),
    ),
    exact,
    atLeast,
  };
}

const rowOf = <T>(when: Row<T>['when'], value: T): Row<T> => (when ? { when, value } : { value });

/**
 * Given rows as drafts over the properties that matter. A row that asks for a property that matters
 * nowhere asks for nothing.
 */
function draftsOf<T>(
  rows: Rows<T>,
  valueByState: Int32Array,
  kinds: readonly (T | undefined)[],
  space: StateSpace,
  matters: readonly number[],
): Draft[] {
  const [open, drafts, same] = [space.everything.copy(), [] as Draft[], new Map<T, number>()];
  for (const { when, value } of rows) {
    const asks = space.properties.map(({ name }) =>
      when?.[name] === undefined || Array.isArray(when[name]) ? when?.[name] : [when[name]],
    );
    const slices = asks.map(
      (asked, index) => asked && space.allowing(space.properties[index]!.name, asked),
    );
    // What names a property that there is not matches nothing.
    if (Object.keys(when ?? {}).length > given(slices).length) continue;
    const won = BitSet.shared(given(slices), open);
    const first = won.first;
    if (first === undefined) continue;
    open.dropAll(won);
    const kind = valueByState[first]!;
    won.forEach((state) => {
      if (valueByState[state] !== kind)
        throw new RangeError('the rows to begin with mean something else');
    });
    if (same.get(value) !== kind && JSON.stringify(kinds[kind]) !== JSON.stringify(value))
      throw new RangeError('the rows to begin with give other values');
    same.set(value, kind);
    const digits = matters.map((index) =>
      asks[index]
        ? space.values[index]!.flatMap((one, digit) => (asks[index]!.includes(one) ? [digit] : []))
        : range(space.values[index]!.length),
    );
    // Where the table is the space itself, its sets serve the table too.
    const serving =
      matters.length === space.properties.length &&
      slices.map((slice, index) =>
        digits[index]!.length < space.values[index]!.length ? slice : undefined,
      );
    drafts.push({ digits, kind, ...(serving && { slices: serving }) });
  }
  open.forEach((state) => {
    if (valueByState[state]) throw new RangeError('the rows to begin with leave out a state');
  });
  return drafts;
}

/** The table over the properties that matter, the others at their first value. */
function shrunk(
  valueByState: Int32Array,
  space: StateSpace,
  matters: readonly number[],
): Int32Array {
  const size = matters.reduce((product, index) => product * space.values[index]!.length, 1);
  if (size === valueByState.length) return valueByState;
  const table = new Int32Array(size);
  for (let cell = 0; cell < size; cell += 1) {
    let [rest, state] = [cell, 0];
    for (let i = matters.length - 1; i >= 0; i -= 1) {
      const many = space.values[matters[i]!]!.length;
      state += (rest % many) * space.steps[matters[i]!]!;
      rest = Math.floor(rest / many);
    }
    table[cell] = valueByState[state]!;
  }
  return table;
}

/**
 * The rows of the diagram that makes the fewest, among the orders of properties that there is time
 * to try; none when those are more than `most`.
 */
function fromDiagrams(
  table: Int32Array,
  kinds: number,
  sizes: readonly number[],
  most: number,
  budget: number,
): Draft[] | undefined {
  let best: { diagram: Diagram; order: number[] } | undefined;
  let left = Math.max(1, Math.floor(budget / table.length));
  for (const order of orders(sizes)) {
    if ((left -= 1) < 0) break;
    const diagram = diagramOf(table, kinds, sizes, order, best ? best.diagram.rows - 1 : most);
    if (diagram) best = { diagram, order };
    if (best && best.diagram.rows <= kinds - 1) break;
  }
  if (!best) return undefined;
  const { diagram, order } = best;
  return rowsOfDiagram(diagram, order).map(({ asks, kind }) => ({
    kind,
    digits: sizes.map((size, index) => asks.get(index) ?? range(size)),
  }));
}

const given = (slices: readonly (BitSet | undefined)[]) =>
  slices.filter((slice) => slice !== undefined);
const range = (size: number): number[] => Array.from({ length: size }, (_, i) => i);

/** Orders of the dimensions: shortest first, longest first, as given, then every other one. */
function* orders(sizes: readonly number[]): Generator<number[]> {
  const given = range(sizes.length);
  const short = [...given].sort((a, b) => sizes[a]! - sizes[b]! || a - b);
  yield short;
  yield [...short].reverse();
  yield given;
  if (sizes.length < 3 || sizes.length > 7) return;
  function* permutations(rest: number[]): Generator<number[]> {
    if (rest.length < 2) yield rest;
    else
      for (const first of rest)
        for (const others of permutations(rest.filter((one) => one !== first)))
          yield [first, ...others];
  }
  yield* permutations(given);
}

/**
 * Widens each row as far as it takes only cells that are its own or are taken already, then leaves
 * out the rows that the rows below make up for.
 */
function tidied(drafts: Draft[], table: Int32Array, cellSpace: StateSpace): Draft[] {
  if (drafts.length > tidyLimit) return drafts;
  const sizes = cellSpace.values.map((list) => list.length);
  const slicesOf = ({ digits }: Draft) =>
    digits.map((list, index) =>
      list.length === sizes[index]
        ? undefined
        : cellSpace.allowing(
            cellSpace.properties[index]!.name,
            list.map((digit) => cellSpace.values[index]![digit]!),
          ),
    );
  const own = new Map<number, BitSet>();
  table.forEach((kind, cell) => {
    let set = own.get(kind);
    if (!set) own.set(kind, (set = new BitSet(table.length)));
    set.add(cell);
  });
  const { everything } = cellSpace;
  const [taken, open] = [new BitSet(table.length), everything.copy()];
  const rows = drafts.map((draft) => {
    const slices = [...(draft.slices ?? slicesOf(draft))];
    const digits = [...draft.digits];
    const mine = own.get(draft.kind)!;
    sizes.forEach((size, index) => {
      if (
        !slices[index] ||
        !BitSet.sharedWithin(given(slices.filter((_, other) => other !== index)), mine, taken)
      )
        return;
      digits[index] = range(size);
      slices[index] = undefined;
    });
    const cells = BitSet.shared(given(slices), everything);
    const won = cells.and(open);
    open.dropAll(won);
    taken.addAll(cells);
    return { draft: { digits, kind: draft.kind }, cells, won };
  });
  // From the last row upward: what the rows below would give each cell is known, so a row that
  // gives its cells the same is not needed.
  const below = new Int32Array(table.length);
  const kept: Draft[] = [];
  for (const { draft, cells, won } of rows.reverse()) {
    if (!won.some((cell) => below[cell] !== draft.kind)) continue;
    cells.forEach((cell) => (below[cell] = draft.kind));
    kept.unshift(draft);
  }
  return kept;
}
