/** How fast a player walks in the reference physics, in blocks a second. */
export const walkingSpeed = 4;
/** A bounce lower than this many blocks is no bounce any more. */
const leastBounce = 0.05;
/** Who slides slower than this many blocks a second stands. */
const standing = 0.05;

/**
 * How far one slides on, in blocks, after letting go at walking speed, and for how long: every tick
 * takes the share `friction` of the speed away. Infinity without friction. A friction of 1 or more
 * stops at once.
 *
 * The way is a geometric series: v / rate · (1 − f) · (1 − (1 − f)ⁿ) / f over the n ticks until one
 * stands.
 *
 * @example slide(0.05, 20) // { blocks: 3.75, seconds: 4.3 }: on ice
 */
export function slide(friction: number, tickRate: number): { blocks: number; seconds: number } {
  const keeps = 1 - friction;
  if (keeps <= 0) return { blocks: 0, seconds: 0 };
  if (keeps >= 1) return { blocks: Infinity, seconds: Infinity };
  const ticks = Math.max(0, Math.ceil(Math.log(standing / walkingSpeed) / Math.log(keeps)));
  return {
    blocks: ((walkingSpeed / tickRate) * keeps * (1 - keeps ** ticks)) / friction,
    seconds: ticks / tickRate,
  };
}

/**
 * How high one comes back, bounce by bounce, after a fall of so many blocks: each time the share
 * `bounce` of the speed is left, so the square of it of the height. Ends when it is too low to see;
 * `bounce` 1 and more never ends and gives one height.
 *
 * @example bounces(0.5, 4) // [1, 0.25, 0.0625]
 */
export function bounces(bounce: number, fall: number): number[] {
  const heights: number[] = [];
  if (bounce >= 1) return [fall * bounce * bounce];
  for (let height = fall * bounce * bounce; height >= leastBounce; height *= bounce * bounce)
    heights.push(height);
  return heights;
}
