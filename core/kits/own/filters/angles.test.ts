import { expect, test } from '@jest/globals';
import { orientations, rotationOf, type Axis, type Vec3 } from '../../../space/index.ts';
import { anglesTo, axesIn, sayable, type Angles } from './angles.ts';

/** A point turned about an axis by degrees and the right-hand rule, with sines as they come. */
function spun([x, y, z]: Vec3, axis: Axis, degrees: number): Vec3 {
  const [c, s] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)];
  if (axis === 'x') return [x, y * c - z * s, y * s + z * c];
  if (axis === 'y') return [x * c + z * s, y, z * c - x * s];
  return [x * c - y * s, x * s + y * c, z];
}

const words = ['y', 'xy', 'yx', 'xyz', 'zyx', 'yxz', 'zx'];

test.each(words)('angles about %s lead where they say, whichever way and unit', (word) => {
  const about = axesIn(word)!;
  for (const sense of ['counterclockwise', 'clockwise'] as const)
    for (const unit of ['degrees', 'quarters'] as const) {
      const turns: Angles = { about, sense, unit };
      for (const orientation of sayable(about)) {
        const angles = anglesTo(orientation, turns)!;
        const degrees = (axis: Axis) =>
          (sense === 'clockwise' ? -1 : 1) * (angles[axis] ?? 0) * (unit === 'quarters' ? 90 : 1);
        const bring = (point: Vec3) =>
          about.reduce<Vec3>((at, axis) => spun(at, axis, degrees(axis)), point);
        const [left, top, front] = rotationOf(orientation);
        const brought = (
          [
            [1, 0, 0],
            [0, 1, 0],
            [0, 0, 1],
          ] as Vec3[]
        ).map(bring);
        [left, top, front].forEach((meant, i) =>
          meant.forEach((value, k) => expect(brought[i]![k]).toBeCloseTo(value, 9)),
        );
      }
    }
});

test('as many orientations can be said as the axes allow', () => {
  expect(words.map((word) => sayable(axesIn(word)!).length)).toEqual([4, 16, 16, 24, 24, 24, 16]);
  expect(orientations.filter((one) => !anglesTo(one, { about: ['x', 'y'] }))).toHaveLength(8);
});

test('what turns least is said first, and what is not turned is not', () => {
  expect(anglesTo({ front: 'south', top: 'up' }, { about: ['x', 'y'] })).toEqual({ x: 0, y: 0 });
  expect(anglesTo({ front: 'east', top: 'up' }, { about: ['y'] })).toEqual({ y: 90 });
  expect(anglesTo({ front: 'east', top: 'up' }, { about: ['y'], sense: 'clockwise' })).toEqual({
    y: 270,
  });
});

test.each(['', 'xx', 'xyzx', 'w', 'x y'])('"%s" names no axes', (word) =>
  expect(axesIn(word)).toBeUndefined(),
);
