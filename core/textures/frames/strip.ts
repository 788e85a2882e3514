import type { Pixels } from '../png.ts';

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

/** A frame that shows for so many steps of a strip, one after the other. */
export interface Run {
  frame: number;
  steps: number;
}

/**
 * The order of a strip as runs: a frame that shows twice in a row is one run of two steps.
 *
 * @example runsOf([0, 0, 1]) // [{ frame: 0, steps: 2 }, { frame: 1, steps: 1 }]
 */
export function runsOf(order: readonly number[]): Run[] {
  const runs: Run[] = [];
  for (const frame of order) {
    const last = runs.at(-1);
    if (last?.frame === frame) last.steps += 1;
    else runs.push({ frame, steps: 1 });
  }
  return runs;
}

/** The order that runs are. */
export const orderOf = (runs: readonly Run[]): number[] =>
  runs.flatMap(({ frame, steps }) => Array.from({ length: steps }, () => frame));

/** Whether an order is that which a strip has without one: every frame once, from the first. */
export const isPlainOrder = (order: readonly number[], frames: number): boolean =>
  order.length === frames && order.every((frame, i) => frame === i);

/** The order after a frame of the picture was taken away: those after it count one less. */
export const orderWithout = (order: readonly number[], gone: number): number[] =>
  order.flatMap((frame) => (frame === gone ? [] : [frame > gone ? frame - 1 : frame]));
