import type { Pixels } from './png.ts';

/** A whole number spread evenly over 32 bits by the three it is made of: products with odd constants, folded by shifts (Knuth, TAOCP 3, 6.4). */
export function mix(a: number, b: number, c: number): number {
  let h = Math.imul(a ^ 0x9e3779b9, 0x85ebca6b) ^ Math.imul(b + 0x7f4a7c15, 0xc2b2ae35) ^ Math.imul(c + 0x165667b1, 0x27d4eb2f);
  h ^= h >>> 15;
  h = Math.imul(h, 0x2c1b3c6d);
  h ^= h >>> 12;
  return (h ^ (h >>> 15)) >>> 0;
}

/**
 * A plain picture to begin with: soft grain around a colour, in six steps of brightness, tiling on all sides. The same seed gives the
 * same picture.
 *
 * @example basePicture('#a29a97', 16, 7)
 */
export function basePicture(colour: string, texels: number, seed: number): Pixels {
  const base = [1, 3, 5].map((at) => Number.parseInt(colour.slice(at, at + 2), 16));
  const data = new Uint8Array(texels * texels * 4);
  const coarse = Math.max(1, Math.round(texels / 4));
  for (let y = 0; y < texels; y += 1)
    for (let x = 0; x < texels; x += 1) {
      const patch = mix(Math.floor(x / coarse), Math.floor(y / coarse), seed) / 2 ** 32;
      const grain = mix(x, y, seed + 1) / 2 ** 32;
      const step = Math.round((patch * 0.45 + grain * 0.55) * 5) - 2.5;
      data.set([...base.map((value) => Math.max(0, Math.min(255, Math.round(value + step * 9)))), 255], (y * texels + x) * 4);
    }
  return { width: texels, height: texels, data };
}
