/**
 * A point, a size or a step in space: x, y, z. Right-handed, +Y up; in the world +X is east and +Z
 * south.
 */
export type Vec3 = readonly [number, number, number];

/** Directions in the world, in the order in which Obrank always lists them. */
export const directions = ['north', 'east', 'south', 'west', 'up', 'down'] as const;
export type Direction = (typeof directions)[number];

/** The four compass directions, clockwise as seen from above. */
export const headings = ['north', 'east', 'south', 'west'] as const;
export type Heading = (typeof headings)[number];

export const axes = ['x', 'y', 'z'] as const;
export type Axis = (typeof axes)[number];

/**
 * Sides of a model in the model's own frame. As in glTF 2.0 (3.4), the front is +Z and the right is
 * −X.
 */
export const sides = ['front', 'back', 'left', 'right', 'top', 'bottom'] as const;
export type Side = (typeof sides)[number];

const directionSteps: Record<Direction, Vec3> = {
  north: [0, 0, -1],
  east: [1, 0, 0],
  south: [0, 0, 1],
  west: [-1, 0, 0],
  up: [0, 1, 0],
  down: [0, -1, 0],
};
const sideSteps: Record<Side, Vec3> = {
  front: [0, 0, 1],
  back: [0, 0, -1],
  left: [1, 0, 0],
  right: [-1, 0, 0],
  top: [0, 1, 0],
  bottom: [0, -1, 0],
};

/** The unit step towards a direction. `directionStep('east')` is `[1, 0, 0]`. */
export const directionStep = (direction: Direction): Vec3 => directionSteps[direction];

/** The outward normal of a side in the model's frame. `sideStep('front')` is `[0, 0, 1]`. */
export const sideStep = (side: Side): Vec3 => sideSteps[side];

/** The direction that a unit step points to. Throws a RangeError for any other vector. */
export function directionOf(step: Vec3): Direction {
  const found = directions.find((direction) =>
    directionSteps[direction].every((value, i) => value === step[i]),
  );
  if (!found) throw new RangeError(`(${step.join(', ')}) is not one of the six unit steps`);
  return found;
}

/** The direction that points the other way. `opposite('up')` is `'down'`. */
export const opposite = (direction: Direction): Direction =>
  directionOf(negate(directionSteps[direction]));

/** The axis along which a direction runs. `axisOf('west')` is `'x'`. */
export function axisOf(direction: Direction): Axis {
  return axes[directionSteps[direction].findIndex((value) => value !== 0)] as Axis;
}

export const negate = ([x, y, z]: Vec3): Vec3 => [0 - x, 0 - y, 0 - z];

/**
 * The cross product a × b (right-handed). Adding zero turns −0 into 0, so that equal vectors are
 * equal data.
 */
export const cross = (a: Vec3, b: Vec3): Vec3 => [
  a[1] * b[2] - a[2] * b[1] + 0,
  a[2] * b[0] - a[0] * b[2] + 0,
  a[0] * b[1] - a[1] * b[0] + 0,
];

export const dot = (a: Vec3, b: Vec3): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
