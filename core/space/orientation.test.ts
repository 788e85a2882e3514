import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  asMade, axisOf, compose, cross, directionOf, directions, dot, facing, fillsCell, inverse, isOrientation, opposite, orientationOf, orientations,
  orientBox, rotationOf, sides, turn, usualTop, type Rotation, type Vec3,
} from './index.ts';

const anyOrientation = fc.constantFrom(...orientations);
const small = fc.integer({ min: -8, max: 24 });
const anyVector = fc.tuple(small, small, small) as fc.Arbitrary<Vec3>;
const times = (a: Rotation, b: Rotation): Rotation => b.map((column) => turn(a, column)) as unknown as Rotation;

test('there are 24 orientations, all different', () => {
  expect(orientations).toHaveLength(24);
  expect(new Set(orientations.map((one) => JSON.stringify(rotationOf(one)))).size).toBe(24);
});

test('every rotation keeps lengths and handedness: columns at right angles, determinant +1', () => {
  for (const [left, top, front] of orientations.map(rotationOf)) {
    expect(dot(left, top)).toBe(0);
    expect(dot(cross(left, top), front)).toBe(1);
  }
});

test('composing orientations is multiplying their matrices', () => fc.assert(fc.property(anyOrientation, anyOrientation, (a, b) => {
  expect(rotationOf(compose(a, b))).toEqual(times(rotationOf(a), rotationOf(b)));
})));

test('the inverse undoes, from either side', () => fc.assert(fc.property(anyOrientation, (a) => {
  expect(compose(a, inverse(a))).toEqual(asMade);
  expect(compose(inverse(a), a)).toEqual(asMade);
  expect(orientationOf(rotationOf(a))).toEqual(a);
})));

test('a model as it was made faces south with its right to the west, as glTF has it', () => {
  expect(rotationOf(asMade)).toEqual([[1, 0, 0], [0, 1, 0], [0, 0, 1]]);
  expect(sides.map((side) => facing(asMade, side))).toEqual(['south', 'north', 'east', 'west', 'up', 'down']);
});

test('an orientation faces where it says', () => {
  for (const orientation of orientations) {
    expect(facing(orientation, 'front')).toBe(orientation.front);
    expect(facing(orientation, 'top')).toBe(orientation.top);
    expect(facing(orientation, 'bottom')).toBe(opposite(orientation.top));
  }
});

test('a direction runs along one axis, whichever way', () => {
  for (const direction of directions) expect(axisOf(opposite(direction))).toBe(axisOf(direction));
  expect(directions.map(axisOf)).toEqual(['z', 'x', 'z', 'x', 'y', 'y']);
});

test('front and top on one line are refused', () => {
  expect(isOrientation({ front: 'up', top: 'down' })).toBe(false);
  expect(() => rotationOf({ front: 'north', top: 'south' })).toThrow(/one line/);
  expect(() => directionOf([1, 1, 0])).toThrow(RangeError);
  for (const front of directions) expect(isOrientation({ front, top: usualTop(front) })).toBe(true);
});

test('an oriented box keeps its volume and comes back', () => fc.assert(fc.property(anyOrientation, anyVector, fc.tuple(fc.nat(16), fc.nat(16), fc.nat(16)), (orientation, at, size) => {
  const box = { at: [...at] as [number, number, number], size };
  const turned = orientBox(box, orientation, 16);
  expect(turned.size.reduce((a, b) => a * b, 1)).toBe(size.reduce((a, b) => a * b, 1));
  expect(orientBox(turned, inverse(orientation), 16)).toEqual(box);
})));

test('boxes fill the cell alone or together, or leave it open', () => {
  expect(fillsCell([{ at: [-1, 0, 0], size: [18, 16, 16] }], 16)).toBe(true);
  expect(fillsCell([{ at: [0, 0, 0], size: [16, 8, 16] }, { at: [0, 8, 0], size: [16, 8, 16] }], 16)).toBe(true);
  expect(fillsCell([{ at: [0, 0, 0], size: [16, 8, 16] }, { at: [0, 8, 0], size: [16, 8, 15] }], 16)).toBe(false);
  expect(fillsCell([], 16)).toBe(false);
});
