import type { Pixels } from '../png.ts';
import { colourAt, type Area, type Colour, type Texel } from '../painting/index.ts';
import { apart, toOklab, type Oklab } from './tones.ts';

/** How well an area goes on where the next one begins beside it. Distances as they look (OKLab). */
export interface Edges {
  /** From the last texel of each row to the first one of the same row, beside it. */
  across: readonly number[];
  /** From the last texel of each column to the first one, below it. */
  down: readonly number[];
  /** What lies between two neighbours inside: of a hundred, 96 are no farther apart. */
  usual: number;
}

/** What is usual inside is told from about so many places: larger pictures are looked at in steps. */
const places = 4096;

/** How far apart two colours look. What is see-through differs from what is not. */
function distances(): (a: Colour, b: Colour) => number {
  const known = new Map<number, Oklab>();
  const lab = (colour: Colour): Oklab => {
    const key = (colour[0] << 16) | (colour[1] << 8) | colour[2];
    const before = known.get(key) ?? toOklab(colour);
    known.set(key, before);
    return before;
  };
  return (a, b) => {
    const alpha = Math.abs(a[3] - b[3]) / 255;
    if (a[3] === 0 || b[3] === 0) return alpha;
    return Math.max(apart(lab(a), lab(b)), alpha);
  };
}

/**
 * How far apart an area's opposite edges look, and what is usual inside. A texture tiles without a
 * seam where the first is no more than the second.
 */
export function edgesOf(pixels: Pixels, { left, top, width, height }: Area): Edges {
  const distance = distances();
  const between = (a: Texel, b: Texel) => distance(colourAt(pixels, a), colourAt(pixels, b));
  const rows = Array.from({ length: height }, (_, i) => top + i);
  const columns = Array.from({ length: width }, (_, i) => left + i);
  const step = Math.ceil(Math.sqrt((width * height) / places));
  const some = (all: readonly number[]) => all.filter((_, i) => i % step === 0);
  const inside = [
    ...some(rows).flatMap((y) => some(columns.slice(1)).map((x) => between([x - 1, y], [x, y]))),
    ...some(columns).flatMap((x) => some(rows.slice(1)).map((y) => between([x, y - 1], [x, y]))),
  ].sort((a, b) => a - b);
  return {
    across: rows.map((y) => between([left + width - 1, y], [left, y])),
    down: columns.map((x) => between([x, top + height - 1], [x, top])),
    usual: inside[Math.floor(inside.length * 0.96)] ?? 0,
  };
}

/** Nobody sees a step smaller than this. */
const seen = 0.04;

/**
 * The places along an edge where a seam shows: farther apart than what is usual inside.
 *
 * @example seamsIn(edges.across, edges.usual) // [3, 4]: in the fourth row and the fifth
 */
export const seamsIn = (edge: readonly number[], usual: number): number[] =>
  edge.flatMap((step, i) => (step > seen && step > usual * 1.25 ? [i] : []));
