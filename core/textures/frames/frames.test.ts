import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Pixels } from '../png.ts';
import {
  flashesIn,
  framesIn,
  isPlainOrder,
  luminanceOf,
  mostFlashes,
  orderOf,
  orderWithout,
  runsOf,
  stripOf,
} from './index.ts';

const filled = (width: number, height: number, bytes: readonly number[]): Pixels => ({
  width,
  height,
  data: Uint8Array.from(Array.from({ length: width * height }, () => bytes).flat()),
});
const order = fc.array(fc.nat(5), { maxLength: 20 });

describe('the frames of a strip', () => {
  test('taken apart and put together again are the same', () => {
    const frames = [1, 2, 3].map((tone) => filled(4, 3, [tone, 0, 0, 255]));
    const strip = stripOf(frames);
    expect([strip.width, strip.height]).toEqual([4, 9]);
    expect(framesIn(strip, 3)).toEqual(frames);
    // What is no whole frame is none.
    expect(framesIn(strip, 4)).toHaveLength(2);
  });

  test('are all of one size, and at least one', () => {
    expect(() => stripOf([])).toThrow(RangeError);
    expect(() => stripOf([filled(2, 2, [0, 0, 0, 0]), filled(2, 3, [0, 0, 0, 0])])).toThrow(
      RangeError,
    );
  });

  test('an order is its runs, and runs are an order', () => {
    fc.assert(
      fc.property(order, (frames) => {
        const runs = runsOf(frames);
        expect(orderOf(runs)).toEqual(frames);
        runs.forEach(({ steps, frame }, i) => {
          expect(steps).toBeGreaterThan(0);
          if (i) expect(runs[i - 1]!.frame).not.toBe(frame);
        });
      }),
    );
    expect(runsOf([0, 0, 1])).toEqual([
      { frame: 0, steps: 2 },
      { frame: 1, steps: 1 },
    ]);
  });

  test('an order without a frame shows the same others', () => {
    fc.assert(
      fc.property(order, fc.nat(5), (frames, gone) => {
        const names = ['a', 'b', 'c', 'd', 'e', 'f'];
        const others = names.filter((_, i) => i !== gone);
        expect(orderWithout(frames, gone).map((frame) => others[frame])).toEqual(
          frames.filter((frame) => frame !== gone).map((frame) => names[frame]),
        );
      }),
    );
  });

  test('the plain order is every frame once', () => {
    expect(isPlainOrder([0, 1, 2], 3)).toBe(true);
    expect(isPlainOrder([0, 1], 3)).toBe(false);
    expect(isPlainOrder([1, 0], 2)).toBe(false);
  });
});

describe('how light a picture is', () => {
  // Values of relative luminance that WCAG's own formula gives.
  test.each<[readonly number[], number]>([
    [[255, 255, 255, 255], 1],
    [[0, 0, 0, 255], 0],
    [[255, 0, 0, 255], 0.2126],
    [[119, 119, 119, 255], 0.1845],
  ])('%j', (bytes, known) => {
    expect(luminanceOf(filled(2, 2, bytes))).toBeCloseTo(known, 4);
  });

  test('what is clear does not count', () => {
    const half = { ...filled(2, 1, [255, 255, 255, 255]) };
    half.data.set([0, 0, 0, 0], 4);
    expect(luminanceOf(half)).toBe(1);
    expect(luminanceOf(filled(1, 1, [9, 9, 9, 0]))).toBe(0);
  });
});

describe('flashes', () => {
  test.each<[string, number[], number, number]>([
    ['black and white, a tenth of a second each', [0, 1], 0.1, 5],
    ['three times in a second, the most that harms nobody', [0, 1], 1 / 6, mostFlashes],
    ['just quicker than that', [0, 1], 1 / 8, 4],
    ['slowly', [0, 1], 1, 0],
    ['steps that are too small', [0.5, 0.58], 0.05, 0],
    ['light on light, the darker one 0.8', [0.8, 1], 0.05, 0],
    ['light on not so light', [0.79, 1], 0.05, 10],
    ['many small steps that add up', [0, 0.06, 0.12, 0.06], 0.05, 5],
    ['a still picture', [0.3], 0.05, 0],
    ['nothing', [], 0.05, 0],
  ])('%s', (_, lights, seconds, known) => {
    expect(flashesIn(lights, seconds)).toBe(known);
  });

  test('are as many wherever one begins, and slower is never more', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 1, maxLength: 8 }),
        fc.constantFrom(0.05, 0.1, 0.2),
        (lights, seconds) => {
          const most = flashesIn(lights, seconds);
          expect(flashesIn(lights, seconds * 2)).toBeLessThanOrEqual(most);
          expect(flashesIn([...lights, ...lights], seconds)).toBe(most);
        },
      ),
    );
  });
});
