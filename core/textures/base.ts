import { mix } from '../space/index.ts';
import type { Pixels } from './png.ts';

/**
 * A plain picture to begin with: soft grain around a colour, in six steps of brightness, tiling on
 * all sides. The same seed gives the same picture.
 *
 * @example basePicture('#a29a97', 16, 7)
 */
export function basePicture(colour: string, texels: number, seed: number): Pixels {
  const base = [1, 3, 5].map((offset) => Number.parseInt(colour.slice(offset, offset + 2), 16));
  const data = new Uint8Array(texels * texels * 4);
  const coarse = Math.max(1, Math.round(texels / 4));
  for (let y = 0; y < texels; y += 1)
    for (let x = 0; x < texels; x += 1) {
      const patch = mix(Math.floor(x / coarse), Math.floor(y / coarse), seed) / 2 ** 32;
      const grain = mix(x, y, seed + 1) / 2 ** 32;
      const step = Math.round((patch * 0.45 + grain * 0.55) * 5) - 2.5;
      data.set(
        [...base.map((value) => Math.max(0, Math.min(255, Math.round(value + step * 9)))), 255],
        (y * texels + x) * 4,
      );
    }
  return { width: texels, height: texels, data };
}
