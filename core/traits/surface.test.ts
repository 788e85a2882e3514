import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { burning, meanSeconds, oddsWithin } from './fire.ts';
import { bounces, slide, walkingSpeed } from './surface.ts';

/** Sliding played tick by tick. */
function played(friction: number, tickRate: number): number {
  let [speed, blocks] = [walkingSpeed, 0];
  while (speed > 0.05 && blocks < 1e6) {
    speed *= 1 - friction;
    blocks += speed / tickRate;
  }
  return blocks;
}

test(
  'sliding: on ice of friction 0.05 one goes 3.75 blocks in 4.3 s; half the speed a ' +
    'tick stops within 0.2 blocks',
  () => {
    const ice = slide(0.05, 20);
    expect([Number(ice.blocks.toFixed(2)), ice.seconds]).toEqual([3.75, 4.3]);
    expect(slide(0.5, 20).blocks).toBeCloseTo(0.2 * (1 - 0.5 ** 7), 12);
    expect(slide(1, 20)).toEqual({ blocks: 0, seconds: 0 });
    expect(slide(0, 20).blocks).toBe(Infinity);
  },
);

test('the series for sliding is what playing it tick by tick gives', () =>
  fc.assert(
    fc.property(
      fc.double({ min: 0.01, max: 0.99, noNaN: true }),
      fc.constantFrom(10, 20, 60),
      (friction, rate) => {
        expect(slide(friction, rate).blocks).toBeCloseTo(played(friction, rate), 9);
      },
    ),
  ));

test('bouncing: a half leaves a quarter of the height each time', () => {
  expect(bounces(0.5, 4)).toEqual([1, 0.25, 0.0625]);
  expect(bounces(0, 4)).toEqual([]);
  expect(bounces(1, 4)).toEqual([4]);
});

test('fire: means and odds of a draw a second', () => {
  expect(meanSeconds(0.25)).toBe(4);
  expect(meanSeconds(0)).toBeUndefined();
  expect(oddsWithin(0.5, 2)).toBe(0.75);
  expect(oddsWithin(0.3, 0.9)).toBe(0);
  expect(burning(0.5, 0.25)).toEqual({ caught: 2, gone: 6 });
  expect(burning(0.5, 0)).toEqual({ caught: 2, gone: undefined });
  // The mean is what the odds add up to: Σ P(not yet after n seconds).
  const mean = Array.from({ length: 500 }, (_, n) => 1 - oddsWithin(0.3, n)).reduce(
    (a, b) => a + b,
    0,
  );
  expect(mean).toBeCloseTo(meanSeconds(0.3)!, 9);
});
