import { encode } from 'fast-png';
import type { Picture } from '../mod/entries.schema.ts';
import { readPngParts } from './png-chunks.ts';
import { pixelsOf } from './png-pixels.ts';

export { maxPictureSide } from './png-chunks.ts';
export { PictureProblem } from './problem.ts';

/** A picture as RGBA, eight bits a channel, rows from the top. */
export interface Pixels {
  width: number;
  height: number;
  data: Uint8Array;
}

/**
 * Reads a PNG of any colour type, depth and order of rows (ISO/IEC 15948) to RGBA. Sizes are
 * checked before memory is taken, and only the pixels are unpacked. Throws a {@link PictureProblem}
 * that says why a file is refused.
 */
export function decodePicture(bytes: Uint8Array): Pixels {
  const parts = readPngParts(bytes);
  return { width: parts.width, height: parts.height, data: pixelsOf(parts) };
}

/** A picture as PNG, always as RGBA. */
export const encodePicture = ({ width, height, data }: Pixels): Uint8Array =>
  encode({ width, height, data, channels: 4, depth: 8 });

/**
 * What inspection and the desk want to know of a picture. Colours are compared as stored (sRGB).
 */
export function pictureFacts(pixels: Pixels): Omit<Picture, 'sha256' | 'bytes'> {
  const { width, height, data } = pixels;
  let [red, green, blue] = [0, 0, 0];
  let [seen, holes, partial, coloured] = [0, 0, 0, 0];
  for (let i = 0; i < data.length; i += 4) {
    const alpha = data[i + 3]!;
    if (alpha === 0) holes += 1;
    else if (alpha < 255) partial += 1;
    if (alpha === 0) continue;
    const r = data[i]!;
    const g = data[i + 1]!;
    const b = data[i + 2]!;
    red += r;
    green += g;
    blue += b;
    seen += 1;
    if (Math.max(r, g, b) - Math.min(r, g, b) > 12) coloured += 1;
  }
  const mean = `#${[red, green, blue]
    .map((total) =>
      Math.round(total / Math.max(1, seen))
        .toString(16)
        .padStart(2, '0'),
    )
    .join('')}`;
  return {
    width,
    height,
    alpha: partial ? 'partial' : holes ? 'holes' : 'none',
    mean,
    grey: coloured === 0,
  };
}
