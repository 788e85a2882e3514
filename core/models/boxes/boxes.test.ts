import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { emptyMod, type Box } from '../../mod/index.ts';
import { axes, sides, sideStep, vector, type Vec3 } from '../../space/index.ts';
import { itemAt } from '../../lists/index.ts';
import { modelQuads, resolveModel, spinPoint, type Quad } from '../index.ts';
import { added, again, aligned, grouped, repeated, spaceOf, without } from './arrange.ts';
import { mirrored, moved, sized, snapped } from './change.ts';
import { boxesOf, withBoxes } from './own.ts';
import { boxUnder } from './pick.ts';
import { boxesAsText, boxesFromText } from './text.ts';

const whole = (min: number, max: number) => fc.integer({ min, max });
const triple = (min: number, max: number) =>
  fc.tuple(whole(min, max), whole(min, max), whole(min, max));
const side = fc.record(
  {
    slot: fc.constantFrom('a', 'b'),
    crop: fc.tuple(whole(0, 8), whole(0, 8), whole(1, 8), whole(1, 8)),
    quarters: whole(0, 3),
    mirrored: fc.boolean(),
  },
  { requiredKeys: ['slot'] },
);
const cropped = side.filter((made) => made.crop !== undefined);
const boxWith = (made: fc.Arbitrary<Box['sides']['front']>, spun: boolean): fc.Arbitrary<Box> =>
  fc.record(
    {
      at: triple(0, 8),
      size: triple(1, 8),
      spin: fc.record({
        about: fc.constantFrom(...axes),
        by: fc.constantFrom(-45, -22.5, 22.5, 45, 90),
        pivot: triple(0, 16),
      }),
      sides: fc.record(Object.fromEntries(sides.map((one) => [one, made])), { requiredKeys: [] }),
    },
    { requiredKeys: spun ? ['at', 'size', 'spin', 'sides'] : ['at', 'size', 'sides'] },
  );
const boxes = fc.array(boxWith(side, false), { minLength: 1, maxLength: 6 });
const first = new Set([0]);
const quadsOf = (all: readonly Box[]): Quad[] =>
  modelQuads(
    resolveModel({ boxes: [...all], slots: { a: 'm:a', b: 'm:b' } }, () => undefined, 16),
    16,
    () => ({ width: 16, height: 16 }),
  );
const rounded = (numbers: readonly number[]) =>
  numbers.map((value) => (Math.round(value * 1e4) / 1e4 + 0).toFixed(4)).join(' ');

