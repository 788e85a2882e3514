import { walkingSpeed } from './surface.ts';

/**
 * How much faster one falls each second in the reference physics, in blocks a second: a block is a
 * metre.
 */
export const gravity = 9.8;
/** The friction under whoever wades: that of stone. */
const ground = 0.6;
/**
 * What legs add to the speed each tick so that on the ground, without drag, it stays at walking
 * speed.
 */
const push = (walkingSpeed * ground) / (1 - ground);

/**
 * The speed that is neither gained nor lost when each tick adds `gain` and then keeps the share
 * `keeps`: gain · k / (1 − k).
 */
const steadySpeed = (gain: number, keeps: number): number =>
  keeps <= 0 ? 0 : keeps >= 1 ? Infinity : (gain * keeps) / (1 - keeps);

/**
 * How fast one walks inside a block, in blocks a second: each tick the legs add what keeps walking
 * speed on open ground, then the ground and the drag take their shares. The fixed point of a linear
 * recurrence (Elaydi, An Introduction to Difference Equations, 1.2).
 *
 * @example wadingSpeed(0.5) // 1.5; without drag 4
 */
export const wadingSpeed = (drag: number): number => steadySpeed(push, (1 - ground) * (1 - drag));

/**
 * The speed that falling through a block comes to, in blocks a second: each tick adds gravity and
 * loses the share `drag`. Infinity without drag.
 *
 * @example sinkingSpeed(0.2, 20) // 1.96
 */
export const sinkingSpeed = (drag: number, tickRate: number): number =>
  steadySpeed(gravity / tickRate, 1 - drag);

/** The seconds until touching the block has cost a whole life; undefined when it does no harm. */
export const secondsToLive = (harm: number): number | undefined =>
  harm > 0 ? 1 / harm : undefined;

/**
 * The share of a life that walking through so many blocks of it costs, at most a whole one; a whole
 * one where it harms and holds for ever.
 *
 * @example costOfCrossing({ harmOnTouch: 0.25, dragInside: 0.5 }, 3)
 * // 0.5: three blocks at 1.5 a second
 */
export function costOfCrossing(
  { harmOnTouch, dragInside }: { harmOnTouch: number; dragInside: number },
  blocks: number,
): number {
  if (harmOnTouch <= 0) return 0;
  return Math.min(1, (harmOnTouch * blocks) / wadingSpeed(dragInside));
}
