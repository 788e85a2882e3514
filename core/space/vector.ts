import type { Vec3 } from './direction.ts';

/** An axis of space as the place of its number in a vector: x, y, z. */
export type AxisIndex = 0 | 1 | 2;

/**
 * A vector made axis by axis.
 *
 * @example vector((axis) => corner[axis] * 2)
 */
export const vector = (make: (axis: AxisIndex) => number): Vec3 => [make(0), make(1), make(2)];

/** Four things made of four others, one by one, such as the corners of a face. */
export const eachOfFour = <T, U>(
  [a, b, c, d]: readonly [T, T, T, T],
  make: (one: T) => U,
): [U, U, U, U] => [make(a), make(b), make(c), make(d)];
