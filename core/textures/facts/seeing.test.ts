import { describe, expect, test } from '@jest/globals';
import { filterDeficiencyDeuter, filterDeficiencyProt, filterDeficiencyTrit } from 'culori';
import fc from 'fast-check';
import { climateTints, tintColour } from '../index.ts';
import { mirroredArea, turnedArea, wholeOf } from '../painting/index.ts';
import type { Pixels } from '../png.ts';
import {
  climateColour,
  comparedWith,
  likenessOf,
  missingCones,
  noShift,
  shiftColours,
  visionWithout,
} from './index.ts';

const noisy = (seed: number, side = 8): Pixels => ({
  width: side,
  height: side,
  data: Uint8Array.from({ length: side * side * 4 }, (_, i) =>
    i % 4 === 3 ? 255 : (Math.imul(i + seed * 977, 2_654_435_761) >>> 24) & 255,
  ),
});
const alike = (a: Pixels, b: Pixels) => likenessOf(comparedWith(a), comparedWith(b));

describe('pictures that are much alike', () => {
  test('are found however they are turned and mirrored, by the way that lays one on the other', () => {
    fc.assert(
      fc.property(fc.nat(500), fc.nat(3), fc.boolean(), (seed, quarters, isMirrored) => {
        const picture = noisy(seed);
        const whole = wholeOf(picture);
        let other = picture;
        // Laying the other on this one undoes what was done to it.
        for (let turn = 0; turn < (4 - quarters) % 4; turn += 1) other = turnedArea(other, whole);
        if (isMirrored) other = mirroredArea(other, 'across', whole);
        expect(alike(picture, other)).toEqual({
          quarters,
          isMirrored,
          isRecoloured: false,
          share: 1,
        });
      }),
    );
  });

  test('are found in other colours, by their light and dark', () => {
    const ramp: Pixels = {
      width: 8,
      height: 8,
      data: Uint8Array.from({ length: 256 }, (_, i) =>
        i % 4 === 3 ? 255 : 60 + ((i >> 2) % 7) * 18 + (i % 4) * 4,
      ),
    };
    const blue = shiftColours(ramp, { ...noShift, hue: 150, lightness: 0.1 });
    expect(alike(ramp, blue)).toMatchObject({ isRecoloured: true, quarters: 0 });
    expect(alike(ramp, blue)!.share).toBeGreaterThan(0.95);
  });

  test('are found where only a part is in other colours: the ore, and not the rock around it', () => {
    const ore = (tones: readonly (readonly number[])[]): Pixels => ({
      width: 8,
      height: 8,
      data: Uint8Array.from(
        Array.from({ length: 64 }, (_, i) =>
          i % 4 === 1 ? [...tones[(i >> 2) % tones.length]!, 255] : [90 + i, 90 + i, 90 + i, 255],
        ).flat(),
      ),
    });
    const [copper, azure] = [
      [
        [90, 40, 10],
        [140, 80, 30],
        [220, 150, 80],
      ],
      [
        [10, 30, 60],
        [30, 70, 130],
        [90, 150, 240],
      ],
    ];
    expect(alike(ore(copper), ore(azure))).toMatchObject({ isRecoloured: true, quarters: 0 });
    expect(alike(ore(copper), ore([...azure].reverse()))).toBeUndefined();
  });

  test('a few texels of difference do not hide it; other pictures and other sizes are not alike', () => {
    const picture = noisy(3);
    const touched = { ...picture, data: Uint8Array.from(picture.data) };
    touched.data.fill(7, 0, 12);
    expect(alike(picture, touched)).toMatchObject({ isRecoloured: false, share: 61 / 64 });
    expect(alike(picture, noisy(4))).toBeUndefined();
    expect(alike(picture, noisy(3, 16))).toBeUndefined();
    // A plain colour has no light and dark that another could share.
    const plain = { ...picture, data: new Uint8Array(256).fill(255) };
    expect(alike(plain, picture)).toBeUndefined();
  });

  test('pictures that are not square are compared upright, upside down and mirrored alone', () => {
    const tall: Pixels = { width: 2, height: 4, data: noisy(9).data.slice(0, 32) };
    expect(alike(tall, tall)).toMatchObject({ quarters: 0, share: 1 });
    expect(alike(tall, { width: 4, height: 2, data: tall.data })).toBeUndefined();
  });
});

test('what is seen without a kind of cones is as another program has it', () => {
  const theirs = [filterDeficiencyProt(1), filterDeficiencyDeuter(1), filterDeficiencyTrit(1)];
  missingCones.forEach((cone, i) => {
    const columns = [
      [1, 0, 0],
      [0, 1, 0],
      [0, 0, 1],
    ].map(([r, g, b]) => {
      const seen = theirs[i]!({ mode: 'rgb', r: r!, g: g!, b: b! }) as unknown as {
        r: number;
        g: number;
        b: number;
      };
      return [seen.r, seen.g, seen.b];
    });
    visionWithout[cone].forEach((part, at) =>
      expect(part).toBeCloseTo(columns[at % 3]![Math.floor(at / 3)]!, 4),
    );
    // White stays white, whoever sees it.
    for (let row = 0; row < 3; row += 1)
      expect(visionWithout[cone].slice(row * 3, row * 3 + 3).reduce((a, b) => a + b)).toBeCloseTo(
        1,
        4,
      );
  });
});

test('a tint goes from cold to hot through the one that is shown without a climate', () => {
  for (const tint of climateTints) {
    const [cold, mild, hot] = [0, 0.5, 1].map((climate) => climateColour(tint, climate));
    expect(new Set([cold, mild, hot]).size).toBe(3);
    expect(tintColour(mild!)).toEqual(tintColour(tint));
  }
});
