import { heldUnder } from '../lists/index.ts';
import { lookUp, resolveBlock, type Mod } from '../mod/index.ts';
import { maxPictureSide, type Pixels } from '../textures/index.ts';
import { drawnModels } from './block.ts';
import { drawIsometric, type PixelsOf } from './isometric.ts';

/** One picture of a contact sheet. */
export interface SheetCell {
  block: string;
  state: number;
}

/**
 * Every state of a block or, without one, every block of the mod in its default state. Throws a
 * RangeError when there is no such block or it has too many states.
 */
export function sheetCells(mod: Mod, block?: string): SheetCell[] {
  if (block === undefined)
    return Object.keys(mod.blocks)
      .sort()
      .map((name) => ({
        block: name,
        state: resolveBlock(mod, name, heldUnder(mod.blocks, name)).space.defaultState,
      }));
  const declared = Object.hasOwn(mod.blocks, block) ? lookUp(mod.blocks, block) : undefined;
  if (!declared) throw new RangeError(`The mod has no block called ${block}.`);
  const { space } = resolveBlock(mod, block, declared);
  if (space.tooLarge)
    throw new RangeError(
      `${block} has ${space.trueSize.toLocaleString('en')} states, too many to draw.`,
    );
  return Array.from({ length: space.size }, (_, state) => ({ block, state }));
}

/**
 * How many columns a sheet has: for the states of one block as many as its last properties have
 * combinations, so that rows and columns mean something; otherwise about twice as many as rows.
 */
export function sheetColumns(mod: Mod, cells: readonly SheetCell[]): number {
  const [first] = cells;
  // A sheet of blocks lies on its side, as screens do.
  if (!first || cells.some((cell) => cell.block !== first.block))
    return Math.max(1, Math.ceil(Math.sqrt(cells.length * 2)));
  const square = Math.max(1, Math.ceil(Math.sqrt(cells.length)));
  let columns = 1;
  for (const list of resolveBlock(
    mod,
    first.block,
    heldUnder(mod.blocks, first.block),
  ).space.values.toReversed()) {
    if (columns * list.length > 24) break;
    columns *= list.length;
    if (columns >= square) break;
  }
  return columns > 1 ? columns : Math.min(square, 24);
}

export interface SheetOptions {
  size: number;
  columns: number;
  pixelsOf: PixelsOf;
}

/** What keeps a sheet from being drawn, as a sentence; undefined when nothing does. */
export function sheetProblem(
  cells: number,
  { size, columns }: Omit<SheetOptions, 'pixelsOf'>,
): string | undefined {
  const [width, height] = [columns * size, Math.ceil(cells / columns) * size];
  return Math.max(width, height) > maxPictureSide
    ? `${cells.toLocaleString('en')} pictures of ${size} pixels in ${columns} columns make ` +
        `a sheet of ${width} × ${height} pixels; at most ${maxPictureSide} × ` +
        `${maxPictureSide} are drawn, so that it can be read again. Use smaller pictures, ` +
        'other columns or one block.'
    : undefined;
}

/**
 * Draws a sheet picture by picture, row by row, on a clear ground; where there is no cell it stays
 * clear. It yields the number of pictures that are done, so that whoever draws can show progress or
 * stop; at the end it returns the sheet. Throws a RangeError when the sheet would be too large.
 */
