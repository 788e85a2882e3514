import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Box } from '../mod/index.ts';
import { sides, sideStep, vector } from '../space/index.ts';
import { coveredFaces, facesInOnePlane, sidesWithoutArea, slits } from './faces.ts';

const all = (slot: string): Box['sides'] =>
  Object.fromEntries(sides.map((side) => [side, { slot }]));
const boxAt = (at: Box['at'], size: Box['size'], slot = 'a'): Box => ({
  at,
  size,
  sides: all(slot),
});
const place = fc.integer({ min: 0, max: 5 });
const length = fc.integer({ min: 1, max: 5 });
const boxes = fc.array(
  fc
    .tuple(
      fc.tuple(place, place, place),
      fc.tuple(length, length, length),
      fc.constantFrom('a', 'b'),
    )
    .map(([at, size, slot]) => boxAt(at, size, slot)),
  { minLength: 1, maxLength: 5 },
);

/** Whether a point lies in a box. */
const isIn = ({ at, size }: Box, point: readonly number[]) =>
  at.every((low, axis) => point[axis]! > low && point[axis]! < low + size[axis]!);

/** The middles of the texels of a side. */
function texelsOf({ at, size }: Box, side: (typeof sides)[number]): [number, number, number][] {
  const step = sideStep(side);
  const ranges = [0, 1, 2].map((axis) =>
    step[axis as 0]
      ? [at[axis]! + (step[axis as 0] > 0 ? size[axis]! : 0)]
      : Array.from({ length: size[axis]! }, (_, i) => at[axis]! + i + 0.5),
  );
  return ranges[0]!.flatMap((x) =>
    ranges[1]!.flatMap((y) => ranges[2]!.map((z): [number, number, number] => [x, y, z])),
  );
}

describe('sides of boxes', () => {
  test('a side is covered where every texel right before it lies in another box', () => {
    fc.assert(
      fc.property(boxes, (made) => {
        const expected = made.flatMap((box, index) =>
          sides.flatMap((side) => {
            const step = sideStep(side);
            const isCovered = texelsOf(box, side).every((texel) => {
              const before = vector((axis) => texel[axis] + step[axis] * 0.01);
              return made.some((other, j) => j !== index && isIn(other, before));
            });
            return isCovered ? [{ box: index, side }] : [];
          }),
        );
        expect(coveredFaces(made, () => true)).toEqual(expected);
      }),
    );
  });

  test('one sees through what is not solid, and past what is spun', () => {
    const made = [boxAt([0, 0, 0], [4, 4, 4]), boxAt([0, 4, 0], [4, 4, 4])];
    expect(coveredFaces(made, (box) => box === 0)).toEqual([{ box: 1, side: 'bottom' }]);
    const spun = made.map((box) => ({
      ...box,
      spin: { about: 'y' as const, by: 45, pivot: [2, 0, 2] as [number, number, number] },
    }));
    expect(coveredFaces([made[0]!, spun[1]!], () => true)).toEqual([]);
  });

  test('two sides fight where a texel of one plane is on both and they differ', () => {
    fc.assert(
      fc.property(boxes, (made) => {
        const found = new Set(
          facesInOnePlane(made).map(([a, b]) => `${a.box} ${a.side} ${b.box} ${b.side}`),
        );
        for (let i = 0; i < made.length; i += 1)
          for (let j = i + 1; j < made.length; j += 1)
            for (const side of sides) {
              const mine = new Set(texelsOf(made[i]!, side).map(String));
              const shared = texelsOf(made[j]!, side).some((texel) => mine.has(String(texel)));
              const differ = made[i]!.sides.front?.slot !== made[j]!.sides.front?.slot;
              expect(found.has(`${i} ${side} ${j} ${side}`)).toBe(shared && differ);
            }
      }),
    );
  });

  test('the edges of a plane have no area', () => {
    expect(sidesWithoutArea([boxAt([0, 0, 8], [16, 16, 0])]).map(({ side }) => side)).toEqual([
      'left',
      'right',
      'top',
      'bottom',
    ]);
    expect(sidesWithoutArea([boxAt([0, 0, 8], [16, 16, 1])])).toEqual([]);
  });

  test('a slit is less than a quarter of a texel; what touches or overlaps has none', () => {
    const post = boxAt([0, 0, 0], [4, 8, 4]);
    const above = (y: number) => [post, boxAt([0, y, 0], [4, 2, 4])];
    expect(slits(above(8.1))).toEqual([
      { face: { box: 0, side: 'top' }, other: 1, width: expect.closeTo(0.1) },
    ]);
    for (const y of [7.9, 8, 8.25, 9]) expect(slits(above(y))).toEqual([]);
    expect(slits([post, boxAt([4, 8.1, 0], [4, 2, 4])])).toEqual([]);
  });
});
