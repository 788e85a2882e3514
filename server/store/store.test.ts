import { afterEach, beforeEach, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import Sqlite from 'better-sqlite3';
import type { DataSource } from 'typeorm';
import os from 'node:os';
import path from 'node:path';
import { sampleMod } from '../../core/inspect/sample.ts';
import { valueAt } from '../../core/json/index.ts';
import { emptyMod, type Mod } from '../../core/mod/index.ts';
import { basePicture, encodePicture } from '../../core/textures/index.ts';
import { Problem } from '../problem.ts';
import { openDatabase } from './database.ts';
import { EntryTable } from './tables.ts';
import { storageProblem } from './transaction.ts';
import { Store } from './store.ts';

let folder: string;
let store: Store;
const open = async () =>
  new Store(await openDatabase(folder), () => new Date('2026-11-23T12:00:00Z'));
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
  return store.edit('saltmarsh', revision, 'a test', {
    label,
    changes: [{ path: at, before: valueAt(mod, at), after }],
  });
};
const refused = async (work: Promise<unknown>): Promise<Problem> => {
  const error = await work.then(
    () => undefined,
    (thrown: unknown) => thrown,
  );
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
  expect(undo?.revision).toBe(3);
  expect(await store.names()).toEqual([
    {
      name: 'saltmarsh',
      title: 'Salt Marsh',
      revision: 3,
      blocks: 1,
      changed: '2026-11-23T12:00:00.000Z',
    },
  ]);
});

test('of fifty writes at one revision exactly one is taken, the others are told of it', async () => {
  const { revision } = await store.mod('saltmarsh');
  const writes = await Promise.allSettled(
    Array.from({ length: 50 }, (_, i) =>
      store.edit('saltmarsh', revision, `window ${i}`, {
        label: 'At once',
        changes: [{ path: '/blocks/lamp/traits/hardness', after: i + 1 }],
      }),
    ),
  );
  expect(writes.filter((write) => write.status === 'fulfilled')).toHaveLength(1);
  for (const write of writes)
    if (write.status === 'rejected')
      expect(write.reason).toMatchObject({
        status: 412,
        more: { revision: revision + 1, edits: [expect.objectContaining({ label: 'At once' })] },
      });
  expect(await store.log('saltmarsh', 0)).toHaveLength(1);
});

test('a step that changes nothing is still logged, so that revisions never disagree', async () => {
  const logged = await edit('/blocks/lamp/traits/hardness', undefined);
  expect(logged).toMatchObject({ revision: 1, changes: [] });
});

test('an edit that fails half-way writes nothing at all', async () => {
  const { mod, revision } = await store.mod('saltmarsh');
  const changes = [
    { path: '/blocks/lamp/traits/hardness', after: 4 },
    { path: '/blocks/bank/traits/gated', after: 'no' },
  ];
  expect(
    await refused(store.edit('saltmarsh', revision, 'a test', { label: 'x', changes })),
  ).toMatchObject({ status: 422, more: { errors: [{ pointer: '/blocks/bank/traits/gated' }] } });
  await reopen();
  expect((await store.mod('saltmarsh')).mod).toEqual(mod);
  expect(await store.log('saltmarsh', 0)).toEqual([]);
});

test('undo and redo over any edits are a walk along a line of states, also across restarts', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.array(
        fc.oneof(
          fc.integer({ min: 1, max: 9 }),
          fc.constantFrom('undo' as const, 'redo' as const, 'reopen' as const),
        ),
        { maxLength: 10 },
      ),
      async (acts) => {
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
            const walk = store.undoOrRedo('saltmarsh', revision, 'a test', act);
            if (possible) await walk;
            else expect(await refused(walk)).toMatchObject({ status: 409 });
            if (possible) here += act === 'undo' ? -1 : 1;
          }
          expect((await store.mod('saltmarsh')).mod.blocks['lamp']!.traits.hardness).toBe(
            line[here],
          );
        }
      },
    ),
    { numRuns: 12 },
  );
}, 60_000);

