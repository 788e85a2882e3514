import type { Pixels } from '../png.ts';

/** The part of one of a colour's bytes in linear light (sRGB, IEC 61966-2-1). */
function linear(byte: number): number {
  const share = byte / 255;
  return share <= 0.040_45 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4;
}

/**
 * How light a picture is as a whole: the mean relative luminance of its texels (WCAG 2.2, relative
 * luminance), 0 for black and 1 for white; what is see-through counts as far as it is solid.
 */
export function luminanceOf({ data }: Pixels): number {
  let [sum, weight] = [0, 0];
  for (let at = 0; at < data.length; at += 4) {
    const alpha = data[at + 3]! / 255;
    const light =
      0.2126 * linear(data[at]!) + 0.7152 * linear(data[at + 1]!) + 0.0722 * linear(data[at + 2]!);
    sum += light * alpha;
    weight += alpha;
  }
  return weight ? sum / weight : 0;
}

/** A change of light counts from a tenth of the most there is, where the darker is below this. */
const [leastChange, darkest] = [0.1, 0.8];
/** So many flashes in a second harm nobody (WCAG 2.2, 2.3.1). */
export const mostFlashes = 3;

/**
 * How often at most something flashes within one second while it plays over and over: pairs of
 * opposing changes of luminance of a tenth and more, where the darker one is below 0.8 (WCAG 2.2,
 * general flash). `seconds` is how long each of the lights shows.
 *
 * @example flashesIn([0, 1], 0.1) // 5: ten changes in a second
 */
export function flashesIn(lights: readonly number[], seconds: number): number {
  const loop = lights.length * seconds;
  if (!(loop > 0)) return 0;
  // Long enough for every second that can come, after the first time through.
  const steps = lights.length * (Math.ceil(2 / loop) + 2);
  const changes: number[] = [];
  let [low, high, way] = [lights[0]!, lights[0]!, 0];
  for (let step = 1; step < steps; step += 1) {
    const light = lights[step % lights.length]!;
    low = Math.min(low, light);
    high = Math.max(high, light);
    const isUp = light - low >= leastChange && low < darkest && way !== 1;
    const isDown = high - light >= leastChange && light < darkest && way !== -1;
    if (!isUp && !isDown) continue;
    way = isUp ? 1 : -1;
    [low, high] = [light, light];
    changes.push(step * seconds);
  }
  // Within a second, its end left out: a change at its very end belongs to the next one.
  let [most, first] = [0, 0];
  changes.forEach((at, last) => {
    while (at - changes[first]! >= 1 - 1e-9) first += 1;
    most = Math.max(most, last - first + 1);
  });
  return Math.floor(most / 2);
}