export function* sheetSteps(
  mod: Mod,
  cells: readonly (SheetCell | undefined)[],
  { size, columns, pixelsOf }: SheetOptions,
): Generator<number, Pixels> {
  const problem = sheetProblem(cells.length, { size, columns });
  if (problem) throw new RangeError(problem);
  const width = Math.max(1, columns * size);
  const sheet: Pixels = {
    width,
    height: Math.max(1, Math.ceil(cells.length / columns) * size),
    data: new Uint8Array(width * Math.max(1, Math.ceil(cells.length / columns) * size) * 4),
  };
  for (const [i, cell] of cells.entries()) {
    if (!cell) {
      yield i + 1;
      continue;
    }
    const { block, state } = cell;
    const drawn = drawIsometric(
      drawnModels(mod, resolveBlock(mod, block, heldUnder(mod.blocks, block)), state),
      mod.header.texels,
      size,
      pixelsOf,
    );
    const [left, top] = [(i % columns) * size, Math.floor(i / columns) * size];
    for (let y = 0; y < size; y += 1)
      sheet.data.set(
        drawn.data.subarray(y * size * 4, (y + 1) * size * 4),
        ((top + y) * width + left) * 4,
      );
    yield i + 1;
  }
  return sheet;
}

/**
 * A whole sheet at once.
 *
 * @example drawSheet(mod, sheetCells(mod, 'tide_lantern'), { size: 64, columns: 4, pixelsOf })
 */
export function drawSheet(mod: Mod, cells: readonly SheetCell[], options: SheetOptions): Pixels {
  const steps = sheetSteps(mod, cells, options);
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}

/**
 * The same cells in another version of the mod: none where the block was not there or had other
 * states.
 */
export const cellsIn = (
  mod: Mod,
  cells: readonly SheetCell[],
  now: Mod,
): (SheetCell | undefined)[] =>
  cells.map((cell) => {
    const before = Object.hasOwn(mod.blocks, cell.block)
      ? resolveBlock(mod, cell.block, heldUnder(mod.blocks, cell.block)).space
      : undefined;
    const after = resolveBlock(now, cell.block, heldUnder(now.blocks, cell.block)).space;
    return before &&
      before.size === after.size &&
      before.describe(cell.state) === after.describe(cell.state)
      ? cell
      : undefined;
  });

/**
 * Two sheets laid on each other: what is alike made faint, what differs marked, and in which
 * pictures.
 */
export interface SheetComparison {
  pixels: Pixels;
  differing: number;
  cells: number[];
}

const brick = [163, 62, 46] as const;

/**
 * Compares two sheets pixel by pixel. `size` is the side of one picture. A pixel that is clear in
 * both is the same whatever its colour. Throws a RangeError when the sheets differ in size.
 */
export function compareSheets(now: Pixels, before: Pixels, size: number): SheetComparison {
  if (now.width !== before.width || now.height !== before.height)
    throw new RangeError(
      `The sheets differ in size: ${now.width} × ${now.height} and ${before.width} × ` +
        `${before.height} pixels. They must show the same states in the same number of ` +
        'columns.',
    );
  const data = new Uint8Array(now.data.length);
  const marked = new Set<number>();
  let differing = 0;
  for (let i = 0; i < now.width * now.height; i += 1) {
    const at = i * 4;
    const clear = now.data[at + 3] === 0 && before.data[at + 3] === 0;
    const same =
      clear ||
      (now.data[at] === before.data[at] &&
        now.data[at + 1] === before.data[at + 1] &&
        now.data[at + 2] === before.data[at + 2] &&
        now.data[at + 3] === before.data[at + 3]);
    for (let channel = 0; channel < 3; channel += 1)
      data[at + channel] = now.data[at + channel] ?? 0;
    if (same) data[at + 3] = Math.round((now.data[at + 3] ?? 0) * 0.35);
    else {
      differing += 1;
      marked.add(
        Math.floor(Math.floor(i / now.width) / size) * Math.floor(now.width / size) +
          Math.floor((i % now.width) / size),
      );
      // What is there now shines through the mark.
      const cover = ((now.data[at + 3] ?? 0) / 255) * 0.4;
      for (let channel = 0; channel < 3; channel += 1)
        data[at + channel] = Math.round(
          brick[channel]! * (1 - cover) + (now.data[at + channel] ?? 0) * cover,
        );
      data[at + 3] = 255;
    }
  }
  return {
    pixels: { width: now.width, height: now.height, data },
    differing,
    cells: [...marked].sort((a, b) => a - b),
  };
}