describe('boxes that are moved, sized and mirrored', () => {
  test('moving by a step and back is nothing; spins go along', () => {
    fc.assert(
      fc.property(boxes, triple(-4, 4), (all, by) => {
        const back = vector((axis) => -by[axis]);
        expect(moved(moved(all, first, by), first, back)).toEqual(all);
        const [before, after] = [quadsOf(all), quadsOf(moved(all, first, by))];
        before.forEach((quad, i) =>
          quad.corners.forEach((corner, n) => {
            const shift = quad.box === 0 ? by : [0, 0, 0];
            expect(rounded(itemAt(itemAt(after, i).corners, n))).toBe(
              rounded(vector((axis) => corner[axis] + itemAt(shift, axis))),
            );
          }),
        );
      }),
    );
  });

  test('a picture follows the size: every texel that was seen stays where it was', () => {
    fc.assert(
      fc.property(
        boxWith(cropped, false),
        fc.constantFrom(...sides),
        whole(-4, 4),
        (box, towards, by) => {
          const [grown] = sized([box], first, towards, by, 'follows');
          const after = quadsOf([grown!]);
          quadsOf([box]).forEach((quad, i) => {
            const same = itemAt(after, i);
            // The picture lies on the plane of a side as it lay before, so it goes on evenly.
            same.corners.forEach((corner, n) =>
              uvAt(quad, corner).forEach((value, i) =>
                expect(value).toBeCloseTo(itemAt(itemAt(same.uv, n), i), 3),
              ),
            );
          });
        },
      ),
    );
  });

  test('stretched, a side shows what it showed; and no box is smaller than nothing', () => {
    fc.assert(
      fc.property(boxes, fc.constantFrom(...sides), whole(-20, 4), (all, towards, by) => {
        const after = sized(all, first, towards, by, 'stretches');
        expect(itemAt(after, 0).sides).toEqual(itemAt(all, 0).sides);
        expect(itemAt(after, 0).size.every((length) => length >= 0)).toBe(true);
        const opposite = sides.find((one) =>
          sideStep(one).every((value, axis) => value === -itemAt(sideStep(towards), axis) + 0),
        )!;
        const wall = (all: readonly Box[]) =>
          vector((axis) => {
            const { at, size } = itemAt(all, 0);
            return at[axis] + (sideStep(opposite)[axis] > 0 ? size[axis] : 0);
          })[sideStep(opposite).findIndex((value) => value !== 0)];
        expect(wall(after)).toBe(wall(all));
      }),
    );
  });

  test('a mirrored box shows every texel of its crops in the mirrored place', () => {
    fc.assert(
      fc.property(boxWith(cropped, true), fc.constantFrom(...axes), (box, axis) => {
        const along = axes.indexOf(axis);
        const places = (all: readonly Box[], over: (corner: Vec3) => Vec3) =>
          quadsOf(all)
            .flatMap(({ corners, uv }) =>
              corners.map((corner, i) => rounded([...over(corner), ...itemAt(uv, i)])),
            )
            .sort();
        const over = (corner: Vec3) => vector((i) => (i === along ? 16 - corner[i] : corner[i]));
        const after = mirrored([box], first, axis, 16);
        expect(places(after, (corner) => corner)).toEqual(places([box], over));
        expect(places(mirrored(after, first, axis, 16), (corner) => corner)).toEqual(
          places([box], (corner) => corner),
        );
      }),
    );
  });

  test('snapping puts both ends on the step', () => {
    const [box] = snapped([{ at: [0.3, 1.6, 0], size: [1.9, 3, 0.2], sides: {} }], first, 0.5);
    expect(box).toEqual({ at: [0.5, 1.5, 0], size: [1.5, 3, 0], sides: {} });
  });
});

/** Where on the picture a point in the plane of a quad lies. */
function uvAt({ corners: [topLeft, bottomLeft, , topRight], uv }: Quad, point: Vec3): number[] {
  const minus = (a: Vec3, b: Vec3) => vector((axis) => a[axis] - b[axis]);
  const times = (a: Vec3, b: Vec3) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
  const [right, down, to] = [topRight, bottomLeft, point].map((one) => minus(one, topLeft)) as [
    Vec3,
    Vec3,
    Vec3,
  ];
  const [a, b] = [times(to, right) / times(right, right), times(to, down) / times(down, down)];
  return [0, 1].map((i) => {
    const [from, below, , beside] = uv.map((pair) => itemAt(pair, i));
    return from! + a * (beside! - from!) + b * (below! - from!);
  });
}

describe('boxes that are arranged', () => {
  const lath: Box = { name: 'lath', at: [0, 10, 1], size: [16, 1, 2], sides: {} };

  test('one more and several more have names of their own and lie a step apart', () => {
    const { boxes: all, chosen } = repeated([lath], first, 3, [0, 0, 5]);
    expect(all.map(({ name, at }) => [name, at[2]])).toEqual([
      ['lath', 1],
      ['lath_2', 6],
      ['lath_3', 11],
    ]);
    expect([...chosen]).toEqual([1, 2]);
    expect(again(all, new Set([2]), [0, 0, 5]).boxes.at(-1)).toMatchObject({
      name: 'lath_4',
      at: [0, 10, 16],
    });
    expect(added([], [{ ...lath, name: undefined }]).boxes[0]?.name).toBe('box');
  });

  test('one box is laid in the cell, several in the space that they take up', () => {
    const low: Box = { at: [4, 0, 4], size: [2, 2, 2], sides: {} };
    const high: Box = { at: [10, 6, 4], size: [4, 4, 4], sides: {} };
    expect(aligned([low], first, 0, 'middle', 16)[0]?.at).toEqual([7, 0, 4]);
    expect(aligned([low], first, 0, 'high', 16)[0]?.at).toEqual([14, 0, 4]);
    const both = new Set([0, 1]);
    expect(spaceOf([low, high], both)).toEqual({ at: [4, 0, 4], size: [10, 10, 4] });
    expect(aligned([low, high], both, 1, 'high', 16).map(({ at }) => at[1])).toEqual([8, 6]);
  });

  test('a spun box is laid by the space that it takes up', () => {
    const spin = { about: 'y', by: 90, pivot: [8, 8, 8] } as const;
    const [box] = aligned([{ ...lath, spin: { ...spin, pivot: [8, 8, 8] } }], first, 0, 'low', 16);
    expect(spaceOf([box!], first).at[0]).toBe(0);
  });

  test('groups come and go, and what is taken away is gone', () => {
    const all = grouped([lath, lath], first, 'top');
    expect(all.map(({ group }) => group)).toEqual(['top', undefined]);
    expect(grouped(all, first, undefined)).toEqual([lath, lath]);
    expect(without(all, first)).toEqual([lath]);
  });
});