test('the log only grows: an undo is a line of its own that names what it takes back', async () => {
  await edit('/blocks/lamp/traits/hardness', 4, 'Harder');
  await store.undoOrRedo('saltmarsh', 1, 'a test', 'undo');
  await store.undoOrRedo('saltmarsh', 2, 'a test', 'redo');
  expect(
    (await store.log('saltmarsh', 0)).map(({ kind, stepRevision, label, changes }) => [
      kind,
      stepRevision,
      label,
      changes[0]!.after,
    ]),
  ).toEqual([
    ['edit', null, 'Harder', 4],
    ['undo', 1, 'Harder', undefined],
    ['redo', 1, 'Harder', 4],
  ]);
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

test(
  "pictures are kept once by their digest, and a mod's texture must say the truth about " + 'them',
  async () => {
    const png = encodePicture(basePicture('#8d8d86', 16, 1));
    const picture = await store.addPicture(png);
    expect(await store.addPicture(png)).toEqual(picture);
    await edit('/textures/silt', { picture });
    expect(
      await refused(edit('/textures/lie', { picture: { ...picture, width: 32 } })),
    ).toMatchObject({ status: 422 });
    expect(Buffer.from((await store.blobsOf([picture.sha256])).get(picture.sha256)!)).toEqual(
      Buffer.from(png),
    );
    expect(await store.blob('0'.repeat(64))).toBeUndefined();
    expect(await refused(store.addPicture(new Uint8Array(9)))).toMatchObject({ status: 422 });
  },
);

test.each([
  ['/header/namespace', 'Other mod'],
  ['/words/english', { texts: {} }],
  ['/models/a b', {}],
  ['/blocks/x/y/z', 1],
  ['/header', undefined],
])('an edit of %s to %j is refused', async (at, after) => {
  expect((await refused(edit(at, after))).status).toBe(422);
});

test('mods do not know of each other', async () => {
  await store.addMod(emptyMod('eel_creek', 'Eel creek'), new Map());
  await edit('/blocks/lamp/traits/hardness', 4);
  expect((await store.mod('eel_creek')).revision).toBe(0);
  expect(await refused(store.addMod(emptyMod('eel_creek', 'Again'), new Map()))).toMatchObject({
    status: 409,
  });
  expect(await refused(store.mod('nothing'))).toMatchObject({ status: 404 });
});

test('a mod in the bin is not there, is brought back whole, and goes for good after thirty days', async () => {
  await store.addMod(emptyMod('eel_creek', 'Eel creek'), new Map());
  await edit('/blocks/lamp/traits/hardness', 4);
  await store.remove('saltmarsh');
  await store.remove('eel_creek');
  expect((await refused(store.mod('saltmarsh'))).message).toMatch(/lies in the bin/);
  expect((await refused(store.addMod(plainMod(), new Map()))).message).toMatch(/lies in the bin/);
  expect((await store.names()).map(({ removed }) => removed)).toEqual([
    '2026-11-23T12:00:00.000Z',
    '2026-11-23T12:00:00.000Z',
  ]);
  await store.restore('saltmarsh');
  expect((await store.mod('saltmarsh')).undo?.label).toBe('Edit');
  const later = async (days: number) => {
    await store.close();
    const now = new Date(Date.parse('2026-11-23T12:00:01Z') + days * 86_400_000);
    store = new Store(await openDatabase(folder), () => now);
    await store.emptyBin();
    return (await store.names()).map(({ name }) => name);
  };
  expect(await later(29)).toEqual(['eel_creek', 'saltmarsh']);
  expect(await later(30)).toEqual(['saltmarsh']);
  // Put there once more, somebody may not want to wait.
  await store.remove('saltmarsh');
  await store.remove('saltmarsh');
  expect(await store.names()).toEqual([]);
  expect(await refused(store.remove('saltmarsh'))).toMatchObject({ status: 404 });
  await store.addMod(plainMod(), new Map());
});

test('what was built last is remembered', async () => {
  await edit('/blocks/lamp/traits/hardness', 4);
  const { mod } = await store.mod('saltmarsh');
  expect(await store.baseline('saltmarsh')).toEqual({
    revision: 0,
    isBuilt: false,
    mod: plainMod(),
  });
  await store.noteBuilt('saltmarsh', 1, mod);
  await edit('/blocks/lamp/traits/hardness', 5);
  await reopen();
  expect((await store.mod('saltmarsh')).built).toBe(1);
  expect(await store.baseline('saltmarsh')).toEqual({ revision: 1, isBuilt: true, mod });
});

test('where nothing was kept of the last build it is worked out from the log', async () => {
  const { mod } = await store.mod('saltmarsh');
  for (const hardness of [4, 5, 6]) await edit('/blocks/lamp/traits/hardness', hardness);
  await store.close();
  const database = new Sqlite(path.join(folder, 'obrank.sqlite'));
  database.exec('DELETE FROM snapshots');
  database.close();
  store = await open();
  const worked = await store.baseline('saltmarsh');
  expect(worked).toEqual({ revision: 0, isBuilt: false, mod });
  await reopen();
  expect(await store.baseline('saltmarsh')).toEqual(worked);
});

test('what an earlier edition wrote is brought forward: entries, the log, undo and the last build', async () => {
  await edit('/blocks/lamp/identity/natural', undefined, 'The world has no lamps');
  const { mod } = await store.mod('saltmarsh');
  await store.close();
  const database = new Sqlite(path.join(folder, 'obrank.sqlite'));
  for (const [table, column] of [
    ['entries', 'document'],
    ['edits', 'changes'],
    ['snapshots', 'document'],
  ])
    database.exec(
      `UPDATE ${table} SET edition = 1, ${column} = replace(${column}, 'natural', 'found')`,
    );
  database.exec(`UPDATE entries SET document = json_remove(document, '$.edition')`);
  database.close();
  store = await open();
  const brought = await store.mod('saltmarsh');
  expect(brought).toMatchObject({ unfit: [], undo: { label: 'The world has no lamps' } });
  expect(brought.mod).toEqual(mod);
  expect((await store.log('saltmarsh', 0))[0]?.changes[0]?.path).toBe(
    '/blocks/lamp/identity/natural',
  );
  expect((await store.baseline('saltmarsh')).mod.blocks['bank']?.identity.natural).toBe(true);
  await store.undoOrRedo('saltmarsh', 1, 'a test', 'undo');
  expect((await store.mod('saltmarsh')).mod.blocks['lamp']).toEqual(plainMod().blocks['lamp']);
});

test('what was built last is said to be unknown where the log cannot be taken back', async () => {
  await edit('/blocks/lamp/traits/hardness', 4);
  await store.close();
  const database = new Sqlite(path.join(folder, 'obrank.sqlite'));
  database.exec("DELETE FROM snapshots; UPDATE entries SET document = '{' WHERE name = 'lamp'");
  database.close();
  store = await open();
  expect(await refused(store.baseline('saltmarsh'))).toMatchObject({ status: 409 });
  await store.noteBuilt('saltmarsh', 1, (await store.mod('saltmarsh')).mod);
  expect(await store.baseline('saltmarsh')).toMatchObject({ revision: 1, isBuilt: true });
});

test('an entry of a newer edition is kept as it is and left out, with the reason', async () => {
  await store.close();
  const database = new Sqlite(path.join(folder, 'obrank.sqlite'));
  database.exec("UPDATE entries SET edition = 999 WHERE kind = 'blocks' AND name = 'lamp'");
  database.close();
  store = await open();
  const { unfit, mod } = await store.mod('saltmarsh');
  expect(unfit).toEqual([
    { kind: 'blocks', name: 'lamp', message: expect.stringMatching(/newer Obrank \(edition 999/) },
  ]);
  expect(mod.blocks['lamp']).toBeUndefined();
});

test(
  'items, recipes, loot tables, tags and releases are entries like all others: kept, ' +
    'taken back, refused when they do not fit',
  async () => {
    await edit('/items/salt', { names: { en: 'Salt' }, stack: 16, natural: true });
    await edit('/lootTables/finds', {
      draws: [
        {
          times: { tries: 2, chance: 0.5 },
          lots: [
            {
              give: 'saltmarsh:salt',
              when: { any: [{ blast: true }, { not: { careful: true } }] },
            },
          ],
        },
      ],
    });
    await edit(
      '/recipes/lamp',
      { kind: 'cut', takes: 'saltmarsh:bank', choices: [{ gives: 'saltmarsh:lamp', count: 2 }] },
      'Cut lamps',
    );
    await edit('/ledger/releases', [
      {
        version: '0.1.0',
        on: '2026-11-23',
        counts: { groups: 1, blocks: 2, items: 0 },
        entries: [],
      },
    ]);
    await reopen();
    const { mod } = await store.mod('saltmarsh');
    expect(mod.items['salt']).toMatchObject({ stack: 16, natural: true });
    expect(mod.lootTables['finds']!.draws[0]!.lots[0]!.when).toEqual({
      any: [{ blast: true }, { not: { careful: true } }],
    });
    expect(mod.recipes['lamp']).toMatchObject({ kind: 'cut' });
    expect(mod.ledger.releases![0]!.version).toBe('0.1.0');
    for (const [at, after] of [
      ['/recipes/stew', { kind: 'stew' }],
      ['/lootTables/odd', { draws: [{ times: 1, lots: [{ give: 'a:b', table: 'a:c' }] }] }],
      ['/lootTables/Odd name', { draws: [] }],
      ['/items/salt/stack', 0],
    ] as const)
      expect((await refused(edit(at, after))).status).toBe(422);
    const { revision } = await store.mod('saltmarsh');
    await store.undoOrRedo('saltmarsh', revision, 'a test', 'undo');
    expect((await store.mod('saltmarsh')).mod.ledger.releases).toBeUndefined();
  },
);

const sourceOf = (of: Store): DataSource => (of as unknown as { source: DataSource }).source;
/** The connection under the store. */
const connectionOf = (of: Store): Sqlite.Database =>
  (sourceOf(of).driver as unknown as { databaseConnection: Sqlite.Database }).databaseConnection;

test(
  'on a full disk nothing is acknowledged and nothing is lost: what was answered before ' +
    'and after is there after a restart',
  async () => {
    const connection = connectionOf(store);
    await edit('/blocks/lamp/traits/hardness', 2);
    const [{ page_count: pages }] = connection.pragma('page_count') as [{ page_count: number }];
    connection.pragma(`max_page_count = ${pages}`);
    const long = 'x'.repeat(4000);
    const failed = await edit('/blocks/lamp/identity/note', long).then(
      () => undefined,
      (error: unknown) => storageProblem(error),
    );
    expect(failed).toMatchObject({
      status: 507,
      message: expect.stringMatching(/disk .* is full.*nothing of this was saved/),
    });
    expect(connection.inTransaction).toBe(false);
    expect((await store.mod('saltmarsh')).revision).toBe(1);
    connection.pragma('max_page_count = 1000000');
    for (let value = 3; value < 8; value += 1) await edit('/blocks/lamp/traits/hardness', value);
    await reopen();
    expect(await store.mod('saltmarsh')).toMatchObject({
      revision: 6,
      mod: { blocks: { lamp: { traits: { hardness: 7 } } } },
    });
  },
);

test(
  'a commit that fails, as on a full disk, is not taken for done, and the next edit is ' +
    'really on disk',
  async () => {
    const connection = connectionOf(store);
    const { exec } = connection;
    let isFull = true;
    // What SQLite does when the log cannot grow: it rolls back by itself, and the commit fails.
    connection.exec = function (this: Sqlite.Database, sql: string) {
      if (sql !== 'COMMIT' || !isFull) return exec.call(this, sql);
      exec.call(this, 'ROLLBACK');
      throw new Sqlite.SqliteError('database or disk is full', 'SQLITE_FULL');
    };
    await expect(edit('/blocks/lamp/traits/hardness', 2)).rejects.toThrow(/disk is full/);
    await expect(edit('/blocks/lamp/traits/hardness', 2)).rejects.toThrow(/disk is full/);
    isFull = false;
    await edit('/blocks/lamp/traits/hardness', 3);
    await reopen();
    expect(await store.mod('saltmarsh')).toMatchObject({
      revision: 1,
      mod: { blocks: { lamp: { traits: { hardness: 3 } } } },
    });
  },
);

test(
  'readers of a mod that is not loaded yet and a writer at the same time hold one and ' +
    'the same mod',
  async () => {
    for (let turn = 0; turn < 40; turn += 1) {
      await reopen();
      const { revision } = await store.mod('saltmarsh');
      await reopen();
      const write = store.edit('saltmarsh', revision, 'a test', {
        label: 'x',
        changes: [
          {
            path: '/header/title',
            before: turn === 0 ? 'Saltmarsh' : `Title ${turn - 1}`,
            after: `Title ${turn}`,
          },
        ],
      });
      for (let ticks = 0; ticks < turn % 8; ticks += 1) await Promise.resolve();
      const reads = await Promise.all([store.mod('saltmarsh'), store.mod('saltmarsh')]);
      await write;
      const held = await store.mod('saltmarsh');
      expect([held.revision, held.mod.header.title, ...reads.map((read) => read === held)]).toEqual(
        [turn + 1, `Title ${turn}`, true, true],
      );
    }
  },
);

test('a zero that was written as -0 can be taken back, also after a restart', async () => {
  await edit('/blocks/lamp/traits/hardness', -0);
  const undo = async () =>
    store.undoOrRedo('saltmarsh', (await store.mod('saltmarsh')).revision, 'a test', 'undo');
  await undo();
  await edit('/blocks/lamp/traits/hardness', -0);
  await reopen();
  await undo();
  expect((await store.mod('saltmarsh')).mod.blocks['lamp']!.traits.hardness).toBeUndefined();
});

test(
  'an entry that does not fit is left out and kept: it is told of, cannot be ' +
    'overwritten, and is there afterwards as it was',
  async () => {
    const document = '{ "identity": { "colour": 3 } }';
    await sourceOf(store)
      .getRepository(EntryTable)
      .update({ kind: 'blocks', name: 'lamp' }, { document });
    await sourceOf(store).getRepository(EntryTable).insert({
      mod: 'saltmarsh',
      kind: 'spells',
      name: 'x',
      document: '{}',
      revision: 0,
      edition: 2,
    });
    await sourceOf(store).getRepository(EntryTable).insert({
      mod: 'saltmarsh',
      kind: 'items',
      name: 'x',
      document: '{',
      revision: 0,
      edition: 2,
    });
    await reopen();
    const { mod, unfit } = await store.mod('saltmarsh');
    expect(Object.keys(mod.blocks)).toEqual(['bank']);
    expect(unfit.map(({ kind, name, message }) => [`${kind}/${name}`, message])).toEqual([
      ['blocks/lamp', expect.stringMatching(/colour/)],
      ['items/x', expect.stringMatching(/cannot be read as JSON/)],
      ['spells/x', 'Nothing of that kind is known.'],
    ]);
    expect(await refused(edit('/blocks/lamp', { identity: {} }))).toMatchObject({
      status: 422,
      message: expect.stringMatching(/kept as it is/),
    });
    await edit('/header/title', 'Salt');
    expect(
      (
        await sourceOf(store)
          .getRepository(EntryTable)
          .findOneByOrFail({ kind: 'blocks', name: 'lamp' })
      ).document,
    ).toBe(document);
  },
);

const file = () => path.join(folder, 'obrank.sqlite');
/** Tries to open the database, and proves that not a byte of it has changed. */
async function refusal(): Promise<string> {
  const before = readFileSync(file());
  const why = await openDatabase(folder).then(
    () => 'opened',
    (error: unknown) => String(error),
  );
  expect(readFileSync(file()).equals(before)).toBe(true);
  return why;
}

test(
  "a database that is damaged, newer or another program's is refused in a sentence, and " +
    'nothing of it is written',
  async () => {
    await store.close();
    const whole = readFileSync(file());
    writeFileSync(
      file(),
      'This is a diary, not a database, and it is long enough to be one. '.repeat(40),
    );
    expect(await refusal()).toMatch(/DiskProblem: .* is damaged/);
    writeFileSync(
      file(),
      Buffer.concat([whole.subarray(0, 4096), Buffer.alloc(whole.length - 4096, 0x5a)]),
    );
    expect(await refusal()).toMatch(/DiskProblem: .* is damaged/);
    writeFileSync(file(), whole);
    const newer = new Sqlite(file());
    newer
      .prepare('INSERT INTO migrations (timestamp, name) VALUES (?, ?)')
      .run(1_900_000_000_000, 'Later1900000000000');
    newer.close();
    expect(await refusal()).toMatch(/written by a newer Obrank.*Later1900000000000/);
    rmSync(file());
    const other = new Sqlite(file());
    other.exec('CREATE TABLE songs (title TEXT)');
    other.close();
    expect(await refusal()).toMatch(/database of another program/);
    writeFileSync(file(), whole);
    store = await open();
    expect((await store.mod('saltmarsh')).revision).toBe(0);
    await expect(openDatabase(folder)).rejects.toThrow(/in use by another Obrank/);
  },
);
