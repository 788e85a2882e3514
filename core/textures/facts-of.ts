import type { Picture } from '../mod/entries.schema.ts';
import { byteOf, lightOf, linearOf } from './light.ts';
import type { Pixels } from './png.ts';

/** Colours whose bytes lie no farther apart are grey. */
const mostApart = 12;

/**
 * What inspection and the desk want to know of a picture: how solid it is, its mean colour in
 * linear light, whether it is grey and, of one that may be a strip, how light each row is.
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
    red += linearOf[r]!;
    green += linearOf[g]!;
    blue += linearOf[b]!;
    seen += 1;
    if (Math.max(r, g, b) - Math.min(r, g, b) > mostApart) coloured += 1;
  }
  const mean = `#${[red, green, blue]
    .map((light) =>
      byteOf(light / Math.max(1, seen))
        .toString(16)
        .padStart(2, '0'),
    )
    .join('')}`;
  const seams = seamsOf(pixels);
  return {
    width,
    height,
    alpha: partial ? 'partial' : holes ? 'holes' : 'none',
    mean,
    grey: coloured === 0,
    ...(height > width && { lights: lightsOf(pixels) }),
    ...(seams > 0 && { seams }),
  };
}

/** How light each row is, in thousandths: whatever the frames of a strip are, they are whole rows. */
const lightsOf = ({ width, height, data }: Pixels): number[] =>
  Array.from({ length: height }, (_, y) =>
    Math.round(lightOf(data.subarray(y * width * 4, (y + 1) * width * 4)) * 1000),
  );

/** A step of so much in all three colours together is seen as one. */
const seenStep = 36;
/** Of the steps inside, so large a part is no larger than what is usual. */
const usualPart = 0.96;

/**
 * The share of an edge, of the two the one with more, along which a picture does not go on where
 * the next one begins: the step there is larger than is usual inside. Of a picture that is higher
 * than wide its first square counts.
 */
function seamsOf({ width, height, data }: Pixels): number {
  const tall = Math.min(width, height);
  if (width < 4 || tall < 4 || width > 256) return 0;
  const step = (a: number, b: number): number =>
    Math.abs(data[a]! - data[b]!) +
    Math.abs(data[a + 1]! - data[b + 1]!) +
    Math.abs(data[a + 2]! - data[b + 2]!) +
    Math.abs(data[a + 3]! - data[b + 3]!);
  const at = (x: number, y: number): number => (y * width + x) * 4;
  // How many steps inside are of each size: quicker than to sort them.
  const sizes = new Uint32Array(1021);
  for (let y = 0; y < tall; y += 1)
    for (let x = 0; x < width; x += 1) {
      if (x > 0) sizes[step(at(x - 1, y), at(x, y))]! += 1;
      if (y > 0) sizes[step(at(x, y - 1), at(x, y))]! += 1;
    }
  const least = Math.max(seenStep, usualIn(sizes) * 1.25);
  let [across, down] = [0, 0];
  for (let y = 0; y < tall; y += 1) if (step(at(width - 1, y), at(0, y)) > least) across += 1;
  for (let x = 0; x < width; x += 1) if (step(at(x, tall - 1), at(x, 0)) > least) down += 1;
  return Math.round(Math.max(across / tall, down / width) * 100) / 100;
}

function usualIn(sizes: Uint32Array): number {
  const all = sizes.reduce((sum, many) => sum + many, 0);
  let left = all * usualPart;
  return Math.max(
    0,
    sizes.findIndex((many) => (left -= many) < 0),
  );
}
