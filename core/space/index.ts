/** Directions, the 24 orientations, boxes, and numbers spread over places. Knows nobody. */
export * from './direction.ts';
export {
  identityOrientation,
  compose,
  facing,
  inverse,
  isOrientation,
  orientationOf,
  orientations,
  rotationOf,
  turn,
  usualTop,
  type Orientation,
  type Rotation,
} from './orientation.ts';
export { fillsCell, orientBox, type PlainBox } from './box.ts';
export { anglesOf, matrixOf, orientationOfAngles, type AnglePair } from './angles.ts';
export { seededRandom, mix, pickShare, scatterAt } from './spread.ts';
export { orientationAlong } from './along.ts';
export { eachOfFour, vector, type AxisIndex } from './vector.ts';
