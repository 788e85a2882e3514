import { lightOf } from '../light.ts';
import type { Pixels } from '../png.ts';
import type { Step } from '../strip.ts';

/**
 * How light a picture is as a whole: the mean relative luminance of its texels, 0 for black and 1
 * for white, before a dark ground.
 */
export const luminanceOf = ({ data }: Pixels): number => lightOf(data);

/** A change of light counts from a tenth of the most there is, where the darker is below this. */
const [leastChange, darkest] = [0.1, 0.8];
/** So many flashes in a second harm nobody (WCAG 2.2, 2.3.1). */
export const mostFlashes = 3;

/** A light and for how long it shows, in seconds. */
export interface Lit {
  light: number;
  seconds: number;
}

/**
 * How often at most something flashes within one second while it plays over and over: pairs of
 * opposing changes of luminance of a tenth and more, where the darker one is below 0.8 (WCAG 2.2,
 * general flash).
 *
 * @example flashesIn([{ light: 0, seconds: 0.1 }, { light: 1, seconds: 0.1 }]) // 5
 */
export function flashesIn(shown: readonly Lit[]): number {
  const changes = changesIn(shown);
  // Within a second, its end left out: a change at its very end belongs to the next one.
  let [most, first] = [0, 0];
  changes.forEach((at, last) => {
    while (at - changes[first]! >= 1 - 1e-9) first += 1;
    most = Math.max(most, last - first + 1);
  });
  return Math.floor(most / 2);
}

/** When the light changes so far the other way that it counts, in seconds. */
function changesIn(shown: readonly Lit[]): number[] {
  const loop = shown.reduce((sum, { seconds }) => sum + seconds, 0);
  const [start] = shown;
  if (!start || !(loop > 0)) return [];
  // Long enough for every second that can come, after the first time through.
  const steps = shown.length * (Math.ceil(2 / loop) + 2);
  const changes: number[] = [];
  let [low, high, way] = [start.light, start.light, 0];
  let at = start.seconds;
  for (let step = 1; step < steps; step += 1) {
    const { light, seconds } = shown[step % shown.length]!;
    low = Math.min(low, light);
    high = Math.max(high, light);
    const isUp = light - low >= leastChange && low < darkest && way !== 1;
    const isDown = high - light >= leastChange && light < darkest && way !== -1;
    if (isUp || isDown) {
      way = isUp ? 1 : -1;
      [low, high] = [light, light];
      changes.push(at);
    }
    at += seconds;
  }
  return changes;
}

/** How often at most steps of a strip flash within a second, by how light each frame is. */
export const flashesOf = (
  steps: readonly Step[],
  lights: readonly number[],
  tickRate: number,
): number =>
  flashesIn(
    steps.map(({ frame, ticks }) => ({ light: lights[frame] ?? 0, seconds: ticks / tickRate })),
  );

/** A frame stays for at most so many ticks. */
const mostTicks = 10_000;

/**
 * The same steps, each longer in proportion, so that they flash no more than harms nobody;
 * undefined where no slowness helps.
 */
export function slowerSteps(
  steps: readonly Step[],
  lights: readonly number[],
  tickRate: number,
): Step[] | undefined {
  for (let tenths = 11; tenths <= 1000; tenths += 1) {
    const slower = steps.map(({ frame, ticks }) => ({
      frame,
      ticks: Math.min(mostTicks, Math.ceil((ticks * tenths) / 10)),
    }));
    if (flashesOf(slower, lights, tickRate) <= mostFlashes) return slower;
  }
  return undefined;
}
