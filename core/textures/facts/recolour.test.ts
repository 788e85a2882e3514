import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Pixels } from '../png.ts';
import { greyed, inTones, isColourful, noShift, shiftColours, toOklab, tonesOf } from './index.ts';
import { colourAt, type Colour } from '../painting/index.ts';

const row = (...colours: Colour[]): Pixels => ({
  width: colours.length,
  height: 1,
  data: Uint8Array.from(colours.flat()),
});
const byte = fc.nat(255);
const anyPicture = fc
  .array(fc.tuple(byte, byte, byte, fc.constantFrom(0, 128, 255)), { minLength: 1, maxLength: 24 })
  .map((colours) => row(...colours));
const alphas = ({ data }: Pixels) => [...data].filter((_, i) => i % 4 === 3);
const lights = (pixels: Pixels) =>
  Array.from({ length: pixels.width }, (_, x) => toOklab(colourAt(pixels, [x, 0]))[0]);
const orange: Colour = [230, 140, 40, 255];

describe('colours that are moved', () => {
  test('by nothing are the same; how solid it is, and what is clear, stays whatever is done', () => {
    fc.assert(
      fc.property(anyPicture, fc.double({ min: -1, max: 1, noNaN: true }), (pixels, by) => {
        expect(shiftColours(pixels, noShift)).toBe(pixels);
        const made = [
          shiftColours(pixels, { lightness: by, chroma: 1 + by, hue: by * 180 }),
          greyed(pixels),
          inTones(pixels, tonesOf(row(orange, [20, 40, 90, 255]), 8)),
        ];
        for (const picture of made) {
          expect(alphas(picture)).toEqual(alphas(pixels));
          for (let x = 0; x < pixels.width; x += 1)
            if (colourAt(pixels, [x, 0])[3] === 0)
              expect(colourAt(picture, [x, 0])).toEqual(colourAt(pixels, [x, 0]));
        }
      }),
    );
  });

  test('a hue turned there and back is where it was', () => {
    const grey: Colour = [128, 110, 100, 255];
    const there = shiftColours(row(grey), { ...noShift, hue: 100 });
    const back = shiftColours(there, { ...noShift, hue: -100 });
    colourAt(back, [0, 0]).forEach((value, i) =>
      expect(Math.abs(value - grey[i]!)).toBeLessThanOrEqual(1),
    );
  });

  test('grey is as light as the colour looked', () => {
    const [grey] = [colourAt(greyed(row(orange)), [0, 0])];
    expect(new Set(grey.slice(0, 3)).size).toBe(1);
    expect(toOklab(grey)[0]).toBeCloseTo(toOklab(orange)[0], 2);
  });
});

describe('the tones of another picture', () => {
  test('go from end to end, and what was lighter is lighter still', () => {
    const tones = tonesOf(row([10, 30, 60, 255], [60, 120, 160, 255], [220, 240, 250, 255]), 8);
    fc.assert(
      fc.property(anyPicture, (pixels) => {
        const made = inTones(pixels, tones);
        const solid = Array.from({ length: pixels.width }, (_, x) => x).filter(
          (x) => colourAt(pixels, [x, 0])[3] > 0,
        );
        const [before, after] = [lights(pixels), lights(made)];
        for (const a of solid)
          for (const b of solid)
            if (before[a]! > before[b]! + 0.01) expect(after[a]!).toBeGreaterThan(after[b]! - 0.01);
        if (!solid.length || new Set(solid.map((x) => before[x])).size < 2) return;
        const darkest = solid.reduce((x, y) => (before[y]! < before[x]! ? y : x));
        const lightest = solid.reduce((x, y) => (before[y]! > before[x]! ? y : x));
        expect(colourAt(made, [darkest, 0]).slice(0, 3)).toEqual([10, 30, 60]);
        expect(colourAt(made, [lightest, 0]).slice(0, 3)).toEqual([220, 240, 250]);
      }),
    );
  });

  test('that are its own leave it as it is', () => {
    const own = row([20, 10, 5, 255], [90, 60, 40, 255], [160, 120, 90, 255], [250, 240, 220, 255]);
    const made = inTones(own, tonesOf(own, 8));
    own.data.forEach((value, i) => expect(Math.abs(value - made.data[i]!)).toBeLessThanOrEqual(1));
  });

  test('are taken on by an ore alone, and the stone around it stays', () => {
    const stone: Colour = [110, 105, 100, 255];
    const seam = row(stone, [120, 80, 20, 255], orange, stone);
    const made = inTones(
      seam,
      tonesOf(row([20, 60, 90, 255], [150, 220, 240, 255]), 8),
      isColourful,
    );
    expect([0, 1, 2, 3].map((x) => colourAt(made, [x, 0]))).toEqual([
      stone,
      [20, 60, 90, 255],
      [150, 220, 240, 255],
      stone,
    ]);
  });

  test('of a single colour, or of none', () => {
    const one = inTones(row([0, 0, 0, 255], [255, 255, 255, 255]), tonesOf(row(orange), 4));
    expect(lights(one).every((light) => Math.abs(light - toOklab(orange)[0]) < 0.01)).toBe(true);
    const pixels = row(orange);
    expect(inTones(pixels, [])).toBe(pixels);
  });
});
