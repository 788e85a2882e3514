import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Pixels } from '../png.ts';
import {
  alikeTexels,
  areaBetween,
  areaTexels,
  colourAt,
  edgeTexels,
  isIn,
  isSameColour,
  lineTexels,
  mirroredArea,
  painted,
  pieceOf,
  shifted,
  symmetricTexels,
  touchingTexels,
  turnedArea,
  wholeOf,
  withAlpha,
  withPiece,
  type Area,
  type Colour,
  type Texel,
} from './index.ts';

const [red, blue, clear]: Colour[] = [
  [200, 0, 0, 255],
  [0, 0, 200, 255],
  [90, 90, 90, 0],
];
/** A small picture of few colours, so that some hang together. */
const anyPicture = fc
  .tuple(fc.integer({ min: 1, max: 9 }), fc.integer({ min: 1, max: 9 }))
  .chain(([width, height]) =>
    fc
      .array(fc.constantFrom(red!, blue!, clear!), {
        minLength: width * height,
        maxLength: width * height,
      })
      .map((colours): Pixels => ({ width, height, data: Uint8Array.from(colours.flat()) })),
  );
const anyTexel = ({ width, height }: Pixels) =>
  fc.tuple(fc.integer({ min: 0, max: width - 1 }), fc.integer({ min: 0, max: height - 1 }));
const anyArea = (pixels: Pixels) =>
  fc.tuple(anyTexel(pixels), anyTexel(pixels)).map(([a, b]) => areaBetween(a, b));
const pictureWith = <T>(part: (pixels: Pixels) => fc.Arbitrary<T>) =>
  anyPicture.chain((pixels) => fc.tuple(fc.constant(pixels), part(pixels)));
const keys = (texels: readonly Texel[]) => texels.map((texel) => texel.join()).sort();
/** The texels at which two pictures of one size differ. */
const differing = (a: Pixels, b: Pixels): string[] =>
  keys(
    areaTexels(wholeOf(a)).filter(
      (texel) => colourAt(a, texel).join() !== colourAt(b, texel).join(),
    ),
  );

describe('what a tool covers', () => {
  const far = fc.integer({ min: -40, max: 40 });
  test('a line goes from one end to the other, a step at a time, never half a texel off', () => {
    fc.assert(
      fc.property(fc.tuple(far, far), fc.tuple(far, far), (from, to) => {
        const line = lineTexels(from, to);
        const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
        expect([line[0], line.at(-1)]).toEqual([from, to]);
        expect(line).toHaveLength(Math.max(Math.abs(dx), Math.abs(dy)) + 1);
        line.forEach(([x, y], i) => {
          const [lastX, lastY] = line[i - 1] ?? [x, y];
          expect(Math.max(Math.abs(x - lastX), Math.abs(y - lastY))).toBeLessThanOrEqual(1);
          // Across the longer way, so far off the straight line.
          const off = Math.abs((x - from[0]) * dy - (y - from[1]) * dx);
          expect(off).toBeLessThanOrEqual(Math.max(Math.abs(dx), Math.abs(dy)) / 2);
        });
      }),
    );
  });

  test('filling covers what hangs together and nothing else', () => {
    fc.assert(
      fc.property(pictureWith(anyArea), fc.nat(), ([pixels, area], pick) => {
        const all = areaTexels(area);
        const start = all[pick % all.length]!;
        const found = keys(touchingTexels(pixels, start, area));
        expect(found).toEqual(keys(hangingTogether(pixels, start, area)));
        const alike = keys(alikeTexels(pixels, start, area));
        expect(alike).toEqual(expect.arrayContaining(found));
        for (const texel of all)
          expect(alike.includes(texel.join())).toBe(
            isSameColour(colourAt(pixels, texel), colourAt(pixels, start)),
          );
      }),
    );
    const dot: Pixels = { width: 1, height: 1, data: Uint8Array.from(red!) };
    expect(touchingTexels(dot, [3, 0], wholeOf(dot))).toEqual([]);
    expect(alikeTexels(dot, [0, -1], wholeOf(dot))).toEqual([]);
  });

  /** The slow way: grow by a texel until nothing more comes. */
  function hangingTogether(pixels: Pixels, start: Texel, area: Area): Texel[] {
    let found: Texel[] = [start];
    for (;;) {
      const more = areaTexels(area).filter(
        (texel) =>
          isSameColour(colourAt(pixels, texel), colourAt(pixels, start)) &&
          found.some(([x, y]) => Math.abs(x - texel[0]) + Math.abs(y - texel[1]) <= 1),
      );
      if (more.length === found.length) return found;
      found = more;
    }
  }

  test('what is clear is one colour, whatever stands behind it', () => {
    const pixels: Pixels = {
      width: 2,
      height: 1,
      data: Uint8Array.from([1, 2, 3, 0, 9, 9, 9, 0]),
    };
    expect(touchingTexels(pixels, [0, 0], wholeOf(pixels))).toHaveLength(2);
  });

  test('a rectangle is its area, or the edge of it', () => {
    expect(areaBetween([4, 1], [2, 5])).toEqual({ left: 2, top: 1, width: 3, height: 5 });
    expect(edgeTexels({ left: 0, top: 0, width: 4, height: 3 })).toHaveLength(10);
    expect(edgeTexels({ left: 0, top: 0, width: 1, height: 3 })).toHaveLength(3);
  });

  test('drawn symmetrically, every texel has its counterpart, and none comes twice', () => {
    fc.assert(
      fc.property(
        pictureWith(anyArea),
        fc.boolean(),
        fc.boolean(),
        fc.nat(),
        ([, area], across, down, pick) => {
          const texels = areaTexels(area).filter((_, i) => (i * 7 + pick) % 3 === 0);
          const all = symmetricTexels(texels, { across, down }, area);
          expect(new Set(keys(all)).size).toBe(all.length);
          expect(keys(all)).toEqual(expect.arrayContaining(keys(texels)));
          expect(keys(symmetricTexels(all, { across, down }, area))).toEqual(keys(all));
        },
      ),
    );
    const area = { left: 0, top: 16, width: 16, height: 16 };
    expect(keys(symmetricTexels([[2, 17]], { across: true, down: true }, area))).toEqual(
      keys([
        [2, 17],
        [13, 17],
        [2, 30],
        [13, 30],
      ]),
    );
    expect(symmetricTexels([[2, 3]], { across: true, down: false }, area)).toEqual([]);
  });
});

