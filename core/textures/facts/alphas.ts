import type { Area } from '../painting/index.ts';
import type { Pixels } from '../png.ts';
import type { Traits } from '../../mod/traits.ts';

/** How many texels of an area are how solid. */
export interface Alphas {
  clear: number;
  partial: number;
  solid: number;
  /** How many have an alpha of 0 to 15, 16 to 31, and so on. */
  bySixteens: readonly number[];
}

/** How solid the texels of an area are. */
export function alphasOf(pixels: Pixels, area: Area): Alphas {
  const bySixteens = Array.from({ length: 16 }, () => 0);
  const sums = { clear: 0, partial: 0, solid: 0 };
  const { left, top, width, height } = area;
  for (let y = top; y < top + height; y += 1)
    for (let x = left; x < left + width; x += 1) {
      const alpha = pixels.data[(y * pixels.width + x) * 4 + 3] ?? 0;
      bySixteens[alpha >> 4]! += 1;
      sums[alpha === 0 ? 'clear' : alpha === 255 ? 'solid' : 'partial'] += 1;
    }
  return { ...sums, bySixteens };
}

/**
 * What the game shows of a picture under an alpha mode (glTF 2.0, 3.9.4): everything solid, holes
 * below the cutoff, or as it is.
 */
export function underMode(pixels: Pixels, mode: Traits['alphaMode'], cutoff: number): Pixels {
  if (mode === 'blend') return pixels;
  const data = Uint8Array.from(pixels.data);
  for (let at = 3; at < data.length; at += 4)
    data[at] = mode === 'mask' && data[at]! < cutoff * 255 ? 0 : 255;
  return { ...pixels, data };
}
