import { encode } from 'fast-png';
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