describe('what becomes of a picture', () => {
  test('painting changes the texels that are covered and no others', () => {
    fc.assert(
      fc.property(pictureWith(anyArea), ([pixels, area]) => {
        const before = Uint8Array.from(pixels.data);
        const green: Colour = [0, 200, 0, 255];
        const after = painted(pixels, [...areaTexels(area), [-1, 0], [99, 0]], green);
        expect(differing(pixels, after)).toEqual(keys(areaTexels(area)));
        expect(pixels.data).toEqual(before);
        for (const texel of areaTexels(area)) expect(colourAt(after, texel)).toEqual(green);
      }),
    );
  });

  test('the alpha brush leaves the colour', () => {
    const pixels: Pixels = { width: 1, height: 1, data: Uint8Array.from([7, 8, 9, 255]) };
    expect([...withAlpha(pixels, [[0, 0]], 128).data]).toEqual([7, 8, 9, 128]);
  });

  test('pushed there and back, mirrored twice, turned four times: it is as it was', () => {
    const push = fc.integer({ min: -20, max: 20 });
    fc.assert(
      fc.property(pictureWith(anyArea), push, push, ([pixels, area], right, down) => {
        const outside = (texel: string) => {
          const [x = 0, y = 0] = texel.split(',').map(Number);
          return !isIn(area, [x, y]);
        };
        const there = shifted(pixels, right, down, area);
        expect(differing(pixels, there).filter(outside)).toEqual([]);
        expect(shifted(there, -right, -down, area)).toEqual(pixels);
        expect(shifted(pixels, area.width, -area.height, area)).toEqual(pixels);
        for (const way of ['across', 'down'] as const)
          expect(mirroredArea(mirroredArea(pixels, way, area), way, area)).toEqual(pixels);
        const side = Math.min(area.width, area.height);
        const square = { ...area, width: side, height: side };
        const turn = (picture: Pixels) => turnedArea(picture, square);
        expect(turn(turn(turn(turn(pixels))))).toEqual(pixels);
        expect(turn(turn(pixels))).toEqual(
          mirroredArea(mirroredArea(pixels, 'across', square), 'down', square),
        );
      }),
    );
    const oblong = { left: 0, top: 0, width: 2, height: 1 };
    const pixels: Pixels = { width: 2, height: 1, data: Uint8Array.from([...red!, ...blue!]) };
    expect(() => turnedArea(pixels, oblong)).toThrow(RangeError);
    expect(colourAt(shifted(pixels, 1, 0, oblong), [0, 0])).toEqual(blue);
    expect(colourAt(mirroredArea(pixels, 'across', oblong), [0, 0])).toEqual(blue);
  });

  test('a piece is put down where it is meant, as far as there is room', () => {
    fc.assert(
      fc.property(pictureWith(anyArea), fc.nat(8), fc.nat(8), ([pixels, area], left, top) => {
        expect(withPiece(pixels, pieceOf(pixels, area), [area.left, area.top], area)).toEqual(
          pixels,
        );
        const moved = withPiece(pixels, pieceOf(pixels, area), [left, top], wholeOf(pixels));
        for (const [x, y] of areaTexels(area)) {
          const target: Texel = [x - area.left + left, y - area.top + top];
          if (isIn(wholeOf(pixels), target))
            expect(colourAt(moved, target)).toEqual(colourAt(pixels, [x, y]));
        }
      }),
    );
  });

  test('there is no colour outside', () => {
    const pixels: Pixels = { width: 1, height: 1, data: Uint8Array.from(red!) };
    expect(() => colourAt(pixels, [1, 0])).toThrow(RangeError);
  });
});
