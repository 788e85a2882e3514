import type { Pixels } from '../png.ts';

/** A place of a picture, counted from its upper left corner. */
export type Texel = readonly [x: number, y: number];

/** Red, green, blue and alpha, each 0 to 255, as stored (sRGB). */
export type Colour = readonly [red: number, green: number, blue: number, alpha: number];

/** A part of a picture that is worked on by itself: a frame of a strip, or what was chosen. */
export interface Area {
  left: number;
  top: number;
  width: number;
  height: number;
}

/** The whole of a picture. */
export const wholeOf = ({ width, height }: Pixels): Area => ({ left: 0, top: 0, width, height });

/** Whether a texel lies in an area. */
export const isIn = ({ left, top, width, height }: Area, [x, y]: Texel): boolean =>
  x >= left && y >= top && x < left + width && y < top + height;

/** The colour at a texel. Throws a RangeError outside the picture. */
export function colourAt(pixels: Pixels, [x, y]: Texel): Colour {
  const { width, height, data } = pixels;
  if (!(x >= 0 && y >= 0 && x < width && y < height))
    throw new RangeError(`${x}, ${y} is outside the picture`);
  const at = (y * width + x) * 4;
  return [data[at]!, data[at + 1]!, data[at + 2]!, data[at + 3]!];
}

/** Whether two colours show the same; what is clear has no colour. */
export const isSameColour = (a: Colour, b: Colour): boolean =>
  (a[3] === 0 && b[3] === 0) || (a[0] === b[0] && a[1] === b[1] && a[2] === b[2] && a[3] === b[3]);
