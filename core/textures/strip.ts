import type { Texture } from '../mod/entries.schema.ts';
import type { Pixels } from './png.ts';

/** Width and height of one frame of a texture: the whole picture when it has no strip. */
export function frameSize({ picture, strip }: Texture): { width: number; height: number } {
  return {
    width: picture.width,
    height: strip ? (strip.frameHeight ?? picture.width) : picture.height,
  };
}

/** How many frames a texture has, whole or not. */
export const frameCount = (texture: Texture): number =>
  texture.picture.height / frameSize(texture).height;

/** A frame and for how many ticks it stays. */
export interface Step {
  frame: number;
  ticks: number;
}

/**
 * The frames of a strip in the order in which they show; one that does not exist counts as the
 * first. A picture without a strip is one frame.
 *
 * @example stepsOf({ picture, strip: { ticks: 4, order: [1, { frame: 0, ticks: 9 }] } })
 * // [{ frame: 1, ticks: 4 }, { frame: 0, ticks: 9 }]
 */
export function stepsOf(texture: Texture): Step[] {
  const frames = Math.max(1, Math.floor(frameCount(texture)));
  const { order, ticks = 1 } = texture.strip ?? {};
  if (!order?.length) return Array.from({ length: frames }, (_, frame) => ({ frame, ticks }));
  return order.map((entry) => {
    const step = typeof entry === 'number' ? { frame: entry, ticks } : entry;
    return step.frame >= 0 && step.frame < frames ? step : { ...step, frame: 0 };
  });
}

/** What shows of a texture at a moment. */
export interface Showing {
  frame: number;
  /** The frame that it goes over into, and how far it is, from 0 up to but without 1. */
  next: number;
  share: number;
}

/** Which frame of a texture shows after so many ticks: the first of a still picture. */
export function showingAt(texture: Texture, tick: number): Showing {
  const steps = stepsOf(texture);
  const whole = steps.reduce((sum, { ticks }) => sum + ticks, 0);
  let left = steps.length > 1 ? tick % whole : 0;
  for (const [i, { frame, ticks }] of steps.entries()) {
    if (left < ticks) {
      const next = steps[(i + 1) % steps.length]?.frame ?? 0;
      return { frame, next, share: texture.strip?.blend ? left / ticks : 0 };
    }
    left -= ticks;
  }
  return { frame: 0, next: 0, share: 0 };
}

/** Which frame of a texture shows after so many ticks, whatever it goes over into. */
export const frameAt = (texture: Texture, tick: number): number => showingAt(texture, tick).frame;

/** What a texture shows after so many ticks, out of its whole picture. */
export function shownAt(texture: Texture, pixels: Pixels, tick: number): Pixels {
  const { width, height } = frameSize(texture);
  if (height >= pixels.height) return pixels;
  const bytes = width * height * 4;
  const frameOf = (frame: number) => pixels.data.subarray(frame * bytes, (frame + 1) * bytes);
  const { frame, next, share } = showingAt(texture, tick);
  const data = share > 0 ? mixed(frameOf(frame), frameOf(next), share) : frameOf(frame);
  return { width, height, data };
}

/**
 * A frame that goes over into another by a share: byte by byte as stored, each colour as far as it
 * is solid, so that what is clear gives no colour of its own.
 */
function mixed(from: Uint8Array, to: Uint8Array, share: number): Uint8Array {
  const data = new Uint8Array(from.length);
  for (let at = 0; at < data.length; at += 4) {
    const [one, other] = [from[at + 3]! * (1 - share), to[at + 3]! * share];
    const alpha = one + other;
    data[at + 3] = Math.round(alpha);
    if (alpha <= 0) continue;
    for (let part = at; part < at + 3; part += 1)
      data[part] = Math.round((from[part]! * one + to[part]! * other) / alpha);
  }
  return data;
}
