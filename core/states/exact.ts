/**
 * A condition as a set of cells in a table of at most 32 cells, with the places of the values in
 * each dimension.
 */
export interface SmallBox {
  cells: number;
  digits: number[][];
}

/** One step of a search: the box that the row asks for, and the kind that it gives. */
export interface SmallRow {
  box: SmallBox;
  kind: number;
}

/** Tables with more boxes than this are not searched. */
const mostBoxes = 4096;
/**
 * The search gives up after looking at this many boxes; what it then has is not proved to be the
 * fewest.
 */
const mostLooks = 1_500_000;

const bits = (mask: number): number => {
  let v = mask - ((mask >>> 1) & 0x55555555);
  v = (v & 0x33333333) + ((v >>> 2) & 0x33333333);
  return Math.imul((v + (v >>> 4)) & 0x0f0f0f0f, 0x01010101) >>> 24;
};

/**
 * All boxes of a table: every choice of values in every dimension. Undefined when there are too
 * many.
 */
export function boxesOf(sizes: readonly number[]): SmallBox[] | undefined {
  if (
    sizes.some((size) => size > 12) ||
    sizes.reduce((many, size) => many * (2 ** size - 1), 1) > mostBoxes
  )
    return undefined;
  const cells = sizes.reduce((product, size) => product * size, 1);
  let step = cells;
  let boxes: SmallBox[] = [{ cells: cells === 32 ? 0xffffffff : 2 ** cells - 1, digits: [] }];
  for (const size of sizes) {
    step /= size;
    const slices = Array.from({ length: size }, (_, digit) => {
      let mask = 0;
      for (let cell = 0; cell < cells; cell += 1)
        if (Math.floor(cell / step) % size === digit) mask |= 1 << cell;
      return mask;
    });
    boxes = boxes.flatMap((box) =>
      Array.from({ length: 2 ** size - 1 }, (_, i) => {
        const digits = slices.flatMap((_slice, digit) => (((i + 1) >> digit) & 1 ? [digit] : []));
        return {
          cells: box.cells & digits.reduce((mask, digit) => mask | slices[digit]!, 0),
          digits: [...box.digits, digits],
        };
      }),
    );
  }
  // Of boxes that take the same cells, the widest says it most simply, so it comes first.
  return boxes.sort((a, b) => bits(b.cells) - bits(a.cells));
}

/**
 * The fewest rows that give each cell of a table its kind, first match wins, by searching deeper
 * and deeper (Korf, Depth-First Iterative-Deepening, 1985). Cells of kind 0 stay without a row.
 * Only searches for fewer than `below` rows. Gives `found: undefined, proved: true` when there is
 * no such list, and `proved: false` when the search was given up.
 *
 * Two facts keep it short. Taking more cells of a kind never hurts the rows below, so only the
 * widest boxes are tried; and when one box takes all that is left of a kind, taking it at once is
 * as good as anything.
 */
export function searchRows(
  valueByState: Int32Array,
  kinds: number,
  boxes: readonly SmallBox[],
  below: number,
): { found?: SmallRow[]; proved: boolean } {
  const masks = Array.from({ length: kinds }, (_, kind) =>
    valueByState.reduce((mask, one, cell) => (one === kind ? mask | (1 << cell) : mask), 0),
  );
  const usable = boxes.filter((box) => (box.cells & masks[0]!) === 0);
  let looks = 0;
  const failed = new Map<number, number>();

  const search = (open: number, left: number): SmallRow[] | undefined => {
    if (open === 0) return [];
    const waiting = masks.flatMap((mask, kind) => (kind > 0 && (mask & open) !== 0 ? [kind] : []));
    if (waiting.length > left || (failed.get(open) ?? -1) >= left) return undefined;
    if (looks > mostLooks) return undefined;
    const moves: SmallRow[] = [];
    for (const kind of waiting) {
      looks += usable.length;
      const wanted = masks[kind]! & open;
      const taken: number[] = [];
      for (const box of usable) {
        const takes = box.cells & open;
        if (takes === 0 || (takes & ~wanted) !== 0 || taken.some((more) => (takes & ~more) === 0))
          continue;
        taken.push(takes);
        if (takes === wanted) {
          const rest = search(open & ~takes, left - 1);
          if (!rest) failed.set(open, left);
          return rest && [{ box, kind }, ...rest];
        }
        moves.push({ box, kind });
      }
    }
    moves.sort((a, b) => bits(b.box.cells & open) - bits(a.box.cells & open));
    for (const move of moves) {
      const rest = search(open & ~move.box.cells, left - 1);
      if (rest) return [move, ...rest];
      if (looks > mostLooks) return undefined;
    }
    failed.set(open, left);
    return undefined;
  };

  const start = masks.reduce((open, mask, kind) => (kind > 0 ? open | mask : open), 0);
  const least = masks.filter((mask, kind) => kind > 0 && mask !== 0).length;
  for (let depth = least; depth < below; depth += 1) {
    const found = search(start, depth);
    if (found) return { found, proved: true };
    if (looks > mostLooks) return { proved: false };
  }
  return { proved: true };
}
