import { oklab } from 'culori';
import { itemAt } from '../../lists/index.ts';
import type { Pixels } from '../png.ts';
import type { Colour } from '../painting/index.ts';

/** Lightness from 0 to 1, and how far to red from green and to yellow from blue. */
export type Oklab = readonly [lightness: number, greenRed: number, blueYellow: number];

/**
 * A colour where equal steps look equally far (OKLab, B. Ottosson, 2020, *A perceptual color space
 * for image processing*). The alpha does not count.
 *
 * @example toOklab([255, 255, 255, 255]) // [1, 0, 0], but for rounding
 */
export function toOklab([red, green, blue]: Colour): Oklab {
  const { l, a, b } = oklab({ mode: 'rgb', r: red / 255, g: green / 255, b: blue / 255 });
  return [l, a, b];
}

/** How far two colours look apart in OKLab: 0 for the same, 1 from black to white. */
export const apart = (a: Oklab, b: Oklab): number =>
  Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);

/** A colour of a picture and how many of its texels show it. */
export interface Tone {
  colour: Colour;
  many: number;
}

/** Colours that differ by less than this in each of their bytes count as one, where there are many. */
const coarseStep = 8;

/**
 * The tones of a picture from dark to light, what is clear left out. Where there are more than
 * `most`, those that look alike most are taken together: the one that more texels show stands for
 * both.
 */
export function tonesOf({ data }: Pixels, most: number): Tone[] {
  const exact = counted(data, 1);
  let tones = [...(exact.size > most ? counted(data, coarseStep) : exact).values()].map((tone) => ({
    ...tone,
    lab: toOklab(tone.colour),
  }));
  // Far too many to compare each with each: only those that most texels show.
  tones = tones.sort((a, b) => b.many - a.many).slice(0, 256);
  while (tones.length > most) {
    const [one, other] = closestPair(tones);
    const [kept, gone] = [itemAt(tones, one), itemAt(tones, other)];
    tones = tones.flatMap((tone, i) =>
      i === other ? [] : i === one ? [{ ...kept, many: kept.many + gone.many }] : [tone],
    );
  }
  return tones
    .sort((a, b) => a.lab[0] - b.lab[0])
    .map(({ colour, many }): Tone => ({ colour, many }));
}

/** What of a picture is not clear, by its colour rounded down to steps; the first of them counts. */
function counted(data: Uint8Array, step: number): Map<number, Tone> {
  const found = new Map<number, Tone>();
  for (let at = 0; at < data.length; at += 4) {
    if (data[at + 3] === 0) continue;
    const red = data[at]!;
    const green = data[at + 1]!;
    const blue = data[at + 2]!;
    const part = (value: number) => Math.floor(value / step);
    const key = (part(red) * 256 + part(green)) * 256 + part(blue);
    const tone = found.get(key);
    if (tone) tone.many += 1;
    else found.set(key, { colour: [red, green, blue, 255], many: 1 });
  }
  return found;
}

/** Which two of the tones, in the order of their use, look least apart. */
function closestPair(tones: readonly { lab: Oklab }[]): [one: number, other: number] {
  let [least, pair] = [Infinity, [0, 1] as [number, number]];
  tones.forEach((one, i) => {
    for (let j = i + 1; j < tones.length; j += 1) {
      const distance = apart(one.lab, itemAt(tones, j).lab);
      if (distance < least) [least, pair] = [distance, [i, j]];
    }
  });
  return pair;
}
