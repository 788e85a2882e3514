import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  anglesOf,
  identityOrientation,
  axisOf,
  compose,
  cross,
  directionOf,
  directions,
  directionStep,
  dot,
  facing,
  fillsCell,
  inverse,
  isOrientation,
  matrixOf,
  opposite,
  orientationAlong,
  orientationOf,
  orientationOfAngles,
  orientations,
  orientBox,
  rotationOf,
  sides,
  turn,
  usualTop,
  type Rotation,
  type Vec3,
} from './index.ts';

const anyOrientation = fc.constantFrom(...orientations);
const small = fc.integer({ min: -8, max: 24 });
const anyVector = fc.tuple(small, small, small) as fc.Arbitrary<Vec3>;
const times = (a: Rotation, b: Rotation): Rotation =>
  b.map((column) => turn(a, column)) as unknown as Rotation;

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

test('composing orientations is multiplying their matrices', () =>
  fc.assert(
    fc.property(anyOrientation, anyOrientation, (a, b) => {
      expect(rotationOf(compose(a, b))).toEqual(times(rotationOf(a), rotationOf(b)));
    }),
  ));

test('the inverse undoes, from either side', () =>
  fc.assert(
    fc.property(anyOrientation, (a) => {
      expect(compose(a, inverse(a))).toEqual(identityOrientation);
      expect(compose(inverse(a), a)).toEqual(identityOrientation);
      expect(orientationOf(rotationOf(a))).toEqual(a);
    }),
  ));

test('a model as it was made faces south with its right to the west, as glTF has it', () => {
  expect(rotationOf(identityOrientation)).toEqual([
    [1, 0, 0],
    [0, 1, 0],
    [0, 0, 1],
  ]);
  expect(sides.map((side) => facing(identityOrientation, side))).toEqual([
    'south',
    'north',
    'east',
    'west',
    'up',
    'down',
  ]);
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

test('an oriented box keeps its volume and comes back', () =>
  fc.assert(
    fc.property(
      anyOrientation,
      anyVector,
      fc.tuple(fc.nat(16), fc.nat(16), fc.nat(16)),
      (orientation, at, size) => {
        const box = { at: [...at] as [number, number, number], size };
        const turned = orientBox(box, orientation, 16);
        expect(turned.size.reduce((a, b) => a * b, 1)).toBe(size.reduce((a, b) => a * b, 1));
        expect(orientBox(turned, inverse(orientation), 16)).toEqual(box);
      },
    ),
  ));

test('boxes fill the cell alone or together, or leave it open', () => {
  expect(fillsCell([{ at: [-1, 0, 0], size: [18, 16, 16] }], 16)).toBe(true);
  expect(
    fillsCell(
      [
        { at: [0, 0, 0], size: [16, 8, 16] },
        { at: [0, 8, 0], size: [16, 8, 16] },
      ],
      16,
    ),
  ).toBe(true);
  expect(
    fillsCell(
      [
        { at: [0, 0, 0], size: [16, 8, 16] },
        { at: [0, 8, 0], size: [16, 8, 15] },
      ],
      16,
    ),
  ).toBe(false);
  expect(fillsCell([], 16)).toBe(false);
});

test('the exact matrix, row by row, turns points as the orientation does', () =>
  fc.assert(
    fc.property(anyOrientation, anyVector, (orientation, [x, y, z]) => {
      const rows = matrixOf(orientation);
      expect(rows.map(([a, b, c]) => a * x + b * y + c * z + 0)).toEqual([
        ...turn(rotationOf(orientation), [x, y, z]),
      ]);
    }),
  ));

test(
  'sixteen orientations have a pair of angles, which gives them back; the eight others ' +
    'have none',
  () => {
    const pairs = orientations.map((orientation) => ({ orientation, pair: anglesOf(orientation) }));
    expect(pairs.filter(({ pair }) => pair)).toHaveLength(16);
    for (const { orientation, pair } of pairs)
      if (pair) expect(orientationOfAngles(pair)).toEqual(orientation);
    // By the matrices of the two turns, multiplied out with sines and cosines.
    for (const aboutX of [0, 90, 180, 270])
      for (const aboutY of [0, 90, 180, 270]) {
        const [a, b] = [(aboutX * Math.PI) / 180, (aboutY * Math.PI) / 180];
        const point = ([x, y, z]: Vec3): number[] => {
          const [x1, y1, z1] = [
            x,
            y * Math.cos(a) - z * Math.sin(a),
            y * Math.sin(a) + z * Math.cos(a),
          ];
          return [
            x1 * Math.cos(b) + z1 * Math.sin(b),
            y1,
            -x1 * Math.sin(b) + z1 * Math.cos(b),
          ].map((value) => Math.round(value) + 0);
        };
        expect([point([0, 0, 1]), point([0, 1, 0])]).toEqual([
          [...directionStep(orientationOfAngles({ aboutX, aboutY }).front)],
          [...directionStep(orientationOfAngles({ aboutX, aboutY }).top)],
        ]);
      }
    expect(anglesOf({ front: 'south', top: 'east' })).toBeUndefined();
    expect(anglesOf({ front: 'east', top: 'up' })).toEqual({ aboutX: 0, aboutY: 90 });
    expect(() => orientationOfAngles({ aboutX: 45, aboutY: 0 })).toThrow(/no multiple of 90/);
  },
);

test(
  'spread along a heading the front faces it and the top keeps its tilt; along a ' +
    'direction the front; along an axis the top',
  () => {
    for (const base of orientations)
      for (const heading of ['north', 'east', 'south', 'west'] as const) {
        const { front, top } = orientationAlong(heading, base);
        const tilted = axisOf(base.front) === 'y';
        expect(tilted ? top : front).toBe(heading);
        // A turn about the vertical leaves what looks up looking up.
        expect(tilted ? front : axisOf(top) === 'y' ? top : 'level').toBe(
          tilted ? base.front : axisOf(base.top) === 'y' ? base.top : 'level',
        );
      }
    for (const direction of directions)
      expect(orientationAlong(direction, identityOrientation).front).toBe(direction);
    for (const axis of ['x', 'y', 'z'] as const)
      expect(axisOf(orientationAlong(axis, identityOrientation).top)).toBe(axis);
  },
);
