/** The least level of light by which one can read in the reference physics. */
export const readingLevel = 7;

/**
 * How many blocks away from a source the open air is still at `level` or brighter: each step takes
 * one level.
 */
export const lightReach = (emitted: number, level: number): number => Math.max(0, emitted - level);
