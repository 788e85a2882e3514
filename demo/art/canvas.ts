import type { Pixels } from '../../core/textures/index.ts';

export type Colour = readonly [number, number, number, number?];

/** A number from 0 to 1 that follows from a seed: mulberry32 by Tommy Ettinger (public domain). */
export function chance(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

export const hex = (text: string): Colour =>
  [1, 3, 5].map((at) => Number.parseInt(text.slice(at, at + 2), 16)) as unknown as Colour;
export const clear: Colour = [0, 0, 0, 0];

/** A picture drawn texel by texel. */
export function paint(
  width: number,
  height: number,
  colourAt: (x: number, y: number) => Colour,
): Pixels {
  const data = new Uint8Array(width * height * 4);
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) {
      const [r, g, b, a = 255] = colourAt(x, y);
      data.set(
        [r, g, b, a].map((value) => Math.max(0, Math.min(255, Math.round(value)))),
        (y * width + x) * 4,
      );
    }
  return { width, height, data };
}

/** A colour made lighter (above 0) or darker (below 0) by so many steps of 255. */
export const shade = ([r, g, b, a]: Colour, by: number): Colour => [
  r + by,
  g + by,
  b + by * 0.9,
  a,
];

/** A field of smooth noise from −1 to 1 that tiles: values on a coarse grid, blended between. */
export function tilingNoise(
  size: number,
  cells: number,
  seed: number,
): (x: number, y: number) => number {
  const random = chance(seed);
  const grid = Array.from({ length: cells * cells }, () => random() * 2 - 1);
  const at = (x: number, y: number) =>
    grid[(((y % cells) + cells) % cells) * cells + (((x % cells) + cells) % cells)]!;
  const ease = (t: number) => t * t * (3 - 2 * t);
  return (px, py) => {
    const [x, y] = [(px * cells) / size, (py * cells) / size];
    const [fx, fy] = [Math.floor(x), Math.floor(y)];
    const [tx, ty] = [ease(x - fx), ease(y - fy)];
    const top = at(fx, fy) * (1 - tx) + at(fx + 1, fy) * tx;
    const low = at(fx, fy + 1) * (1 - tx) + at(fx + 1, fy + 1) * tx;
    return top * (1 - ty) + low * ty;
  };
}

/** The colour of a palette (dark to light) that a height from −1 to 1 falls on. */
export function step(palette: readonly Colour[], height: number): Colour {
  const at = Math.round(((height + 1) / 2) * (palette.length - 1));
  return palette[Math.max(0, Math.min(palette.length - 1, at))]!;
}
