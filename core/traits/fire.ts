/**
 * The mean seconds until something happens that has a chance a second, drawn once a second: 1 / p
 * (geometric distribution; Feller, An Introduction to Probability Theory 1, VI.8). Undefined when
 * it never happens.
 *
 * @example meanSeconds(0.25) // 4
 */
export const meanSeconds = (chance: number): number | undefined =>
  chance > 0 ? 1 / Math.min(1, chance) : undefined;

/**
 * The odds that it has happened within so many seconds: 1 − (1 − p)ⁿ.
 *
 * @example oddsWithin(0.5, 2) // 0.75
 */
export const oddsWithin = (chance: number, seconds: number): number =>
  1 - (1 - Math.min(1, Math.max(0, chance))) ** Math.floor(seconds);

/**
 * What becomes of a row of the block when one end is lit, on average: the seconds until a block has
 * caught and is gone.
 */
export function burning(
  catchesFire: number,
  burnsAway: number,
): { caught: number | undefined; gone: number | undefined } {
  const caught = meanSeconds(catchesFire);
  const after = meanSeconds(burnsAway);
  return { caught, gone: caught === undefined || after === undefined ? undefined : caught + after };
}
