/** Directions, the 24 orientations and boxes. Knows nobody. */
export * from './direction.ts';
export { asMade, compose, facing, inverse, isOrientation, orientationOf, orientations, rotationOf, turn, usualTop, type Orientation, type Rotation } from './orientation.ts';
export { fillsCell, orientBox, type PlainBox } from './box.ts';
