import { expect, test } from '@jest/globals';
import { orientations, rotationOf, turn, type Vec3 } from '../../../space/index.ts';
import { inEngine, turnedQuarter, turnNumber, turns } from './turns.ts';

test('the 24 numbers are the 24 turns, each once', () => {
  expect(turns).toHaveLength(24);
  turns.forEach((orientation, number) => expect(turnNumber(orientation)).toBe(number));
  expect(orientations.map(turnNumber).sort((a, b) => a - b)).toEqual([...turns.keys()]);
  expect(() => turnNumber({ front: 'up', top: 'down' })).toThrow(RangeError);
});

/**
 * Where the engine showed a point of a box that is not the same from any side, (0.15, 0.3, 0.4) in
 * its numbers, for turns of each axis: asked with rays of the engine itself.
 */
const seen: Readonly<Record<number, Vec3>> = {
  0: [0.15, 0.3, 0.4],
  1: [0.4, 0.3, -0.15],
  2: [-0.15, 0.3, -0.4],
  3: [-0.4, 0.3, 0.15],
  4: [0.15, -0.4, 0.3],
  5: [0.4, 0.15, 0.3],
  8: [0.15, 0.4, -0.3],
  12: [0.3, -0.15, 0.4],
  13: [0.3, -0.4, -0.15],
  16: [-0.3, 0.15, 0.4],
  20: [-0.15, -0.3, 0.4],
  23: [0.4, -0.3, 0.15],
};
test.each(Object.entries(seen))('turn %s lays a box where the engine laid it', (number, at) => {
  const point = turn(rotationOf(turns[Number(number)]!), inEngine([0.15, 0.3, 0.4]));
  inEngine(point).forEach((value, axis) => expect(value).toBeCloseTo(at[axis]!, 9));
});

test('a quarter turn of a structure goes round four and comes back', () => {
  for (const number of turns.keys()) {
    const round = [1, 2, 3, 4].reduce((one) => turnedQuarter(one), number);
    expect(round).toBe(number);
  }
  expect([0, 1, 2, 3].map(turnedQuarter)).toEqual([1, 2, 3, 0]);
  // Front up and top north becomes front up and top east.
  expect(turns[turnedQuarter(4)]).toEqual({ front: 'up', top: 'east' });
});
