import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { pictureFacts } from '../facts-of.ts';
import { framesIn } from '../frames/index.ts';
import type { Pixels } from '../png.ts';
import { mendPicture, powerOfTwoNear } from './index.ts';

const anyPicture = fc
  .tuple(fc.integer({ min: 1, max: 9 }), fc.integer({ min: 1, max: 9 }))
  .chain(([width, height]) =>
    fc
      .uint8Array({ minLength: width * height * 4, maxLength: width * height * 4 })
      .map((data): Pixels => ({ width, height, data })),
  );
const row = (...texels: number[][]): Pixels => ({
  width: texels.length,
  height: 1,
  data: Uint8Array.from(texels.flat()),
});

describe('a picture put right', () => {
  test('cut has no partial alpha, filled has no holes, greyed has no colour', () => {
    fc.assert(
      fc.property(anyPicture, fc.double({ min: 0.01, max: 1, noNaN: true }), (pixels, from) => {
        const before = Uint8Array.from(pixels.data);
        expect(pictureFacts(mendPicture(pixels, { way: 'cut', from })).alpha).not.toBe('partial');
        expect(pictureFacts(mendPicture(pixels, { way: 'fill' })).alpha).toBe('none');
        expect(pictureFacts(mendPicture(pixels, { way: 'grey' })).grey).toBe(true);
        expect(pixels.data).toEqual(before);
      }),
    );
  });

  test('twice is as once', () => {
    fc.assert(
      fc.property(anyPicture, (pixels) => {
        for (const mending of [{ way: 'cut', from: 0.5 }, { way: 'fill' }] as const) {
          const once = mendPicture(pixels, mending);
          expect(mendPicture(once, mending)).toEqual(once);
        }
      }),
    );
  });

  test('alpha is cut where the alpha mode cuts it', () => {
    const cut = mendPicture(row([1, 2, 3, 127], [1, 2, 3, 128], [1, 2, 3, 0]), {
      way: 'cut',
      from: 0.5,
    });
    expect([...cut.data].filter((_, i) => i % 4 === 3)).toEqual([0, 255, 0]);
  });

  test('a hole takes the colour of the nearest texel; where there is none, it is black', () => {
    const [red, blue, hole] = [
      [200, 0, 0, 90],
      [0, 0, 200, 255],
      [9, 9, 9, 0],
    ];
    const filled = mendPicture(row(red, hole, hole, hole, blue), { way: 'fill' });
    expect([...filled.data]).toEqual(
      [
        [200, 0, 0, 255],
        [200, 0, 0, 255],
        [200, 0, 0, 255],
        [0, 0, 200, 255],
        [0, 0, 200, 255],
      ].flat(),
    );
    expect([...mendPicture(row([0, 0, 0, 0]), { way: 'fill' }).data]).toEqual([0, 0, 0, 255]);
  });

  test('another size brings no colour in, and keeps the frames of a strip apart', () => {
    fc.assert(
      fc.property(anyPicture, fc.integer({ min: 1, max: 16 }), (pixels, side) => {
        const resized = mendPicture(pixels, {
          way: 'resize',
          frameHeight: pixels.height,
          width: side,
          height: side,
        });
        expect([resized.width, resized.height]).toEqual([side, side]);
        const colours = ({ data }: Pixels) =>
          new Set(new Uint32Array(Uint8Array.from(data).buffer));
        expect([...colours(resized)].filter((one) => !colours(pixels).has(one))).toEqual([]);
      }),
    );
    const strip: Pixels = {
      width: 3,
      height: 6,
      data: Uint8Array.from({ length: 72 }, (_, i) => (i < 36 ? 10 : 20)),
    };
    const even = mendPicture(strip, { way: 'resize', frameHeight: 3, width: 4, height: 4 });
    expect(even.height).toBe(8);
    expect(framesIn(even, 4).map(({ data }) => new Set(data))).toEqual([
      new Set([10]),
      new Set([20]),
    ]);
  });

  test.each([
    [1, 1],
    [3, 4],
    [5, 4],
    [6, 8],
    [17, 16],
    [18, 16],
    [25, 32],
    [64, 64],
  ])('the power of two near %d is %d', (side, near) => {
    expect(powerOfTwoNear(side)).toBe(near);
  });
});
