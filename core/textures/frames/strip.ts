import type { Strip } from '../../mod/entries.schema.ts';
import type { Pixels } from '../png.ts';
import type { Step } from '../strip.ts';

/** The frames of a strip, from the top; what is left below the last whole one is left out. */
export function framesIn({ width, height, data }: Pixels, frameHeight: number): Pixels[] {
  const bytes = width * frameHeight * 4;
  return Array.from({ length: Math.floor(height / frameHeight) }, (_, i) => ({
    width,
    height: frameHeight,
    data: data.slice(i * bytes, (i + 1) * bytes),
  }));
}

/**
 * Frames one below the other as one picture. Throws a RangeError where there is none, or where they
 * are not all of one size.
 *
 * @example stripOf([first, second]).height === 2 * first.height
 */
export function stripOf(frames: readonly Pixels[]): Pixels {
  const [first] = frames;
  if (!first) throw new RangeError('a strip has at least one frame');
  const { width, height } = first;
  if (frames.some((frame) => frame.width !== width || frame.height !== height))
    throw new RangeError('the frames of a strip are all of one size');
  const data = new Uint8Array(frames.length * width * height * 4);
  frames.forEach((frame, i) => data.set(frame.data, i * width * height * 4));
  return { width, height: height * frames.length, data };
}

/** Steps of which those of the same frame, one after the other, are one. */
export function runsOf(steps: readonly Step[]): Step[] {
  const runs: Step[] = [];
  for (const { frame, ticks } of steps) {
    const last = runs.at(-1);
    if (last?.frame === frame) last.ticks += ticks;
    else runs.push({ frame, ticks });
  }
  return runs;
}

/**
 * The timing that makes a strip of so many frames show steps: the ticks that most of them stay, and
 * an order where it is not every frame once, from the first.
 *
 * @example timingOf([{ frame: 0, ticks: 4 }, { frame: 1, ticks: 4 }], 2) // { ticks: 4 }
 */
export function timingOf(steps: readonly Step[], frames: number): Pick<Strip, 'ticks' | 'order'> {
  const ticks = mostFrequent(steps.map((step) => step.ticks));
  const order = steps.map((step) => (step.ticks === ticks ? step.frame : step));
  const isPlain = order.length === frames && order.every((entry, i) => entry === i);
  return isPlain ? { ticks } : { ticks, order };
}

/** The number that comes most often, the first of several; 1 of none. */
function mostFrequent(numbers: readonly number[]): number {
  const many = new Map<number, number>();
  for (const one of numbers) many.set(one, (many.get(one) ?? 0) + 1);
  const most = Math.max(0, ...many.values());
  return [...many].find(([, times]) => times === most)?.[0] ?? 1;
}

/** The steps after a frame of the picture was taken away: those after it count one less. */
export const stepsWithout = (steps: readonly Step[], gone: number): Step[] =>
  steps.flatMap(({ frame, ticks }) =>
    frame === gone ? [] : [{ frame: frame > gone ? frame - 1 : frame, ticks }],
  );
