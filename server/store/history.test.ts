import { afterEach, beforeEach, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { changeFamily, expandFamilies } from '../../core/families/index.ts';
import { sampleMod } from '../../core/inspect/sample.ts';
import { valueAt } from '../../core/json/index.ts';
import { sameData, type Family, type Mod, type Picture } from '../../core/mod/index.ts';
import { basePicture, encodePicture } from '../../core/textures/index.ts';
import { collectBlobs } from './blobs.ts';
import { openDatabase } from './database.ts';
import { History, historyBounds } from './history.ts';
import { Store } from './store.ts';

let folder: string;
let store: Store;
let clock: Date;
const now = () => clock;
beforeEach(async () => {
  folder = mkdtempSync(path.join(os.tmpdir(), 'obrank-history-'));
  clock = new Date('2026-11-27T09:00:00Z');
  store = new Store(await openDatabase(folder), now);
  await store.addMod({ ...sampleMod(), textures: {} }, new Map());
});
afterEach(async () => {
  await store.close();
  rmSync(folder, { recursive: true, force: true });
});

const name = 'saltmarsh';
const edit = async (at: string, after: unknown, label = 'Edit') => {
  const { mod, revision } = await store.mod(name);
  const changes = [{ path: at, before: valueAt(mod, at), after }];
  return store.edit(name, revision, 'a test', { label, changes });
};
const hardness = '/blocks/bank/traits/hardness';
/** Edits so often, and gives the mod after each edit, by its revision. */
async function editOften(many: number): Promise<Mod[]> {
  const mods = [(await store.mod(name)).mod];
  for (let i = 1; i <= many; i += 1) {
    await edit(i % 3 ? hardness : '/blocks/lamp/traits/hardness', i);
    mods.push((await store.mod(name)).mod);
  }
  return mods;
}

test('every mod of the log can be looked at as it was', async () => {
  const mods = await editOften(12);
  const history = new History(store, now);
  for (const [revision, mod] of mods.entries())
    expect(sameData(await history.modAt(name, revision), mod)).toBe(true);
  await expect(history.modAt(name, 13)).rejects.toThrow('no longer kept');
});

test('an edit of a family is one of the blocks that it reaches, and a block of one is brought back', async () => {
  const { mod, revision } = await store.mod(name);
  const salts: Family = {
    materials: ['lime', 'chalk'].map((called) => ({ name: called, names: {}, stock: 'chalk' })),
    forms: [{ name: 'cube', kind: 'cube' }],
  };
  const changes = changeFamily(mod, 'salts', salts);
  await store.edit(name, revision, 'a test', { label: 'New family', changes });
  expect((await store.names())[0]?.blocks).toBe(4);
  await edit('/families/salts/materials/0/traits', { hardness: 9 }, 'Harder lime');
  await edit('/families/salts/materials/1/traits', { hardness: 7 }, 'Harder chalk');
  const history = new History(store, now);
  const { lines } = await history.lines(name, { block: 'lime' });
  expect(lines.map(({ label, blocks }) => [label, blocks])).toEqual([
    ['Harder lime', ['lime']],
    ['New family', ['lime', 'chalk']],
  ]);
  await history.bringBack(name, 3, 'a test', { block: 'lime', revision: 1 });
  const after = (await store.mod(name)).mod;
  expect(expandFamilies(after).blocks['lime']?.traits).toEqual({});
  expect(after.blocks).toEqual(mod.blocks);
});

test('the list tells steps newest first, those of one block alone, and of whom', async () => {
  await edit(hardness, 3, 'Harder');
  await edit('/blocks/lamp/names/en', 'Lantern', 'Name the lamp');
  await store.undoOrRedo(name, 2, 'window abcd', 'undo');
  const history = new History(store, now);
  const { lines, earliest } = await history.lines(name, {});
  expect(earliest).toBe(0);
  expect(lines.map(({ label, kind, author, blocks }) => [label, kind, author, blocks])).toEqual([
    ['Name the lamp', 'undo', 'window abcd', ['lamp']],
    ['Name the lamp', 'edit', 'a test', ['lamp']],
    ['Harder', 'edit', 'a test', ['bank']],
  ]);
  const ofBank = await history.lines(name, { block: 'bank' });
  expect(ofBank.lines.map(({ revision }) => revision)).toEqual([1]);
  expect((await history.lines(name, { before: 2 })).lines.map(({ revision }) => revision)).toEqual([
    1,
  ]);
  expect((await history.lines(name, { block: 'ban' })).lines).toEqual([]);
});

const bounds = { ...historyBounds, steps: 20, atLeast: 5, every: 10, checkpoints: 4 };

test('beyond its bounds the log is folded: what is kept can be looked at, and undone', async () => {
  const history = new History(store, now, bounds);
  const mods: Mod[] = [(await store.mod(name)).mod];
  for (let round = 1; round <= 9; round += 1) {
    for (let i = 1; i <= 10; i += 1) {
      await edit(hardness, round * 100 + i);
      mods.push((await store.mod(name)).mod);
      if (round === 2 && i === 4) await history.namePoint(name, 14, 'before the gate was redrawn');
    }
    await history.fold(name);
  }
  const { earliest, points, lines } = await history.lines(name, {});
  expect(earliest).toBe(70);
  expect(lines.at(-1)?.revision).toBe(71);
  const named = points.filter((point) => point.name !== null);
  expect(named).toMatchObject([{ revision: 14, name: 'before the gate was redrawn' }]);
  for (const { revision } of points)
    expect(sameData(await history.modAt(name, revision), mods[revision])).toBe(true);
  for (let revision = earliest; revision <= 90; revision += 1)
    expect(sameData(await history.modAt(name, revision), mods[revision])).toBe(true);
  expect(points.length).toBeLessThanOrEqual(bounds.checkpoints + 2 + named.length + 2);
  await expect(history.modAt(name, 13)).rejects.toThrow('no longer kept');
  for (let i = 0; i < 20; i += 1)
    await store.undoOrRedo(name, (await store.mod(name)).revision, 'a test', 'undo');
  expect(sameData((await store.mod(name)).mod, mods[70])).toBe(true);
  expect((await store.mod(name)).undo).toBeUndefined();
  await history.namePoint(name, 14, null);
  expect((await history.lines(name, {})).points.find(({ revision }) => revision === 14)?.name).toBe(
    null,
  );
});

test('old steps go by their age, but for the last few; a release stays', async () => {
  const history = new History(store, now, { ...bounds, steps: 1000 });
  await editOften(8);
  await edit('/ledger/releases', [
    { version: '0.1.0', on: '2026-11-27', counts: { groups: 1, blocks: 2, items: 0 } },
  ]);
  await editOften(6);
  const released = await history.modAt(name, 9);
  clock = new Date('2028-01-01T09:00:00Z');
  await history.fold(name);
  const { earliest, points } = await history.lines(name, {});
  expect(earliest).toBe(10);
  expect(points).toContainEqual({
    revision: 9,
    name: 'Release 0.1.0',
    time: '2026-11-27T09:00:00.000Z',
  });
  expect(sameData(await history.modAt(name, 9), released)).toBe(true);
});

const edits = (many: number) => Array<'edit'>(many).fill('edit');
const undoneAndDoneAgain = [
  ...(['undo', 'undo', 'redo', 'redo', 'redo', 'undo'] as const),
  ...(['redo', 'redo', 'undo', 'redo'] as const),
];

test('a step that an undo is about is not folded away without it', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.array(fc.constantFrom('edit', 'edit', 'undo', 'redo'), { minLength: 10, maxLength: 40 }),
      async (steps) => {
        const data = mkdtempSync(path.join(os.tmpdir(), 'obrank-folding-'));
        const own = new Store(await openDatabase(data), now);
        await own.addMod({ ...sampleMod(), textures: {} }, new Map());
        const history = new History(own, now, { ...bounds, steps: 6 });
        const undoAll = async () => {
          for (let held = await own.mod(name); held.undo; held = await own.mod(name))
            await own.undoOrRedo(name, held.revision, 'a test', 'undo');
        };
        for (const [i, step] of steps.entries()) {
          const { revision, mod, undo, redo } = await own.mod(name);
          const changes = [{ path: hardness, before: valueAt(mod, hardness), after: i + 1 }];
          if (step === 'edit') await own.edit(name, revision, 'a test', { label: 'Edit', changes });
          else if ({ undo, redo }[step]) await own.undoOrRedo(name, revision, 'a test', step);
          if (i % 7 === 6) await history.fold(name);
        }
        await undoAll();
        await own.close();
        rmSync(data, { recursive: true, force: true });
      },
    ),
    {
      numRuns: 15,
      // Undone as far as the log goes: what undo would take is folded away.
      examples: [
        [[...edits(10), 'undo', 'undo', 'edit', 'undo']],
        [[...edits(6), ...undoneAndDoneAgain, ...edits(10)]],
      ],
    },
  );
}, 120_000);

