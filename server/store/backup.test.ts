import { afterEach, beforeEach, expect, test } from '@jest/globals';
import Sqlite from 'better-sqlite3';
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { sampleMod } from '../../core/inspect/sample.ts';
import { restoreFrom } from './backup.ts';
import { openDatabase } from './database.ts';
import { noteRunning, runningAt } from './running.ts';
import { Store } from './store.ts';

let root: string;
let store: Store;
const now = new Date('2026-11-27T12:00:00Z');
const at = (...parts: string[]) => path.join(root, ...parts);
const open = async (folder = 'data') => new Store(await openDatabase(at(folder)));
const edit = async (own: Store, after: number) => {
  const { mod, revision } = await own.mod('saltmarsh');
  const before = mod.blocks['bank']!.traits.hardness;
  const changes = [{ path: '/blocks/bank/traits/hardness', before, after }];
  await own.edit('saltmarsh', revision, 'a test', { label: 'Edit', changes });
};
const hardness = async (own: Store) =>
  (await own.mod('saltmarsh')).mod.blocks['bank']!.traits.hardness;

beforeEach(async () => {
  root = mkdtempSync(path.join(os.tmpdir(), 'obrank-backup-'));
  store = await open();
  await store.addMod({ ...sampleMod(), textures: {} }, new Map());
});
afterEach(async () => {
  await store.close().catch(() => undefined);
  rmSync(root, { recursive: true, force: true });
});

test('a backup made in the middle of work holds what was acknowledged, and comes back', async () => {
  await edit(store, 4);
  await Promise.all([store.backup(at('copy')), edit(store, 5)]);
  await edit(store, 6);
  await store.close();
  const aside = await restoreFrom(at('copy'), at('data'), now);
  expect(aside).toBe(at('data', 'obrank-before-2026-11-27T12-00-00-000Z.sqlite'));
  store = await open();
  expect(await hardness(store)).toBe(4);
  expect((await store.mod('saltmarsh')).undo?.label).toBe('Edit');
  // What was there before is whole, too.
  await store.close();
  await expect(restoreFrom(aside!, at('other'), now)).rejects.toThrow('does not exist');
  await restoreFrom(aside!, at('data'), new Date('2026-11-27T13:00:00Z'));
  store = await open();
  expect(await hardness(store)).toBe(6);
});

test('nothing is written over unasked, and nothing half is left', async () => {
  writeFileSync(at('copy'), 'mine');
  await expect(store.backup(at('copy'))).rejects.toThrow('is there already');
  expect(readFileSync(at('copy'), 'utf8')).toBe('mine');
  await store.backup(at('copy'), true);
  expect(readFileSync(at('copy'), 'latin1').slice(0, 15)).toBe('SQLite format 3');
  await expect(store.backup(at('none/copy'))).rejects.toThrow(/does not exist|could not be/);
  expect(readdirSync(root).sort()).toEqual(['copy', 'data']);
});

test('what is damaged, empty, newer or another program’s is told, and left alone', async () => {
  await store.backup(at('copy'));
  await store.close();
  const before = readdirSync(at('data')).sort();
  const refusal = async (bytes: string | Uint8Array) => {
    writeFileSync(at('bad'), bytes);
    const said = await restoreFrom(at('bad'), at('data'), now).catch(
      (error: unknown) => (error as Error).message,
    );
    expect(readdirSync(at('data')).sort()).toEqual(before);
    return said;
  };
  const whole = readFileSync(at('copy'));
  expect(await refusal('no database at all, but text')).toMatch(/no backup .*not a database/);
  expect(await refusal('')).toMatch(/no backup/);
  const damaged = Buffer.from(whole);
  damaged.fill(0xff, 4096, 12_000);
  expect(await refusal(damaged)).toMatch(/damaged|no backup/);
  expect(await refusal(whole.subarray(0, 6000))).toMatch(/damaged|no backup/);
  const newer = new Sqlite(at('copy'));
  newer.exec("INSERT INTO migrations (timestamp, name) VALUES (9, 'Later9')");
  newer.close();
  expect(await refusal(readFileSync(at('copy')))).toMatch(/newer Obrank/);
  store = await open();
  expect(await hardness(store)).toBeUndefined();
});

test('nothing is restored under a program that runs', async () => {
  await store.backup(at('copy'));
  await expect(restoreFrom(at('copy'), at('data'), now)).rejects.toThrow('is in use by Obrank');
  expect(await hardness(store)).toBeUndefined();
});

test('a server says where it runs, and only a place on this machine is believed', () => {
  const takeBack = noteRunning(at('data'), 'http://127.0.0.1:4180');
  expect(runningAt(at('data'))).toBe('http://127.0.0.1:4180');
  takeBack();
  expect(runningAt(at('data'))).toBeUndefined();
  writeFileSync(at('data/server.json'), '{ "address": "http://example.org" }');
  expect(runningAt(at('data'))).toBeUndefined();
});
