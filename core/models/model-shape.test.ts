import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { applyChanges, emptyMod, resolveBlock, type Block, type Mod } from '../mod/index.ts';
import { orientBox, type PlainBox } from '../space/index.ts';
import { expandRows } from '../states/index.ts';
import { pictureFacts } from '../textures/index.ts';
import { formNamed, newBlock, rolePicture, rolesOf } from '../forms/index.ts';
import { heldUnder } from '../lists/index.ts';
import { shapeOff, shapeOfModel, shapeWithModel } from './index.ts';

const length = fc.integer({ min: 1, max: 9 });
const place = fc.integer({ min: 0, max: 7 });
const boxes: fc.Arbitrary<PlainBox[]> = fc.array(
  fc.record({
    at: fc.tuple(place, place, place),
    size: fc.tuple(length, length, length),
  }),
  { minLength: 1, maxLength: 4 },
);

/** A machine whose front faces the player: one model in four headings. */
function kiln(): { mod: Mod; declared: Block } {
  const empty = emptyMod('m', 'M');
  const form = formNamed('six_sides')!;
  const picture = {
    sha256: '0'.repeat(64),
    bytes: 0,
    ...pictureFacts(rolePicture('face', '#8d8d86', 16, 1)),
  };
  const pictures = Object.fromEntries(rolesOf(form).map((role) => [role, picture]));
  const start = { form, stock: 'stone', pictures };
  const mod = applyChanges(empty, newBlock(empty, 'kiln', 'Kiln', start));
  return { mod, declared: heldUnder(mod.blocks, 'kiln') };
}
const { mod, declared } = kiln();
const model = declared.looks.rows[0]!.use[0]!.model;

test('boxes that a model was given come back, and lie turned with it in every heading', () => {
  fc.assert(
    fc.property(boxes, (given) => {
      const block = resolveBlock(mod, 'kiln', declared);
      const rows = shapeWithModel(mod, block, 'outline', model, given);
      const shapes = {
        outline: rows.map(({ when, value }) => (when ? { when, value } : { value })),
      };
      const fitted = resolveBlock(mod, 'kiln', { ...declared, shapes });
      expect(shapeOfModel(mod, fitted, 'outline', model)).toEqual(given);
      const byState = expandRows(rows, block.space);
      const looks = expandRows(block.looks.rows, block.space);
      byState.forEach((shape, state) => {
        const { front = 'south', top = 'up' } = looks[state]![0]!;
        expect(shape).toEqual(given.map((box) => orientBox(box, { front, top }, 16)));
      });
    }),
    { numRuns: 30 },
  );
});

test('states that show another model keep their shape, and a model that none shows has none', () => {
  const block = resolveBlock(mod, 'kiln', declared);
  expect(shapeWithModel(mod, block, 'outline', 'm:other', [])).toEqual([{ value: 'model' }]);
  expect(shapeOfModel(mod, block, 'outline', 'm:other')).toBeUndefined();
});

test('how far a shape is off: the air in it, where one bumps, where one reaches through', () => {
  const leg: PlainBox = { at: [0, 0, 0], size: [2, 8, 2] };
  const around: PlainBox = { at: [0, 0, 0], size: [8, 8, 2] };
  expect(shapeOff([around], [leg])).toEqual({
    air: 0.75,
    bump: { by: 5.5, at: [7.5, 0.5, 0.5] },
    through: undefined,
  });
  expect(shapeOff([leg], [around])).toEqual({
    air: 0,
    bump: undefined,
    through: { by: 5.5, at: [7.5, 0.5, 0.5] },
  });
  expect(shapeOff([leg], [leg])).toEqual({ air: 0, bump: undefined, through: undefined });
  expect(shapeOff([], [leg])).toMatchObject({ air: 0, through: undefined });
});
