import { itemAt } from '../lists/index.ts';
import type { Texture } from '../mod/entries.schema.ts';

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

/**
 * Which frame of a texture shows after so many ticks: 0 for a still picture. Frames that the
 * strip's order names and that do not exist count as the first.
 */
export function frameAt(texture: Texture, tick: number): number {
  const { strip } = texture;
  const frames = Math.max(1, Math.floor(frameCount(texture)));
  if (!strip || frames < 2) return 0;
  const order = strip.order?.length ? strip.order : Array.from({ length: frames }, (_, i) => i);
  const frame = itemAt(order, Math.floor(tick / strip.ticks) % order.length);
  return frame >= 0 && frame < frames ? frame : 0;
}
