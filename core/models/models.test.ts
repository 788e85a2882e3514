import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Box, Model } from '../mod/index.ts';
import { cross, dot, sides, type Vec3 } from '../space/index.ts';
import {
  modelFillsCell,
  modelQuads,
  naturalCrop,
  plainBoxes,
  resolveModel,
  shapeByState,
  spinPoint,
  templates,
} from './index.ts';
import { sampleMod } from '../inspect/sample.ts';
import { resolveBlock } from '../mod/index.ts';

const none = () => undefined;
const allSides = (slot: string): Box['sides'] =>
  Object.fromEntries(sides.map((side) => [side, { slot }]));
const subtract = (a: Vec3, b: Vec3): Vec3 => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
const anyBox = fc.record({
  at: fc.tuple(fc.nat(15), fc.nat(15), fc.nat(15)),
  size: fc.tuple(
    fc.integer({ min: 1, max: 16 }),
    fc.integer({ min: 1, max: 16 }),
    fc.integer({ min: 1, max: 16 }),
  ),
});

test(
  'every quad of a box turns its corners anticlockwise round its outward normal, and ' +
    'shows the natural part of the picture',
  () =>
    fc.assert(
      fc.property(anyBox, (box) => {
        const quads = modelQuads(
          resolveModel(
            { boxes: [{ ...box, sides: allSides('a') }], slots: { a: 'x:y' } },
            none,
            16,
          ),
          16,
          none,
        );
        expect(quads).toHaveLength(6);
        for (const {
          corners: [topLeft, bottomLeft, bottomRight],
          normal,
          side,
          uv,
        } of quads) {
          const round = cross(subtract(bottomRight, bottomLeft), subtract(topLeft, bottomLeft));
          expect(dot(round, normal)).toBeGreaterThan(0);
          const [left, top, width, height] = naturalCrop(box, side, 16);
          expect(uv).toEqual([
            [left / 16, top / 16],
            [left / 16, top / 16 + height / 16],
            [left / 16 + width / 16, top / 16 + height / 16],
            [left / 16 + width / 16, top / 16],
          ]);
        }
      }),
    ),
);

test('a whole cube touches all six sides of its cell and shows the whole picture on each', () => {
  const cube = resolveModel({ template: 'obrank:cube', slots: { face: 'x:y' } }, none, 32);
  const quads = modelQuads(cube, 32, none);
  expect(quads.map((quad) => quad.touches)).toEqual([...sides]);
  for (const { uv } of quads)
    expect(uv).toEqual([
      [0, 0],
      [0, 1],
      [1, 1],
      [1, 0],
    ]);
  expect(modelFillsCell(cube, 32)).toBe(true);
});

test('a crop is in texels of the texture, and a quarter turns the picture clockwise', () => {
  const made = (quarters: number) =>
    modelQuads(
      resolveModel(
        {
          slots: { a: 'x:y' },
          boxes: [
            {
              at: [0, 0, 0],
              size: [16, 16, 16],
              sides: { front: { slot: 'a', crop: [8, 0, 16, 32], quarters } },
            },
          ],
        },
        none,
        16,
      ),
      16,
      () => ({ width: 32, height: 32 }),
    )[0]!;
  expect(made(0).uv).toEqual([
    [0.25, 0],
    [0.25, 1],
    [0.75, 1],
    [0.75, 0],
  ]);
  expect(made(1).uv[0]).toEqual([0.25, 1]);
  expect(made(3).touches).toBe('front');
});

test('the outermost model fills the slot, and what is left open or given in vain is told', () => {
  const models: Record<string, Model> = {
    'm:body': {
      slots: { pane: 'm:dark' },
      boxes: [
        {
          at: [0, 0, 0],
          size: [4, 4, 4],
          sides: { front: { slot: 'pane' }, back: { slot: 'frame' } },
        },
      ],
    },
  };
  const found = resolveModel(
    { template: 'm:body', slots: { pane: 'm:lit', spare: 'm:x' } },
    (id) => models[id],
    16,
  );
  expect([...found.slots]).toEqual([
    ['pane', 'm:lit'],
    ['frame', undefined],
  ]);
  expect(found.unusedSlots).toEqual(['spare']);
});

