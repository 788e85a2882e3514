import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { readFolder } from '../../disk/index.ts';
import { changeFamily, flattened } from '../families/index.ts';
import { readModFolder } from '../folder/index.ts';
import { inspect } from '../inspect/index.ts';
import { sampleMod } from '../inspect/sample.ts';
import { applyChanges, removeBlock, sameData, type Family, type Mod } from '../mod/index.ts';
import {
  bringBlockBack,
  gatherStretches,
  pathsOfBlock,
  pauseMinutes,
  touchedBlocks,
  type Step,
} from './index.ts';

const step = (revision: number, minutes: number, more: Partial<Step> = {}): Step => ({
  revision,
  time: new Date(Date.UTC(2026, 10, 27, 9, minutes)).toISOString(),
  author: 'window abcd',
  kind: 'edit',
  label: 'Edit',
  blocks: [],
  ...more,
});

test('steps without a long pause are one stretch of work, for each author', () => {
  const stretches = gatherStretches([
    step(5, 100, { blocks: ['lamp'] }),
    step(4, 95, { blocks: ['bank', 'lamp'] }),
    step(3, 90, { author: 'the folder' }),
    step(2, 89),
    step(1, 60),
  ]);
  expect(stretches.map(({ steps }) => steps.map(({ revision }) => revision))).toEqual([
    [5, 4],
    [3],
    [2],
    [1],
  ]);
  expect(stretches[0]).toMatchObject({
    blocks: ['lamp', 'bank'],
    from: '2026-11-27T10:35:00.000Z',
    to: '2026-11-27T10:40:00.000Z',
  });
});

test('gathering loses no step and keeps their order, and no pause within is a long one', () => {
  fc.assert(
    fc.property(fc.array(fc.tuple(fc.nat({ max: 50 }), fc.boolean())), (pauses) => {
      let minutes = 0;
      const steps = pauses
        .map(([pause, isFolder], i) => {
          minutes += pause;
          return step(i, minutes, isFolder ? { author: 'the folder' } : {});
        })
        .reverse();
      const stretches = gatherStretches(steps);
      expect(stretches.flatMap((stretch) => stretch.steps)).toEqual(steps);
      for (const { steps: some, author } of stretches)
        for (const [i, { time, author: whose }] of some.entries()) {
          expect(whose).toBe(author);
          const before = some[i + 1]?.time ?? time;
          expect(Date.parse(time) - Date.parse(before)).toBeLessThanOrEqual(pauseMinutes * 60_000);
        }
    }),
  );
});

test('the blocks that a step touches are named once', () =>
  expect(
    touchedBlocks(sampleMod(), [
      { path: '/blocks/bank/traits/hardness', before: 1, after: 2 },
      { path: '/blocks/bank/names/en', after: 'Bank' },
      { path: '/ledger/entries', before: [], after: [] },
      { path: '/blocks/lamp' },
    ]),
  ).toEqual(['bank', 'lamp']));

/** A mod of one family: two materials in two forms, and a lump of each. */
const familyMod = (): Mod => {
  const mod = sampleMod();
  const salts: Family = {
    materials: ['lime', 'chalk'].map((name) => ({ name, names: { en: name }, stock: 'chalk' })),
    forms: ['cube', 'stair', 'lump'].map((kind) => ({ name: kind, kind })),
  };
  return applyChanges(mod, changeFamily(mod, 'salts', salts));
};

test('of a family the blocks of what was changed are named: a material, a form, a cell, or all', () => {
  const mod = familyMod();
  const touched = (path: string) => touchedBlocks(mod, [{ path }]);
  expect(touched('/families/salts/materials/0/traits')).toEqual(['lime', 'lime_stair']);
  expect(touched('/families/salts/forms/1/called')).toEqual(['lime_stair', 'chalk_stair']);
  expect(touched('/families/salts/cells/chalk/cube')).toEqual(['chalk']);
  expect(touched('/families/salts/cells/chalk')).toEqual(['chalk', 'chalk_stair']);
  expect(touched('/families/salts')).toHaveLength(4);
  expect(touched('/families/gone')).toEqual([]);
});

test('the paths of a block are those of its cell too, and of what the cell follows', () => {
  const mod = familyMod();
  expect(pathsOfBlock(mod, 'bank')).toEqual(['"/blocks/bank/', '"/blocks/bank"']);
  const paths = pathsOfBlock(mod, 'chalk_stair');
  const holds = (path: string) => paths.some((one) => `"${path}"`.startsWith(one));
  for (const path of ['cells/chalk/stair', 'materials/1/names/en', 'forms/1', 'materials', 'cells'])
    expect([path, holds(`/families/salts/${path}`)]).toEqual([path, true]);
  for (const path of ['cells/lime/stair', 'materials/0/names', 'forms/0', 'note'])
    expect([path, holds(`/families/salts/${path}`)]).toEqual([path, false]);
});

test('a block that was changed comes back as it was, and nothing else changes', () => {
  const then = sampleMod();
  const now = applyChanges(then, [
    { path: '/blocks/bank/traits', before: {}, after: { hardness: 9 } },
    { path: '/blocks/lamp/names/en', before: 'Lamp', after: 'Lantern' },
  ]);
  const back = applyChanges(now, bringBlockBack(now, then, 'bank'));
  expect(back.blocks['bank']).toEqual(then.blocks['bank']);
  expect(back.blocks['lamp']).toEqual(now.blocks['lamp']);
  expect(bringBlockBack(back, then, 'bank')).toEqual([]);
});

test('every block that was removed with its models comes back whole, under its own number', async () => {
  const { mod: declared } = readModFolder(await readFolder('demo/saltmarsh'));
  const then = flattened(declared);
  for (const name of Object.keys(then.blocks)) {
    const removed = applyChanges(then, removeBlock(then, name));
    const isOwn = (model: string) => model === name || model.startsWith(`${name}_`);
    const models = Object.entries(removed.models).filter(([model]) => !isOwn(model));
    const now: Mod = { ...removed, models: Object.fromEntries(models) };
    const back = applyChanges(now, bringBlockBack(now, then, name));
    expect([name, sameData(back.blocks, then.blocks)]).toEqual([name, true]);
    expect(inspect(back).filter(({ block }) => block === name)).toEqual([]);
    const numberOf = ({ ledger }: Mod) =>
      ledger.entries.find((entry) => entry.kind === 'block' && entry.name === name)?.number;
    expect([name, numberOf(back)]).toEqual([name, numberOf(then)]);
    expect(back.ledger.retired).toEqual(then.ledger.retired);
  }
});

test('a number that something else has by now is not taken twice', () => {
  const then = sampleMod();
  const removed = applyChanges(then, removeBlock(then, 'bank'));
  const now: Mod = {
    ...removed,
    ledger: {
      entries: [...removed.ledger.entries, { number: 1, kind: 'item', name: 'oar' }],
      retired: [],
    },
  };
  const { ledger } = applyChanges(now, bringBlockBack(now, then, 'bank'));
  expect(ledger.entries.at(-1)).toEqual({ number: 3, kind: 'block', name: 'bank' });
  expect(() => bringBlockBack(now, then, 'reed')).toThrow('no block called reed');
});
