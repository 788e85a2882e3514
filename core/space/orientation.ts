import {
  cross,
  directionOf,
  directionStep,
  directions,
  dot,
  sideStep,
  type Direction,
  type Side,
  type Vec3,
} from './direction.ts';

/** Where a model's front faces and where its top points, in the world. */
export interface Orientation {
  front: Direction;
  top: Direction;
}

/** The columns of a rotation: where the model's +X (left), +Y (top) and +Z (front) go. */
export type Rotation = readonly [Vec3, Vec3, Vec3];

/** The model as it was made: its front (+Z) faces south, its top points up. */
export const identityOrientation: Orientation = { front: 'south', top: 'up' };

/** True when front and top are at right angles, so that they name one of the 24 orientations. */
export const isOrientation = ({ front, top }: Orientation): boolean =>
  dot(directionStep(front), directionStep(top)) === 0;

/** All 24 orientations, fronts in the order of {@link directions}, then tops likewise. */
export const orientations: readonly Orientation[] = directions.flatMap((front) =>
  directions.map((top) => ({ front, top })).filter(isOrientation),
);

/**
 * The rotation that brings the model's front and top to where the orientation says.
 * Its determinant is always +1: a model is turned, never mirrored.
 * Throws a RangeError when front and top lie on one line.
 *
 * @example rotationOf({ front: 'south', top: 'up' }) // the identity
 */
export function rotationOf(orientation: Orientation): Rotation {
  if (!isOrientation(orientation))
    throw new RangeError(`front ${orientation.front} and top ${orientation.top} lie on one line`);
  const top = directionStep(orientation.top);
  const front = directionStep(orientation.front);
  return [cross(top, front), top, front];
}

/** A step turned by a rotation. */
export const turn = ([left, top, front]: Rotation, [x, y, z]: Vec3): Vec3 => [
  left[0] * x + top[0] * y + front[0] * z + 0,
  left[1] * x + top[1] * y + front[1] * z + 0,
  left[2] * x + top[2] * y + front[2] * z + 0,
];

/** The orientation that a rotation of the cube stands for. */
export const orientationOf = ([, top, front]: Rotation): Orientation => ({
  front: directionOf(front),
  top: directionOf(top),
});

/** First `first`, then `second`: the orientation of a model turned twice. */
export function compose(second: Orientation, first: Orientation): Orientation {
  const [, top, front] = rotationOf(first);
  const rotation = rotationOf(second);
  return { front: directionOf(turn(rotation, front)), top: directionOf(turn(rotation, top)) };
}

/** The orientation that undoes this one (the transpose of its rotation). */
export function inverse(orientation: Orientation): Orientation {
  const r = rotationOf(orientation);
  const row = (i: 0 | 1 | 2): Vec3 => [r[0][i], r[1][i], r[2][i]];
  return orientationOf([row(0), row(1), row(2)]);
}

/** The world direction that a model's side faces once the model is oriented. */
export const facing = (orientation: Orientation, side: Side): Direction =>
  directionOf(turn(rotationOf(orientation), sideStep(side)));

/**
 * The top that an orientation gets when only its front is given: up, or north where the front
 * itself is up or down.
 */
export const usualTop = (front: Direction): Direction =>
  front === 'up' || front === 'down' ? 'north' : 'up';