test('templates in a circle and templates that are missing end', () => {
  const models: Record<string, Model> = {
    'm:a': { template: 'm:b' },
    'm:b': { template: 'm:a' },
    'm:c': { template: 'm:gone' },
  };
  expect(resolveModel({ template: 'm:a' }, (id) => models[id], 16).circle).toEqual([
    'm:a',
    'm:b',
    'm:a',
  ]);
  expect(resolveModel(models['m:c']!, (id) => models[id], 16).missing).toBe('m:gone');
});

test('every built-in template lists the slots that its boxes use', () => {
  for (const { model, slots } of templates)
    expect([...resolveModel(model, none, 16).slots.keys()].sort()).toEqual([...slots].sort());
});

test('spinning keeps the distance from the axis and comes back', () =>
  fc.assert(
    fc.property(
      fc.constantFrom('x' as const, 'y' as const, 'z' as const),
      fc.integer({ min: -180, max: 180 }),
      (about, by) => {
        const back = spinPoint(spinPoint([3, 5, 7], { about, by, pivot: [8, 8, 8] }), {
          about,
          by: -by,
          pivot: [8, 8, 8],
        });
        [3, 5, 7].forEach((value, i) => expect(back[i]).toBeCloseTo(value, 9));
        expect(spinPoint([0, 0, 1], { about: 'y', by: 90, pivot: [0, 0, 0] })[0]).toBeCloseTo(
          1,
          12,
        );
      },
    ),
  ));

test('a spun box is given by the box around it; a plane has none', () => {
  const around = plainBoxes(
    resolveModel(
      {
        boxes: [
          {
            at: [4, 0, 4],
            size: [8, 16, 8],
            spin: { about: 'y', by: 45, pivot: [8, 0, 8] },
            sides: {},
          },
          { at: [0, 0, 8], size: [16, 16, 0], sides: {} },
        ],
      },
      none,
      16,
    ),
  );
  expect(around).toEqual([{ at: [2.343, 0, 2.343], size: [11.314, 16, 11.314] }]);
});

test('a shape that follows the model turns with it, once for each different outcome', () => {
  const mod = sampleMod();
  const lamp = resolveBlock(mod, 'lamp', mod.blocks['lamp']!);
  const rows = shapeByState(mod, lamp, lamp.shapes.collision);
  expect(rows).toEqual([
    { when: { heading: 'north' }, value: [{ at: [4, 0, 0], size: [8, 12, 8] }] },
    { when: { heading: 'east' }, value: [{ at: [8, 0, 4], size: [8, 12, 8] }] },
    { when: { heading: 'south' }, value: [{ at: [4, 0, 8], size: [8, 12, 8] }] },
    { when: { heading: 'west' }, value: [{ at: [0, 0, 4], size: [8, 12, 8] }] },
  ]);
  expect(shapeByState(mod, lamp, [{ value: 'whole' }])).toEqual([
    { value: [{ at: [0, 0, 0], size: [16, 16, 16] }] },
  ]);
  expect(shapeByState(mod, lamp, [{ value: 'none' }])).toEqual([{ value: [] }]);
});

test('a mirrored side shows its picture the other way round, before it is turned', () => {
  const shown = (made: object) =>
    modelQuads(
      resolveModel(
        {
          boxes: [
            { at: [0, 0, 0], size: [16, 16, 16], sides: { front: { slot: 'face', ...made } } },
          ],
          slots: { face: 'm:face' },
        },
        () => undefined,
        16,
      ),
      16,
      () => ({ width: 16, height: 16 }),
    )[0];
  // Top left, bottom left, bottom right, top right.
  expect(shown({ mirrored: true })?.uv).toEqual([
    [1, 0],
    [1, 1],
    [0, 1],
    [0, 0],
  ]);
  expect(shown({ mirrored: true, quarters: 1 })?.uv).toEqual([
    [1, 1],
    [0, 1],
    [0, 0],
    [1, 0],
  ]);
  expect(shown({})).toMatchObject({ box: 0, untinted: undefined });
  expect(shown({ untinted: true })?.untinted).toBe(true);
});