test('a block that was removed is brought back as one edit', async () => {
  await edit('/blocks/bank', undefined, 'Remove the bank');
  await edit('/blocks/lamp/traits/hardness', 4);
  const history = new History(store, now);
  const logged = await history.bringBack(name, 2, 'a test', { block: 'bank', revision: 0 });
  expect(logged.label).toBe('Bring bank back as it was at revision 0');
  expect((await store.mod(name)).mod.blocks['bank']).toEqual(sampleMod().blocks['bank']);
  expect((await store.mod(name)).mod.blocks['lamp']!.traits.hardness).toBe(4);
  const again = history.bringBack(name, 3, 'a test', { block: 'bank', revision: 0 });
  await expect(again).rejects.toThrow('as it was then');
  const none = history.bringBack(name, 3, 'a test', { block: 'reed', revision: 0 });
  await expect(none).rejects.toThrow('no block called reed');
});

test('a picture goes once nothing can reach it, and not before', async () => {
  const pngs = [1, 2, 3].map((seed) => encodePicture(basePicture('#8a5a2e', 16, seed)));
  const pictures: Picture[] = [];
  for (const png of pngs) pictures.push(await store.addPicture(png));
  const held = async (i: number) => (await store.blob(pictures[i]!.sha256)) !== undefined;
  const collect = () => store.transact((manager) => collectBlobs(manager, now()));
  expect(await collect()).toBe(0);
  await edit('/textures/sand', { picture: pictures[0] });
  await edit('/textures/silt', { picture: pictures[1] });
  await edit('/textures/silt', undefined);
  clock = new Date('2026-12-01T09:00:00Z');
  // The first is shown, the second can be had back by undoing, the third is nobody's.
  expect(await collect()).toBe(1);
  expect([await held(0), await held(1), await held(2)]).toEqual([true, true, false]);
  // Kept whole at a point of the history it stays, even when the log is gone.
  const history = new History(store, now, { ...bounds, steps: 1, atLeast: 0 });
  await history.namePoint(name, 2, 'with silt');
  await editOften(4);
  await history.fold(name);
  expect(await collect()).toBe(0);
  await history.namePoint(name, 2, null);
  await store.transact((manager) => manager.query('DELETE FROM points WHERE revision = 2'));
  expect(await collect()).toBe(1);
  expect([await held(0), await held(1)]).toEqual([true, false]);
});
