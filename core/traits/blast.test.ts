import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { charges, oddsBehindCover, oddsInTheOpen, rayCount, rayShare } from './blast.ts';
import { seededRandom } from '../space/index.ts';
import { craterIn, emptyWorld, explode, wilson, worldCell } from './crater.ts';

test(
  'rays spread over the sphere: a sixth goes through each side, and far away a square ' +
    'of one block has its share by distance squared',
  () => {
    expect(rayShare(1)).toBeCloseTo(1 / 6, 12);
    expect(rayShare(40) / (1 / (4 * Math.PI * 39.5 ** 2))).toBeCloseTo(1, 3);
  },
);

test(
  'worked by hand: a block of rating 8 two cells from a charge of 10 needs more than 9 ' +
    'of 7.5 to 12.5, which 70 of 100 rays have',
  () => {
    // The near side is a square at 1.5 blocks: half = 1/3, share = atan((1/9) / √(1 + 2/9)) / π.
    const share = Math.atan(1 / 9 / Math.sqrt(11 / 9)) / Math.PI;
    expect(oddsInTheOpen(8, 10, 2)).toBeCloseTo((1 - share * 0.7) ** rayCount, 12);
    expect(oddsInTheOpen(12.5, 10, 1)).toBe(1);
    expect(oddsInTheOpen(11.5, 10, 2)).toBe(1);
    expect(oddsInTheOpen(0, 4, 1)).toBeCloseTo((5 / 6) ** rayCount, 12);
  },
);

/** How often a block survives when the whole thing is played through. */
function played(
  rating: number,
  strength: number,
  distance: number,
  cover: { rating: number; thick: number },
  samples: number,
  seed: number,
): { low: number; high: number } {
  let survived = 0;
  for (let sample = 0; sample < samples; sample += 1) {
    const world = emptyWorld(3, 3, distance + 1);
    for (let k = 0; k < cover.thick; k += 1)
      world.ratings[worldCell(world, 1, 1, distance - 1 - k)] = cover.rating;
    world.ratings[worldCell(world, 1, 1, distance)] = rating;
    explode(world, [1, 1, 0], strength, seededRandom(seed * 100_003 + sample));
    if (world.ratings[worldCell(world, 1, 1, distance)]! >= 0) survived += 1;
  }
  return wilson(survived, samples);
}

test.each([
  [8.9, 10, 2, 0, 0],
  [8.5, 10, 4, 0, 0],
  [14, 24, 12, 0, 0],
  [6, 10, 3, 2, 1],
  [8, 24, 4, 14, 2],
  [3, 10, 4, 1, 2],
  [2, 4, 2, 1, 1],
  [10.9, 24, 6, 9, 3],
])(
  'rating %d, charge %d, %d cells away, cover %d × %d: the simulation has the exact ' +
    'odds within its interval',
  (rating, strength, distance, coverRating, thick) => {
    const exact = thick
      ? oddsBehindCover(rating, strength, distance, { rating: coverRating, thick })
      : oddsInTheOpen(rating, strength, distance);
    const { low, high } = played(
      rating,
      strength,
      distance,
      { rating: coverRating, thick },
      200,
      7,
    );
    expect(exact).toBeGreaterThanOrEqual(low - 1e-9);
    expect(exact).toBeLessThanOrEqual(high + 1e-9);
  },
);

const anyCase = fc.record({
  rating: fc.double({ min: 0, max: 30, noNaN: true }),
  strength: fc.constantFrom(...charges.map((one) => one.strength)),
  distance: fc.integer({ min: 2, max: 12 }),
});

