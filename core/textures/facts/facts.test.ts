import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { basePicture } from '../base.ts';
import { shifted, wholeOf, type Colour } from '../painting/index.ts';
import type { Pixels } from '../png.ts';
import {
  alphasOf,
  apart,
  asMixed,
  colourFromHex,
  edgesOf,
  fromMixed,
  hexOf,
  mostChroma,
  seamsIn,
  toOklab,
  tonesOf,
  underMode,
} from './index.ts';

const row = (...colours: Colour[]): Pixels => ({
  width: colours.length,
  height: 1,
  data: Uint8Array.from(colours.flat()),
});

describe('tones', () => {
  // The values that the paper of OKLab gives for the primaries of sRGB.
  test.each<[Colour, [number, number, number]]>([
    [
      [255, 255, 255, 255],
      [1, 0, 0],
    ],
    [
      [255, 0, 0, 255],
      [0.628, 0.225, 0.126],
    ],
    [
      [0, 255, 0, 255],
      [0.866, -0.234, 0.179],
    ],
    [
      [0, 0, 255, 255],
      [0.452, -0.032, -0.312],
    ],
    [
      [0, 0, 0, 255],
      [0, 0, 0],
    ],
  ])('%j is so in OKLab', (colour, known) => {
    toOklab(colour).forEach((value, i) => expect(value).toBeCloseTo(known[i]!, 3));
  });

  test('black and white are one apart, a colour and itself nothing', () => {
    expect(apart(toOklab([0, 0, 0, 255]), toOklab([255, 255, 255, 255]))).toBeCloseTo(1, 3);
    expect(apart(toOklab([9, 8, 7, 255]), toOklab([9, 8, 7, 0]))).toBe(0);
  });

  test('go from dark to light, with how many show each, and leave out what is clear', () => {
    const [dark, mid, light]: Colour[] = [
      [20, 10, 5, 255],
      [120, 80, 40, 255],
      [240, 220, 200, 255],
    ];
    const found = tonesOf(row(light!, mid!, dark!, mid!, [50, 50, 50, 0]), 8);
    expect(found).toEqual([
      { colour: dark, many: 1 },
      { colour: mid, many: 2 },
      { colour: light, many: 1 },
    ]);
  });

  test('are no more than asked, from the picture, and none is lost on the way', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(...[0, 1, 2].map(() => fc.nat(255))), { minLength: 1, maxLength: 80 }),
        fc.integer({ min: 2, max: 12 }),
        (colours, most) => {
          const all = colours.map(([r = 0, g = 0, b = 0]): Colour => [r, g, b, 255]);
          const tones = tonesOf(row(...all), most);
          const distinct = new Set(all.map(String)).size;
          expect(tones.length).toBeLessThanOrEqual(most);
          if (distinct <= most) expect(tones).toHaveLength(distinct);
          expect(tones.reduce((sum, { many }) => sum + many, 0)).toBe(all.length);
          const lightness = tones.map(({ colour }) => toOklab(colour)[0]);
          expect(lightness).toEqual([...lightness].sort((a, b) => a - b));
          for (const { colour } of tones) expect(all.map(String)).toContain(String(colour));
        },
      ),
    );
  });
});

describe('edges', () => {
  test('a picture that tiles has no seam, wherever one begins', () => {
    const base = basePicture('#8f8578', 16, 3);
    for (const [right, down] of [
      [0, 0],
      [5, 9],
    ] as const) {
      const pushed = shifted(base, right, down, wholeOf(base));
      const { across, usual } = edgesOf(pushed, wholeOf(base));
      expect(seamsIn(across, usual).length).toBeLessThan(4);
    }
  });

  test('a ramp from dark to light has its seam where it begins again, and only there', () => {
    const ramp = row(...[0, 1, 2, 3, 4, 5, 6, 7].map((i): Colour => [i * 30, i * 30, i * 30, 255]));
    const edges = edgesOf(ramp, wholeOf(ramp));
    expect(seamsIn(edges.across, edges.usual)).toEqual([0]);
    expect(seamsIn(edges.down, edges.usual)).toEqual([]);
  });

  test('clear beside solid is a seam, clear beside clear is none', () => {
    const solid: Colour = [80, 80, 80, 255];
    const hole = row(
      [80, 80, 80, 0],
      solid,
      solid,
      solid,
      solid,
      solid,
      solid,
      solid,
      solid,
      solid,
      solid,
      solid,
    );
    const edges = edgesOf(hole, wholeOf(hole));
    expect(edges.across).toEqual([1]);
    const clear = row([1, 2, 3, 0], [200, 9, 8, 0]);
    expect(edgesOf(clear, wholeOf(clear)).across).toEqual([0]);
  });
});

describe('alphas', () => {
  const mixed = row([1, 1, 1, 0], [1, 1, 1, 100], [1, 1, 1, 200], [1, 1, 1, 255]);

  test('are counted by how solid they are', () => {
    const { clear, partial, solid, bySixteens } = alphasOf(mixed, wholeOf(mixed));
    expect([clear, partial, solid]).toEqual([1, 2, 1]);
    expect(bySixteens[0]).toBe(1);
    expect(bySixteens[6]).toBe(1);
    expect(bySixteens.reduce((sum, many) => sum + many, 0)).toBe(4);
  });

  test('the game shows them as the mode says', () => {
    const alphas = (pixels: Pixels) => [3, 7, 11, 15].map((at) => pixels.data[at]);
    expect(alphas(underMode(mixed, 'opaque', 0.5))).toEqual([255, 255, 255, 255]);
    expect(alphas(underMode(mixed, 'mask', 0.5))).toEqual([0, 0, 255, 255]);
    expect(alphas(underMode(mixed, 'mask', 0.3))).toEqual([0, 255, 255, 255]);
    expect(underMode(mixed, 'blend', 0.5)).toBe(mixed);
  });
});

describe('mixing', () => {
  const byte = fc.nat(255);
  test('a colour taken apart and mixed again is the same', () => {
    fc.assert(
      fc.property(byte, byte, byte, (red, green, blue) => {
        const colour: Colour = [red, green, blue, 255];
        const mixed = asMixed(colour);
        expect(fromMixed(mixed)).toEqual(colour);
        expect(mixed.chroma).toBeLessThanOrEqual(mostChroma);
        expect(colourFromHex(hexOf(colour))).toEqual(colour);
      }),
      { numRuns: 2000, examples: [[0, 0, 3]] },
    );
  });

  test('what a screen cannot show comes nearer to grey, and keeps how light it is', () => {
    const strong = fromMixed({ lightness: 0.6, chroma: mostChroma, hue: 200 });
    expect(asMixed(strong).lightness).toBeCloseTo(0.6, 1);
    expect(fromMixed({ lightness: 0, chroma: 0.2, hue: 30 })).toEqual([0, 0, 0, 255]);
  });

  test.each(['', '#12', '#12345g', 'red', '#1234567'])('%j is no colour', (text) => {
    expect(colourFromHex(text)).toBeUndefined();
  });
});
