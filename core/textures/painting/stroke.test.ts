import { describe, expect, test } from '@jest/globals';
import type { Pixels } from '../png.ts';
import {
  afterStroke,
  areaTexels,
  colourAt,
  isSamePicture,
  strokeTexels,
  wholeOf,
  type Colour,
  type Stroke,
} from './index.ts';

const [brown, teal]: Colour[] = [
  [90, 60, 30, 255],
  [20, 110, 110, 255],
];
/** Two frames of four by four, the lower one brown. */
const strip: Pixels = {
  width: 4,
  height: 8,
  data: Uint8Array.from(
    Array.from({ length: 32 }, (_, i) => (i < 16 ? [0, 0, 0, 0] : brown!)).flat(),
  ),
};
const lower = { left: 0, top: 4, width: 4, height: 4 };
const stroke = (part: Partial<Stroke>): Stroke => ({
  tool: 'draw',
  path: [],
  isJoined: true,
  colour: teal!,
  alpha: 128,
  symmetry: { across: false, down: false },
  isFilled: false,
  ...part,
});
/** The texels of the strip that have a colour, each as x and y. */
const having = (pixels: Pixels, colour: Colour) =>
  areaTexels(wholeOf(pixels))
    .filter((texel) => colourAt(pixels, texel).join() === colour.join())
    .map((texel) => texel.join(''));

describe('a stroke', () => {
  test('draws along its path, joined where the pointer jumped', () => {
    const path = [
      [0, 4],
      [3, 7],
    ] as const;
    expect(having(afterStroke(strip, stroke({ path }), lower), teal!)).toEqual([
      '04',
      '15',
      '26',
      '37',
    ]);
    const apart = afterStroke(strip, stroke({ path, isJoined: false }), lower);
    expect(having(apart, teal!)).toEqual(['04', '37']);
  });

  test('stays in its frame, whatever the tool', () => {
    const whole = [
      [0, 4],
      [3, 0],
    ] as const;
    for (const tool of ['draw', 'line', 'rectangle', 'fill', 'change', 'alpha'] as const)
      for (const texel of strokeTexels(strip, stroke({ tool, path: whole }), lower))
        expect(texel[1]).toBeGreaterThanOrEqual(4);
    expect(
      having(afterStroke(strip, stroke({ tool: 'fill', path: [[1, 5]] }), lower), teal!),
    ).toHaveLength(16);
  });

  test('goes from end to end of a line and a rectangle, by the first texel and the last', () => {
    const path = [
      [0, 4],
      [9, 9],
      [2, 6],
    ] as const;
    expect(strokeTexels(strip, stroke({ tool: 'line', path }), lower)).toHaveLength(3);
    expect(strokeTexels(strip, stroke({ tool: 'rectangle', path }), lower)).toHaveLength(8);
    expect(
      strokeTexels(strip, stroke({ tool: 'rectangle', path, isFilled: true }), lower),
    ).toHaveLength(9);
  });

  test('is drawn again over the middle lines', () => {
    const symmetry = { across: true, down: true };
    const drawn = afterStroke(strip, stroke({ path: [[0, 5]], symmetry }), lower);
    expect(having(drawn, teal!)).toEqual(['05', '35', '06', '36']);
  });

  test('of the alpha brush leaves the colour', () => {
    const drawn = afterStroke(strip, stroke({ tool: 'alpha', path: [[1, 4]] }), lower);
    expect(colourAt(drawn, [1, 4])).toEqual([90, 60, 30, 128]);
  });

  test('moves what is marked, leaves it clear behind, and loses what goes over the edge', () => {
    const marked = { left: 0, top: 4, width: 2, height: 2 };
    const path = [
      [0, 4],
      [3, 4],
    ] as const;
    const moved = afterStroke(strip, stroke({ tool: 'move', path, marked }), lower);
    expect(having(moved, brown!)).toHaveLength(12);
    expect(colourAt(moved, [0, 4])).toEqual([0, 0, 0, 0]);
    expect(colourAt(moved, [3, 4])).toEqual(brown);
  });

  test('that does nothing gives the same picture', () => {
    const path = [[1, 5]] as const;
    expect(afterStroke(strip, stroke({ tool: 'pick', path }), lower)).toBe(strip);
    expect(afterStroke(strip, stroke({ tool: 'move', path }), lower)).toBe(strip);
    expect(afterStroke(strip, stroke({ path: [] }), lower)).toBe(strip);
    const marked = { left: 0, top: 4, width: 2, height: 2 };
    expect(afterStroke(strip, stroke({ tool: 'move', path, marked }), lower)).toBe(strip);
    const again = afterStroke(strip, stroke({ path, colour: brown! }), lower);
    expect(isSamePicture(again, strip)).toBe(true);
    expect(isSamePicture(strip, { ...strip, width: 8, height: 4 })).toBe(false);
  });
});