test('odds are odds; more rating, more distance and stronger cover never make them worse', () =>
  fc.assert(
    fc.property(
      anyCase,
      fc.double({ min: 0, max: 20, noNaN: true }),
      fc.integer({ min: 1, max: 3 }),
      ({ rating, strength, distance }, cover, thick) => {
        const open = oddsInTheOpen(rating, strength, distance);
        expect(open).toBeGreaterThanOrEqual(0);
        expect(open).toBeLessThanOrEqual(1);
        expect(oddsInTheOpen(rating + 1, strength, distance)).toBeGreaterThanOrEqual(open - 1e-12);
        expect(oddsInTheOpen(rating, strength, distance + 1)).toBeGreaterThanOrEqual(open - 1e-12);
        const behind = oddsBehindCover(rating, strength, distance, { rating: cover, thick });
        expect(behind).toBeGreaterThanOrEqual(open - 1e-9);
        expect(behind).toBeLessThanOrEqual(1 + 1e-9);
        expect(
          oddsBehindCover(rating, strength, distance, { rating: 99, thick }),
        ).toBeGreaterThanOrEqual(behind - 1e-9);
      },
    ),
  ));

test(
  'a crater is deepest in the middle of the front, has the same numbers for the same ' +
    'seed, and none where nothing breaks',
  () => {
    const crater = craterIn(3, 10, 1, 40, 5);
    expect(craterIn(3, 10, 1, 40, 5)).toEqual(crater);
    expect(crater.gone[0]![5]).toBeGreaterThan(0.95);
    expect(crater.gone[0]![0]!).toBeLessThanOrEqual(crater.gone[0]![5]!);
    expect(crater.gone[5]![5]!).toBeLessThanOrEqual(crater.gone[0]![5]!);
    const whole = craterIn(13, 10, 1, 5, 5);
    expect(whole.gone.flat().every((share) => share === 0)).toBe(true);
    expect(whole.survives).toMatchObject({ odds: 1, high: 1, samples: 5, seed: 5 });
  },
);

test('the interval of Wilson: 8 of 10 lies between 0.490 and 0.943', () => {
  const { odds, low, high } = wilson(8, 10);
  expect([odds, Number(low.toFixed(3)), Number(high.toFixed(3))]).toEqual([0.8, 0.49, 0.943]);
});

test(
  'rays go evenly all round: each of the six sides gets its sixth, within what chance ' + 'allows',
  () => {
    const draw = seededRandom(11);
    const met = [0, 0, 0, 0, 0, 0];
    for (let ray = 0; ray < 6000; ray += 1) {
      const y = draw() * 2 - 1;
      const around = draw() * 2 * Math.PI;
      const flat = Math.sqrt(1 - y * y);
      const way = [flat * Math.cos(around), y, flat * Math.sin(around)];
      const axis = way.reduce(
        (best, value, i) => (Math.abs(value) > Math.abs(way[best]!) ? i : best),
        0,
      );
      met[axis * 2 + (way[axis]! > 0 ? 1 : 0)]! += 1;
    }
    // Chi-square with five degrees of freedom: above 20.5 once in a thousand tries; the seed is
    // fixed.
    const chi = met.reduce((sum, many) => sum + (many - 1000) ** 2 / 1000, 0);
    expect(chi).toBeLessThan(20.5);
  },
);

test(
  'an explosion breaks nothing that withstands its strongest ray, and everything soft ' +
    'that touches it',
  () => {
    const world = emptyWorld(3, 3, 3);
    world.ratings.fill(12.5);
    world.ratings[worldCell(world, 1, 1, 1)] = -1;
    explode(world, [1, 1, 1], 10, seededRandom(3));
    expect(world.ratings.filter((rating) => rating >= 0)).toHaveLength(26);
    world.ratings.fill(0.1);
    explode(world, [1, 1, 1], 10, seededRandom(3));
    expect(
      [
        [0, 1, 1],
        [2, 1, 1],
        [1, 0, 1],
        [1, 2, 1],
        [1, 1, 0],
        [1, 1, 2],
      ].map(([x, y, z]) => world.ratings[worldCell(world, x!, y!, z!)]),
    ).toEqual([-1, -1, -1, -1, -1, -1]);
  },
);
