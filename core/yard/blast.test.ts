import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { seededRandom, type Vec3 } from '../space/index.ts';
import { oddsInTheOpen } from '../traits/index.ts';
import { blasted } from './index.ts';

const size: Vec3 = [17, 17, 17];
const middle: Vec3 = [8, 8, 8];
const world = (ratingAt: (place: Vec3) => number | undefined, seed = 1) => ({
  size,
  ratingAt,
  random: seededRandom(seed),
});
const away = ([x, y, z]: Vec3) => Math.max(...[x - 8, y - 8, z - 8].map(Math.abs));

describe('Blast', () => {
  test('a block goes when a ray reaches it with more energy than its rating', () => {
    // No ray of a charge of 4 has more than 5.
    expect(
      blasted(
        middle,
        4,
        world(() => 5),
      ),
    ).toEqual([]);
    // Every ray has more than 3, and six sides are met by hundreds of them.
    const sides = blasted(
      middle,
      4,
      world((place) => (away(place) === 1 ? 2.9 : undefined)),
    );
    expect(sides.length).toBeGreaterThanOrEqual(6);
  });

  test('each cell costs 1 and a block a quarter of its rating: none goes beyond the energy', () =>
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 24 }), fc.nat(99), (strength, seed) => {
        for (const place of blasted(
          middle,
          strength,
          world(() => 0, seed),
        ))
          expect(away(place) - 1).toBeLessThan(strength * 1.25);
      }),
      { numRuns: 20 },
    ));

  test.each([
    [3, 4, 1],
    [2, 4, 2],
    [6, 10, 3],
    [4, 10, 5],
  ])(
    'a block of rating %d in the open before a charge of %d, %d away, goes as the odds say',
    (rating, strength, distance) => {
      const runs = 300;
      let survived = 0;
      for (let seed = 0; seed < runs; seed += 1) {
        const there = (place: Vec3) =>
          place[0] === 8 + distance && place[1] === 8 && place[2] === 8 ? rating : undefined;
        if (blasted(middle, strength, world(there, seed)).length === 0) survived += 1;
      }
      const odds = oddsInTheOpen(rating, strength, distance);
      expect(Math.abs(survived / runs - odds)).toBeLessThan(0.1);
    },
  );

  test('the same seed takes the same blocks, in the same order', () => {
    const once = blasted(
      middle,
      10,
      world(() => 3, 7),
    );
    expect(
      blasted(
        middle,
        10,
        world(() => 3, 7),
      ),
    ).toEqual(once);
    expect(once.length).toBeGreaterThan(0);
  });
});
