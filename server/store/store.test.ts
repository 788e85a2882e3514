import { afterEach, beforeEach, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { sampleMod } from '../../core/inspect/sample.ts';
import { valueAt } from '../../core/json/index.ts';
import { emptyMod, type Mod } from '../../core/mod/index.ts';
import { basePicture, encodePicture } from '../../core/textures/index.ts';
import { Problem } from '../problem.ts';
import { openDatabase } from './database.ts';
import { Store } from './store.ts';

let folder: string;
let store: Store;
const open = async () => new Store(await openDatabase(folder), () => new Date('2026-11-23T12:00:00Z'));
/** The sample mod without textures: those must have been uploaded first. */
const plainMod = (): Mod => ({ ...sampleMod(), textures: {} });
beforeEach(async () => {
  folder = mkdtempSync(path.join(os.tmpdir(), 'obrank-store-'));
  store = await open();
  await store.addMod(plainMod(), new Map());
});
afterEach(async () => {
  await store.close();
  rmSync(folder, { recursive: true, force: true });
});
const reopen = async () => {
  await store.close();
  store = await open();
};
const edit = async (at: string, after: unknown, label = 'Edit') => {
  const { mod, revision } = await store.mod('saltmarsh');
  return store.edit('saltmarsh', revision, 'a test', { label, changes: [{ path: at, before: valueAt(mod, at), after }] });
};
const refused = async (work: Promise<unknown>): Promise<Problem> => {
  const error = await work.then(() => undefined, (thrown: unknown) => thrown);
  expect(error).toBeInstanceOf(Problem);
  return error as Problem;
};

test('a mod is the same after the database was closed and opened', async () => {
  await edit('/blocks/lamp/traits/hardness', 4);
  await edit('/blocks/bank', undefined);
  await edit('/header/title', 'Salt Marsh');
  const before = (await store.mod('saltmarsh')).mod;
  await reopen();
  const { mod, revision, undo } = await store.mod('saltmarsh');
  expect(mod).toEqual(before);
  expect(mod.blocks['bank']).toBeUndefined();
  expect(revision).toBe(3);
  expect(undo.map((step) => step.revision)).toEqual([1, 2, 3]);
  expect(await store.names()).toEqual([{ name: 'saltmarsh', title: 'Salt Marsh', revision: 3 }]);
});

test('of fifty writes at one revision exactly one is taken, the others are told of it', async () => {
  const { revision } = await store.mod('saltmarsh');
  const writes = await Promise.allSettled(Array.from({ length: 50 }, (_, i) => store.edit('saltmarsh', revision, `window ${i}`, { label: 'At once', changes: [{ path: '/blocks/lamp/traits/hardness', after: i + 1 }] })));
  expect(writes.filter((write) => write.status === 'fulfilled')).toHaveLength(1);
  for (const write of writes) if (write.status === 'rejected') expect(write.reason).toMatchObject({ status: 412, more: { revision: revision + 1, edits: [expect.objectContaining({ label: 'At once' })] } });
  expect((await store.log('saltmarsh', 0))).toHaveLength(1);
});

test('a step that changes nothing is still logged, so that revisions never disagree', async () => {
  const logged = await edit('/blocks/lamp/traits/hardness', undefined);
  expect(logged).toMatchObject({ revision: 1, changes: [] });
});

test('an edit that fails half-way writes nothing at all', async () => {
  const { mod, revision } = await store.mod('saltmarsh');
  const changes = [{ path: '/blocks/lamp/traits/hardness', after: 4 }, { path: '/blocks/bank/traits/gated', after: 'no' }];
  expect(await refused(store.edit('saltmarsh', revision, 'a test', { label: 'x', changes }))).toMatchObject({ status: 422, more: { errors: [{ pointer: '/blocks/bank/traits/gated' }] } });
  await reopen();
  expect((await store.mod('saltmarsh')).mod).toEqual(mod);
  expect(await store.log('saltmarsh', 0)).toEqual([]);
});

test('undo and redo over any edits are a walk along a line of states, also across restarts', async () => {
  await fc.assert(fc.asyncProperty(fc.array(fc.oneof(fc.integer({ min: 1, max: 9 }), fc.constantFrom('undo' as const, 'redo' as const, 'reopen' as const)), { maxLength: 10 }), async (acts) => {
    await store.close();
    rmSync(folder, { recursive: true, force: true });
    store = await open();
    await store.addMod(plainMod(), new Map());
    const line: unknown[] = [undefined];
    let here = 0;
    for (const act of acts) {
      if (act === 'reopen') await reopen();
      else if (typeof act === 'number') {
        await edit('/blocks/lamp/traits/hardness', act);
        line.splice(here + 1, Infinity, act);
        here += 1;
      } else {
        const possible = act === 'undo' ? here > 0 : here < line.length - 1;
        const { revision } = await store.mod('saltmarsh');
        const walk = store.travel('saltmarsh', revision, 'a test', act);
        if (possible) await walk;
        else expect(await refused(walk)).toMatchObject({ status: 409 });
        if (possible) here += act === 'undo' ? -1 : 1;
      }
      expect((await store.mod('saltmarsh')).mod.blocks['lamp']!.traits.hardness).toBe(line[here]);
    }
  }), { numRuns: 12 });
}, 60_000);

test('the log only grows: an undo is a line of its own that names what it takes back', async () => {
  await edit('/blocks/lamp/traits/hardness', 4, 'Harder');
  await store.travel('saltmarsh', 1, 'a test', 'undo');
  await store.travel('saltmarsh', 2, 'a test', 'redo');
  expect((await store.log('saltmarsh', 0)).map(({ kind, of, label, changes }) => [kind, of, label, changes[0]!.after])).toEqual([['edit', null, 'Harder', 4], ['undo', 1, 'Harder', undefined], ['redo', 1, 'Harder', 4]]);
  expect((await store.log('saltmarsh', 1)).map((line) => line.revision)).toEqual([2, 3]);
});

test('whoever listens hears of every edit once, and no more after stopping', async () => {
  const heard: number[] = [];
  const stop = store.listen('saltmarsh', ({ revision }) => heard.push(revision));
  await edit('/blocks/lamp/traits/hardness', 4);
  await edit('/blocks/lamp/traits/hardness', 5);
  stop();
  await edit('/blocks/lamp/traits/hardness', 6);
  expect(heard).toEqual([1, 2]);
});

test('pictures are kept once by their digest, and a mod\'s texture must say the truth about them', async () => {
  const png = encodePicture(basePicture('#8d8d86', 16, 1));
  const picture = await store.addPicture(png);
  expect(await store.addPicture(png)).toEqual(picture);
  await edit('/textures/silt', { picture });
  expect(await refused(edit('/textures/lie', { picture: { ...picture, width: 32 } }))).toMatchObject({ status: 422 });
  expect(Buffer.from((await store.blobsOf((await store.mod('saltmarsh')).mod))(picture.sha256))).toEqual(Buffer.from(png));
  expect(await store.blob('0'.repeat(64))).toBeUndefined();
  expect(await refused(store.addPicture(new Uint8Array(9)))).toMatchObject({ status: 422 });
});

test.each([['/header/namespace', 'other'], ['/words/english', { texts: {} }], ['/models/a b', {}], ['/blocks/x/y/z', 1], ['/header', undefined]])('an edit of %s to %j is refused', async (at, after) => {
  expect((await refused(edit(at, after))).status).toBe(422);
});

test('mods do not know of each other', async () => {
  await store.addMod(emptyMod('eel_creek', 'Eel creek'), new Map());
  await edit('/blocks/lamp/traits/hardness', 4);
  expect((await store.mod('eel_creek')).revision).toBe(0);
  expect(await refused(store.addMod(emptyMod('eel_creek', 'Again'), new Map()))).toMatchObject({ status: 409 });
  expect(await refused(store.mod('nothing'))).toMatchObject({ status: 404 });
});

test('what was built last is remembered', async () => {
  await edit('/blocks/lamp/traits/hardness', 4);
  await store.noteBuilt('saltmarsh', 1);
  await reopen();
  expect((await store.mod('saltmarsh')).built).toBe(1);
});

test('items, recipes, loot tables, tags and releases are entries like all others: kept, taken back, refused when they do not fit', async () => {
  await edit('/items/salt', { names: { en: 'Salt' }, stack: 16, found: true });
  await edit('/lootTables/finds', { draws: [{ times: { tries: 2, chance: 0.5 }, lots: [{ give: 'saltmarsh:salt', when: { any: [{ blast: true }, { not: { careful: true } }] } }] }] });
  await edit('/recipes/lamp', { kind: 'cut', takes: 'saltmarsh:bank', choices: [{ gives: 'saltmarsh:lamp', count: 2 }] }, 'Cut lamps');
  await edit('/ledger/releases', [{ version: '0.1.0', on: '2026-11-23', counts: { groups: 1, blocks: 2, items: 0 }, entries: [] }]);
  await reopen();
  const { mod } = await store.mod('saltmarsh');
  expect(mod.items['salt']).toMatchObject({ stack: 16, found: true });
  expect(mod.lootTables['finds']!.draws[0]!.lots[0]!.when).toEqual({ any: [{ blast: true }, { not: { careful: true } }] });
  expect(mod.recipes['lamp']).toMatchObject({ kind: 'cut' });
  expect(mod.ledger.releases![0]!.version).toBe('0.1.0');
  for (const [at, after] of [['/recipes/stew', { kind: 'stew' }], ['/lootTables/odd', { draws: [{ times: 1, lots: [{ give: 'a:b', table: 'a:c' }] }] }], ['/lootTables/Odd name', { draws: [] }], ['/items/salt/stack', 0]] as const)
    expect((await refused(edit(at, after))).status).toBe(422);
  const { revision } = await store.mod('saltmarsh');
  await store.travel('saltmarsh', revision, 'a test', 'undo');
  expect((await store.mod('saltmarsh')).mod.ledger.releases).toBeUndefined();
});
