import type { Pixels } from '../png.ts';
import { areaTexels } from './texels.ts';
import { colourAt, isIn, wholeOf, type Area, type Colour, type Texel } from './area.ts';

/**
 * The picture with some texels of another colour. The picture that is given stays as it is; texels
 * outside are passed over.
 *
 * @example painted(picture, [[3, 4]], [255, 0, 0, 255])
 */
export function painted(
  pixels: Pixels,
  texels: readonly Texel[],
  colour: Colour | ((before: Colour) => Colour),
): Pixels {
  const data = Uint8Array.from(pixels.data);
  const whole = wholeOf(pixels);
  for (const texel of texels) {
    if (!isIn(whole, texel)) continue;
    const now = typeof colour === 'function' ? colour(colourAt(pixels, texel)) : colour;
    data.set(now, (texel[1] * pixels.width + texel[0]) * 4);
  }
  return { ...pixels, data };
}

/** Gives texels an alpha and leaves their colour: what the alpha brush does. */
export const withAlpha = (pixels: Pixels, texels: readonly Texel[], alpha: number): Pixels =>
  painted(pixels, texels, ([red, green, blue]) => [red, green, blue, alpha]);

/** The picture with an area pushed so far right and down; what leaves it comes in on the far side. */
export const shifted = (pixels: Pixels, right: number, down: number, area: Area): Pixels =>
  moved(pixels, area, (x, y) => [modulo(x - right, area.width), modulo(y - down, area.height)]);

/** The picture with an area mirrored: left is right, or up is down. */
export const mirroredArea = (pixels: Pixels, way: 'across' | 'down', area: Area): Pixels =>
  moved(pixels, area, (x, y) =>
    way === 'across' ? [area.width - 1 - x, y] : [x, area.height - 1 - y],
  );

/** The picture with a square area turned a quarter clockwise. Throws a RangeError for any other. */
export function turnedArea(pixels: Pixels, area: Area): Pixels {
  if (area.width !== area.height)
    throw new RangeError('only what is square is turned in its place');
  return moved(pixels, area, (x, y) => [y, area.width - 1 - x]);
}

/** Colours of an area, to be put down elsewhere. */
export interface Piece extends Pick<Area, 'width' | 'height'> {
  colours: readonly Colour[];
}

/** What an area holds, row by row. */
export const pieceOf = (pixels: Pixels, area: Area): Piece => ({
  width: area.width,
  height: area.height,
  colours: areaTexels(area).map((texel) => colourAt(pixels, texel)),
});

/** The picture with a piece put down at a place; what lies outside `within` is cut off. */
export function withPiece(
  pixels: Pixels,
  { width, height, colours }: Piece,
  [left, top]: Texel,
  within: Area,
): Pixels {
  const data = Uint8Array.from(pixels.data);
  areaTexels({ left, top, width, height }).forEach((texel, i) => {
    const colour = colours[i];
    if (colour && isIn(within, texel) && isIn(wholeOf(pixels), texel))
      data.set(colour, (texel[1] * pixels.width + texel[0]) * 4);
  });
  return { ...pixels, data };
}

const modulo = (value: number, by: number): number => ((value % by) + by) % by;

/** The picture with each texel of an area taken from another place of it. */
function moved(pixels: Pixels, area: Area, from: (x: number, y: number) => Texel): Pixels {
  const data = Uint8Array.from(pixels.data);
  for (let y = 0; y < area.height; y += 1)
    for (let x = 0; x < area.width; x += 1) {
      const [fromX, fromY] = from(x, y);
      const source = ((area.top + fromY) * pixels.width + area.left + fromX) * 4;
      const target = ((area.top + y) * pixels.width + area.left + x) * 4;
      data.set(pixels.data.subarray(source, source + 4), target);
    }
  return { ...pixels, data };
}
