import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Pixels } from '../png.ts';
import type { Strip, Texture } from '../../mod/entries.schema.ts';
import { shownAt, showingAt, stepsOf, type Step } from '../index.ts';
import {
  flashesIn,
  framesIn,
  luminanceOf,
  mostFlashes,
  runsOf,
  stepsWithout,
  stripOf,
  timingOf,
  type Lit,
} from './index.ts';

const filled = (width: number, height: number, bytes: readonly number[]): Pixels => ({
  width,
  height,
  data: Uint8Array.from(Array.from({ length: width * height }, () => bytes).flat()),
});
const at = (frame: number, ticks: number): Step => ({ frame, ticks });
const anySteps = fc.array(fc.record({ frame: fc.nat(5), ticks: fc.integer({ min: 1, max: 9 }) }), {
  maxLength: 20,
});
/** A texture of so many square frames. */
const textureOf = (frames: number, strip?: Strip, side = 4): Texture => ({
  picture: {
    sha256: '0'.repeat(64),
    bytes: 1,
    width: side,
    height: side * frames,
    alpha: 'none',
    mean: '#000000',
    grey: true,
  },
  ...(strip && { strip }),
});

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

  test('steps that show one frame are one, and show as long', () => {
    fc.assert(
      fc.property(anySteps, (steps) => {
        const runs = runsOf(steps);
        const shown = (all: readonly Step[]) =>
          all.flatMap(({ frame, ticks }) => Array.from({ length: ticks }, () => frame));
        expect(shown(runs)).toEqual(shown(steps));
        runs.forEach(({ frame }, i) => i && expect(runs[i - 1]!.frame).not.toBe(frame));
      }),
    );
  });

  test('a timing says the steps that it was made of', () => {
    fc.assert(
      fc.property(anySteps, (steps) => {
        fc.pre(steps.length > 0);
        expect(stepsOf(textureOf(6, timingOf(steps, 6)))).toEqual(steps);
      }),
    );
    expect(timingOf([at(0, 4), at(1, 4)], 2)).toEqual({ ticks: 4 });
    expect(timingOf([at(0, 4), at(1, 9), at(0, 4)], 2)).toEqual({
      ticks: 4,
      order: [0, at(1, 9), 0],
    });
  });

  test('steps without a frame show the same others', () => {
    fc.assert(
      fc.property(anySteps, fc.nat(5), (steps, gone) => {
        const names = ['a', 'b', 'c', 'd', 'e', 'f'];
        const others = names.filter((_, i) => i !== gone);
        expect(stepsWithout(steps, gone).map(({ frame }) => others[frame])).toEqual(
          steps.filter(({ frame }) => frame !== gone).map(({ frame }) => names[frame]),
        );
      }),
    );
  });
});

describe('what shows of a strip', () => {
  const strip = { ticks: 4, order: [0, at(2, 6), 1] };

  test.each([
    [0, 0],
    [3.9, 0],
    [4, 2],
    [9, 2],
    [10, 1],
    [13.5, 1],
    [14, 0],
    [14 * 7 + 5, 2],
  ])('after %d ticks it is frame %d', (tick, frame) => {
    expect(showingAt(textureOf(3, strip), tick)).toEqual({
      frame,
      next: expect.any(Number),
      share: 0,
    });
  });

  test('a frame goes over into the next by the share of its own ticks, the last into the first', () => {
    const texture = textureOf(3, { ...strip, blend: true });
    expect(showingAt(texture, 1)).toEqual({ frame: 0, next: 2, share: 0.25 });
    expect(showingAt(texture, 7)).toEqual({ frame: 2, next: 1, share: 0.5 });
    expect(showingAt(texture, 13)).toEqual({ frame: 1, next: 0, share: 0.75 });
  });

  test('colours are mixed as far as they are solid', () => {
    const [red, clear, blue] = [
      [200, 0, 0, 255],
      [0, 0, 0, 0],
      [0, 0, 100, 255],
    ].map((bytes) => filled(1, 1, bytes));
    const mixedAt = (frames: Pixels[], tick: number) => [
      ...shownAt(textureOf(2, { ticks: 4, blend: true }, 1), stripOf(frames), tick).data,
    ];
    expect(mixedAt([red!, blue!], 0)).toEqual([200, 0, 0, 255]);
    expect(mixedAt([red!, blue!], 2)).toEqual([100, 0, 50, 255]);
    // What is clear gives no black of its own.
    expect(mixedAt([red!, clear!], 1)).toEqual([200, 0, 0, 191]);
    expect(mixedAt([clear!, clear!], 1)).toEqual([0, 0, 0, 0]);
  });

  test('a frame that is not there counts as the first, a still picture shows whole', () => {
    expect(stepsOf(textureOf(2, { ticks: 3, order: [7, at(-1, 5), 1] }))).toEqual([
      at(0, 3),
      at(0, 5),
      at(1, 3),
    ]);
    const still = filled(2, 5, [1, 2, 3, 255]);
    expect(shownAt({ picture: { ...textureOf(1).picture, width: 2, height: 5 } }, still, 99)).toBe(
      still,
    );
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

  test('what is clear gives no light: it is seen before a dark ground', () => {
    const half = { ...filled(2, 1, [255, 255, 255, 255]) };
    half.data.set([0, 0, 0, 0], 4);
    expect(luminanceOf(half)).toBe(0.5);
    expect(luminanceOf(filled(1, 1, [255, 255, 255, 51]))).toBeCloseTo(0.2);
    expect(luminanceOf(filled(1, 1, [9, 9, 9, 0]))).toBe(0);
  });
});

describe('flashes', () => {
  const even = (lights: readonly number[], seconds: number): Lit[] =>
    lights.map((light) => ({ light, seconds }));

  test('a short light between long ones is one flash as well', () => {
    const lit = (light: number, seconds: number): Lit => ({ light, seconds });
    expect(flashesIn([lit(0, 0.9), lit(1, 0.05)])).toBe(1);
    expect(flashesIn([lit(0, 0.2), lit(1, 0.05)])).toBe(4);
  });

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
    expect(flashesIn(even(lights, seconds))).toBe(known);
  });

  test('are as many wherever one begins, and slower is never more', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 1, maxLength: 8 }),
        fc.constantFrom(0.05, 0.1, 0.2),
        (lights, seconds) => {
          const most = flashesIn(even(lights, seconds));
          expect(flashesIn(even(lights, seconds * 2))).toBeLessThanOrEqual(most);
          expect(flashesIn(even([...lights, ...lights], seconds))).toBe(most);
        },
      ),
    );
  });
});