describe('boxes as text', () => {
  test('what was copied is what is put in', () => {
    fc.assert(fc.property(boxes, (all) => expect(boxesFromText(boxesAsText(all))).toEqual(all)));
  });

  test('other text holds no boxes', () => {
    const texts = ['', '{', '[]', '{"boxes":[]}', '{"boxes":[{"at":[0,0]}]}', 'null', '"boxes"'];
    expect(texts.map((text) => boxesFromText(text))).toEqual(texts.map(() => undefined));
    expect(boxesFromText(' '.repeat(1_000_001))).toBeUndefined();
    expect(boxesFromText('[{"at":[0,0,0],"size":[1,1,1],"sides":{}}]')).toHaveLength(1);
  });
});

describe('a box that is pointed at', () => {
  test('a ray to the middle of a side that looks at one meets that side', () => {
    fc.assert(
      fc.property(boxWith(side, true), fc.constantFrom(...sides), (box, asked) => {
        const step = sideStep(asked);
        const middle = vector((axis) => box.at[axis] + box.size[axis] / 2);
        const onSide = vector((axis) => middle[axis] + (step[axis] * box.size[axis]) / 2);
        const spun = (point: Vec3) => (box.spin ? spinPoint(point, box.spin) : point);
        const aim = spun(onSide);
        const eye = spun(vector((axis) => onSide[axis] + step[axis] * 30 + 0.3));
        const to = vector((axis) => aim[axis] - eye[axis]);
        expect(boxUnder([box], { from: eye, to })).toMatchObject({ box: 0, side: asked });
      }),
    );
  });

  test('the nearest is met, what is hidden is seen through, and past it there is nothing', () => {
    const near: Box = { at: [4, 4, 10], size: [4, 4, 4], sides: {} };
    const far: Box = { at: [4, 4, 2], size: [4, 4, 4], sides: {} };
    const ray = { from: [5, 5, 40], to: [0, 0, -1] } as const;
    expect(boxUnder([far, near], ray)).toEqual({ box: 1, side: 'front', at: [5, 5, 14] });
    expect(boxUnder([far, near], ray, new Set([1]))?.box).toBe(0);
    expect(boxUnder([far, near], { ...ray, from: [20, 5, 40] })).toBeUndefined();
    expect(boxUnder([far, near], { ...ray, to: [0, 0, 1] })).toBeUndefined();
  });
});

describe('a model with boxes of its own', () => {
  const mod = {
    ...emptyMod('m', 'M'),
    models: {
      crate: { template: 'obrank:column', slots: { side: 'm:a' } },
      chest: { template: 'm:crate', slots: { end: 'm:b' } },
      rack: { boxes: [] },
    },
  };

  test('the boxes of a template become its own, with the textures that it gave', () => {
    expect(boxesOf(mod, 'chest')).toHaveLength(1);
    expect(boxesOf(mod, 'chest')[0]?.sides.top).toEqual({ slot: 'end' });
    expect(withBoxes(mod, 'chest', boxesOf(mod, 'chest')).after).toEqual({
      slots: { end: 'm:b', side: 'm:a' },
      boxes: boxesOf(mod, 'chest'),
    });
  });

  test('a model that had boxes keeps all else', () => {
    expect(withBoxes(mod, 'rack', [])).toEqual({
      path: '/models/rack',
      before: { boxes: [] },
      after: { boxes: [] },
    });
  });
});
