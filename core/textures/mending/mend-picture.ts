import { greyed } from '../facts/index.ts';
import { framesIn, stripOf } from '../frames/index.ts';
import type { Strip } from '../../mod/entries.schema.ts';
import type { Pixels } from '../png.ts';

/** What is done to a picture, and with which numbers. */
export type Mending =
  /** What is half clear is a hole or solid: solid from so much of alpha on, 0 to 1. */
  | { way: 'cut'; from: number }
  /** Everything is solid; holes take the colour of the nearest texel that has one. */
  | { way: 'fill' }
  /** Each frame of so many rows becomes as wide and high as is said, texel by texel. */
  | { way: 'resize'; frameHeight: number; width: number; height: number }
  | { way: 'grey' };

/**
 * A picture with its texels put right; the given one stays as it is.
 *
 * @example mendPicture(picture, { way: 'cut', from: 0.5 })
 */
export function mendPicture(pixels: Pixels, mending: Mending): Pixels {
  if (mending.way === 'cut') return cut(pixels, mending.from);
  if (mending.way === 'fill') return filled(pixels);
  if (mending.way === 'grey') return greyed(pixels);
  const { frameHeight, width, height } = mending;
  const frames = framesIn(pixels, Math.min(frameHeight, pixels.height));
  return stripOf(frames.map((frame) => resized(frame, width, height)));
}

/** The timing of a strip whose picture was mended: its frames may be of another height. */
export function mendedStrip(strip: Strip, mending: Mending): Strip {
  if (mending.way !== 'resize') return strip;
  const { frameHeight: _, ...others } = strip;
  const { width, height } = mending;
  return { ...others, ...(width !== height && { frameHeight: height }) };
}

/** The power of two that is nearest to a side; of two that are as near, the larger. */
export const powerOfTwoNear = (side: number): number => {
  const below = 2 ** Math.floor(Math.log2(Math.max(1, side)));
  return side - below < below * 2 - side ? below : below * 2;
};

function cut(pixels: Pixels, from: number): Pixels {
  const data = Uint8Array.from(pixels.data);
  for (let at = 3; at < data.length; at += 4) data[at] = data[at]! / 255 >= from ? 255 : 0;
  return { ...pixels, data };
}

/** Everything solid: what is clear is filled from its edges inwards, ring after ring. */
function filled({ width, height, data: before }: Pixels): Pixels {
  const data = Uint8Array.from(before);
  const known = (i: number) => before[i * 4 + 3]! > 0;
  const reached = new Uint8Array(width * height);
  let ring: number[] = [];
  for (let i = 0; i < reached.length; i += 1) {
    if (!known(i)) continue;
    reached[i] = 1;
    if (besideOf(i, width, height).some((beside) => !known(beside))) ring.push(i);
  }
  for (const i of ring) data[i * 4 + 3] = 255;
  while (ring.length) {
    const next: number[] = [];
    for (const i of ring)
      for (const beside of besideOf(i, width, height)) {
        if (reached[beside]) continue;
        reached[beside] = 1;
        data.set(data.subarray(i * 4, i * 4 + 4), beside * 4);
        next.push(beside);
      }
    ring = next;
  }
  // Where nothing at all is solid, all of it is black.
  for (let at = 3; at < data.length; at += 4) data[at] = 255;
  return { width, height, data };
}

function besideOf(i: number, width: number, height: number): number[] {
  const [x, y] = [i % width, Math.floor(i / width)];
  return [
    ...(x > 0 ? [i - 1] : []),
    ...(x < width - 1 ? [i + 1] : []),
    ...(y > 0 ? [i - width] : []),
    ...(y < height - 1 ? [i + width] : []),
  ];
}

/** Of another size, each texel that of the nearest place: no new colours come in. */
function resized(pixels: Pixels, width: number, height: number): Pixels {
  const data = new Uint8Array(width * height * 4);
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) {
      const fromX = Math.floor(((x + 0.5) * pixels.width) / width);
      const fromY = Math.floor(((y + 0.5) * pixels.height) / height);
      const from = (fromY * pixels.width + fromX) * 4;
      data.set(pixels.data.subarray(from, from + 4), (y * width + x) * 4);
    }
  return { width, height, data };
}
