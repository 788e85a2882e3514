import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { costOfCrossing, gravity, secondsToLive, sinkingSpeed, wadingSpeed } from './contact.ts';
import { walkingSpeed } from './surface.ts';

/** A speed played tick by tick until it no longer moves. */
function played(gain: number, keeps: number): number {
  let speed = 0;
  for (let tick = 0; tick < 20_000; tick += 1) speed = (speed + gain) * keeps;
  return speed;
}

test(
  'wading: without drag one walks, half the speed lost a tick leaves 1.5 of 4 blocks a ' +
    'second, all of it none',
  () => {
    expect(wadingSpeed(0)).toBeCloseTo(walkingSpeed, 12);
    expect(wadingSpeed(0.5)).toBeCloseTo(1.5, 12);
    expect(wadingSpeed(1)).toBe(0);
  },
);

test(
  'sinking: a fifth lost a tick lets one sink at 1.96 blocks a second; without drag one ' +
    'falls ever faster',
  () => {
    expect(sinkingSpeed(0.2, 20)).toBeCloseTo(1.96, 12);
    expect(sinkingSpeed(1, 20)).toBe(0);
    expect(sinkingSpeed(0, 20)).toBe(Infinity);
  },
);

test('both speeds are what playing them tick by tick comes to', () =>
  fc.assert(
    fc.property(
      fc.double({ min: 0.01, max: 0.99, noNaN: true }),
      fc.constantFrom(10, 20, 60),
      (drag, rate) => {
        expect(sinkingSpeed(drag, rate)).toBeCloseTo(played(gravity / rate, 1 - drag), 6);
        expect(wadingSpeed(drag)).toBeCloseTo(played(6, 0.4 * (1 - drag)), 6);
      },
    ),
    { numRuns: 30 },
  ));

test(
  'harm: a quarter of a life a second is survived for four; three blocks of drag a half ' +
    'cost half a life',
  () => {
    expect([secondsToLive(0.25), secondsToLive(0)]).toEqual([4, undefined]);
    expect(costOfCrossing({ harmOnTouch: 0.25, dragInside: 0.5 }, 3)).toBeCloseTo(0.5, 12);
    expect(costOfCrossing({ harmOnTouch: 0, dragInside: 1 }, 3)).toBe(0);
    expect(costOfCrossing({ harmOnTouch: 0.01, dragInside: 1 }, 3)).toBe(1);
  },
);
