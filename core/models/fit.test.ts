import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { PlainBox } from '../space/index.ts';
import { sampleMod } from '../inspect/sample.ts';
import { resolveBlock } from '../mod/index.ts';
import { expandRows } from '../states/index.ts';
import { around, fitBoxes, unionVolume } from './fit.ts';
import { fittedShapes, shapeByState } from './index.ts';

const length = fc.integer({ min: 1, max: 9 });
const place = fc.integer({ min: 0, max: 12 });
const anyBox: fc.Arbitrary<PlainBox> = fc.record({
  at: fc.tuple(place, place, place),
  size: fc.tuple(length, length, length),
});

/** How many whole texels boxes fill together: a slow, plain count. */
function countTexels(boxes: readonly PlainBox[]): number {
  const filled = new Set<number>();
  for (const { at, size } of boxes)
    for (let x = at[0]; x < at[0] + size[0]; x += 1)
      for (let y = at[1]; y < at[1] + size[1]; y += 1)
        for (let z = at[2]; z < at[2] + size[2]; z += 1) filled.add((x * 32 + y) * 32 + z);
  return filled.size;
}

/** The least volume of a cover with at most so many boxes, by trying every way of grouping. */
function leastCover(parts: readonly PlainBox[], most: number): number {
  let least = Infinity;
  const group = (index: number, groups: PlainBox[][]): void => {
    const part = parts[index];
    if (!part) {
      least = Math.min(least, unionVolume(groups.map(around)));
      return;
    }
    groups.forEach((one, i) => group(index + 1, groups.with(i, [...one, part])));
    if (groups.length < most) group(index + 1, [...groups, [part]]);
  };
  group(0, []);
  return least;
}

test('the volume of a union is that of its texels, for few boxes and for many', () =>
  fc.assert(
    fc.property(fc.array(anyBox, { minLength: 1, maxLength: 14 }), (boxes) => {
      expect(unionVolume(boxes)).toBeCloseTo(countTexels(boxes), 6);
    }),
  ));

test('a cover holds the whole model, and one box more never makes it worse', () =>
  fc.assert(
    fc.property(fc.array(anyBox, { minLength: 1, maxLength: 12 }), (boxes) => {
      const fits = fitBoxes(boxes, 6);
      const solid = countTexels(boxes);
      fits.forEach(({ boxes: cover, air }, i) => {
        expect(cover).toHaveLength(i + 1);
        expect(countTexels([...cover, ...boxes])).toBe(countTexels(cover));
        expect(air).toBeCloseTo(1 - solid / countTexels(cover), 6);
        expect(air).toBeLessThanOrEqual((fits[i - 1]?.air ?? 1) + 1e-9);
      });
    }),
  ));

test('with up to three boxes 200 random models are covered within 5 % of the best there is', () => {
  fc.assert(
    fc.property(fc.array(anyBox, { minLength: 1, maxLength: 8 }), (boxes) => {
      fitBoxes(boxes, 3).forEach(({ boxes: cover }, i) => {
        expect(unionVolume(cover)).toBeLessThanOrEqual(leastCover(boxes, i + 1) * 1.05);
      });
    }),
    { numRuns: 200 },
  );
});

test('what two boxes make is found, and how far one bumps into air is told', () => {
  const seat: PlainBox = { at: [2, 6, 2], size: [12, 2, 12] };
  const back: PlainBox = { at: [2, 8, 2], size: [12, 8, 2] };
  const [one, two] = fitBoxes([seat, back, { at: [4, 6, 4], size: [2, 2, 2] }], 3);
  expect(one).toMatchObject({ boxes: [{ at: [2, 6, 2], size: [12, 10, 12] }] });
  expect(one!.air).toBeCloseTo(1 - (288 + 192) / 1440, 9);
  // The middle of the texel that is farthest: 9.5 in front of the back, 7.5 above the seat.
  expect(one!.deepest).toBeCloseTo(7.5, 9);
  expect(two).toEqual({ boxes: [seat, back], air: 0, deepest: 0 });
  expect(fitBoxes([], 4)).toEqual([]);
  expect(fitBoxes([{ at: [0, 0, 0], size: [16, 0, 16] }], 4)).toEqual([]);
});

test('a shape by state is fitted for each way in which the model stands', () => {
  const mod = sampleMod();
  const lamp = resolveBlock(mod, 'lamp', mod.blocks['lamp']!);
  const fits = fittedShapes(mod, lamp, 4)!;
  const model = shapeByState(mod, lamp, [{ value: 'model' }]);
  expect(fits.at(-1)).toMatchObject({ air: 0, deepest: 0 });
  for (const { rows, air } of fits) {
    expect(air).toBeGreaterThanOrEqual(0);
    const [fitted, exact] = [rows, model].map((shape) => expandRows(shape, lamp.space));
    for (let state = 0; state < lamp.space.size; state += 1) {
      const cover = fitted![state]!;
      const solid = exact![state]!;
      expect(unionVolume([...cover, ...solid])).toBeCloseTo(unionVolume(cover), 6);
    }
  }
});
