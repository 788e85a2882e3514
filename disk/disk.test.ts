import { afterEach, beforeEach, expect, test } from '@jest/globals';
import { once } from 'node:events';
import { chmodSync, existsSync, lstatSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, readlinkSync, renameSync, rmSync, statSync, symlinkSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import os from 'node:os';
import path from 'node:path';
import { readZip, type Files } from '../core/bytes/index.ts';
import { blockPack } from '../core/kits/block-pack/index.ts';
import { readModFolder } from '../core/folder/index.ts';
import { DiskProblem, planBuild, readFolder, readModOrPack, writeBuild } from './index.ts';
import { inWords } from './problem.ts';

let folder: string;
let target: string;
let built: Files;
beforeEach(async () => {
  folder = mkdtempSync(path.join(os.tmpdir(), 'obrank-disk-'));
  target = path.join(folder, 'pack');
  const { mod, blobs } = readModFolder(await readFolder('demo/saltmarsh'));
  built = blockPack.write(mod, (sha256) => blobs.get(sha256)!);
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));

const read = (file: string) => readFileSync(path.join(target, file), 'utf8');
const fates = async (files = built) => Object.fromEntries((await planBuild(target, files)).files.filter((file) => file.fate !== 'same').map((file) => [file.path, file.fate]));
const changed = (path_: string, text: string): Files => new Map([...built, [path_, new TextEncoder().encode(text)]]);
const without = (gone: string): Files => new Map([...built].filter(([file]) => file !== gone));

test('a first build writes everything, a second one finds everything the same', async () => {
  const shown: number[] = [];
  await writeBuild(target, built, { onProgress: (done, total) => shown.push(done / total) });
  expect(await readFolder(target)).toEqual(built);
  expect(shown.at(-1)).toBe(1);
  expect(await fates()).toEqual({});
  await writeBuild(target, built);
  expect(readdirSync(folder)).toEqual(['pack']);
});

test('changed and gone files of our own need no question', async () => {
  await writeBuild(target, built);
  const next = changed('rules/recipes/new.json', '{}');
  next.delete('rules/recipes/salt_crust.json');
  expect(await fates(next)).toEqual({ 'rules/recipes/new.json': 'new', 'rules/recipes/salt_crust.json': 'gone' });
  await writeBuild(target, next);
  expect(existsSync(path.join(target, 'rules/recipes/salt_crust.json'))).toBe(false);
});

test('a file that was edited by hand is shown, and overwritten only when that was agreed to', async () => {
  await writeBuild(target, built);
  writeFileSync(path.join(target, 'rules/loot/salt_crust.json'), '{ "mine": true }');
  expect(await fates()).toEqual({ 'rules/loot/salt_crust.json': 'edited' });
  await expect(writeBuild(target, built)).rejects.toThrow(/changed by hand.*Nothing was written/);
  expect(read('rules/loot/salt_crust.json')).toBe('{ "mine": true }');
  const { id } = await planBuild(target, built);
  writeFileSync(path.join(target, 'rules/loot/reed_thatch.json'), '{ "also": "mine" }');
  await expect(writeBuild(target, built, { agreed: id })).rejects.toThrow(/Nothing was written/);
  await writeBuild(target, built, { agreed: (await planBuild(target, built)).id });
  expect(await fates()).toEqual({});
});

test('the same holds for an edited file that would be removed', async () => {
  await writeBuild(target, built);
  writeFileSync(path.join(target, 'rules/recipes/salt_crust.json'), '{ "mine": true }');
  await expect(writeBuild(target, without('rules/recipes/salt_crust.json'))).rejects.toThrow(/by hand/);
});

test('files of others stay, and one in the way is asked about', async () => {
  await writeBuild(target, built);
  writeFileSync(path.join(target, 'NOTES.md'), 'mine');
  writeFileSync(path.join(target, '.hidden'), 'mine too');
  mkdirSync(path.join(target, 'view/models/own'), { recursive: true });
  writeFileSync(path.join(target, 'view/models/own/x.json'), '{}');
  await writeBuild(target, changed('rules/recipes/new.json', '{}'));
  expect([read('NOTES.md'), read('.hidden'), read('view/models/own/x.json')]).toEqual(['mine', 'mine too', '{}']);
  const inTheWay = changed('view/models/own/x.json', '{ "slots": {} }');
  await expect(writeBuild(target, inTheWay)).rejects.toThrow(/did not write.*view\/models\/own\/x\.json/);
  await writeBuild(target, inTheWay, { overwrite: true });
  expect(read('view/models/own/x.json')).toBe('{ "slots": {} }');
});

test('a folder with other files and no pack is asked about first', async () => {
  mkdirSync(target);
  writeFileSync(path.join(target, 'diary.txt'), 'mine');
  await expect(writeBuild(target, built)).rejects.toThrow(/1 other files and no pack/);
  expect(readdirSync(target)).toEqual(['diary.txt']);
});

test('hidden files and folders, links and empty folders at any depth come through a build unharmed', async () => {
  await writeBuild(target, built);
  mkdirSync(path.join(target, '.history/deep'), { recursive: true });
  writeFileSync(path.join(target, '.history/deep/log'), 'mine');
  writeFileSync(path.join(target, 'view/models/.draft'), 'mine too');
  mkdirSync(path.join(target, 'view/empty'));
  symlinkSync('salt_crust_a.json', path.join(target, 'view/models/alias.json'));
  symlinkSync('/nowhere/at/all', path.join(target, 'rules/dangling'));
  await writeBuild(target, changed('rules/recipes/new.json', '{}'));
  expect([read('.history/deep/log'), read('view/models/.draft')]).toEqual(['mine', 'mine too']);
  expect([readlinkSync(path.join(target, 'view/models/alias.json')), readlinkSync(path.join(target, 'rules/dangling'))]).toEqual(['salt_crust_a.json', '/nowhere/at/all']);
  expect(readdirSync(path.join(target, 'view/empty'))).toEqual([]);
  expect(read('rules/recipes/new.json')).toBe('{}');
});

test('what cannot be carried over stops the build before anything is touched', async () => {
  await writeBuild(target, built);
  const server = createServer().listen(path.join(target, 'rules/socket'));
  await once(server, 'listening');
  await expect(writeBuild(target, changed('rules/recipes/new.json', '{}'))).rejects.toThrow(/neither a file nor a folder/);
  server.close();
  expect(existsSync(path.join(target, 'rules/recipes/new.json'))).toBe(false);
  expect(readdirSync(folder)).toEqual(['pack']);
});

test('a folder keeps its permissions, a new one is as open as others, and a link to a folder stays a link', async () => {
  await writeBuild(target, built);
  expect(statSync(target).mode & 0o777).toBe(0o777 & ~process.umask());
  chmodSync(target, 0o751);
  const linked = path.join(folder, 'linked');
  symlinkSync(target, linked);
  await writeBuild(linked, changed('rules/recipes/new.json', '{}'));
  expect(lstatSync(linked).isSymbolicLink()).toBe(true);
  expect(statSync(target).mode & 0o777).toBe(0o751);
  expect(read('rules/recipes/new.json')).toBe('{}');
});

test('a target that is a file, a root, or below one: one sentence, nothing touched', async () => {
  writeFileSync(target, 'a file');
  await expect(writeBuild(target, built)).rejects.toThrow(/is a file/);
  await expect(writeBuild(path.join(target, 'inside'), built)).rejects.toThrow(/is a file, not a folder/);
  await expect(planBuild('/', built)).rejects.toThrow(/not a place/);
  await expect(planBuild('~', built)).rejects.toThrow(/not a place/);
  await expect(planBuild('  ', built)).rejects.toThrow(DiskProblem);
  await expect(writeBuild('/proc/obrank/pack', built)).rejects.toThrow(DiskProblem);
  expect(readFileSync(target, 'utf8')).toBe('a file');
});

test('names that would leave the folder are refused before anything is written', async () => {
  await expect(writeBuild(target, changed('../outside.json', '{}'))).rejects.toThrow(/leaves the pack/);
  expect(readdirSync(folder)).toEqual([]);
});

test('a build that dies between its renames leaves the old pack, and the next one brings it back', async () => {
  await writeBuild(target, built);
  renameSync(target, `${target}.obrank-old`);
  await writeBuild(target, built);
  expect(await readFolder(target)).toEqual(built);
  expect(readdirSync(folder)).toEqual(['pack']);
});

test('a cancelled build leaves the old pack whole and nothing beside it', async () => {
  await writeBuild(target, built);
  const stop = new AbortController();
  stop.abort();
  await expect(writeBuild(target, changed('rules/recipes/new.json', '{}'), { signal: stop.signal })).rejects.toThrow(/cancelled/);
  expect(await readFolder(target)).toEqual(built);
  expect(readdirSync(folder)).toEqual(['pack']);
});

test('an .obpack is written whole and asked about when it is something else', async () => {
  const file = path.join(folder, 'saltmarsh.obpack');
  await writeBuild(file, built);
  expect(readZip(readFileSync(file))).toEqual(built);
  await writeBuild(file, built);
  writeFileSync(file, 'not a pack');
  await expect(writeBuild(file, built)).rejects.toThrow(/not a pack that Obrank built/);
  mkdirSync(path.join(folder, 'x.obpack'));
  await expect(writeBuild(path.join(folder, 'x.obpack'), built)).rejects.toThrow(/is a folder/);
});

test('what lies at a path is told apart, and neither is said to be neither', async () => {
  await writeBuild(target, built);
  expect((await readModOrPack(target)).kind).toBe('pack');
  expect((await readModOrPack('demo/saltmarsh')).kind).toBe('mod');
  await expect(readModOrPack('demo/art')).rejects.toThrow(/neither a mod/);
  await expect(readModOrPack(path.join(folder, 'gone'))).rejects.toThrow(/does not exist/);
  await expect(readModOrPack('package.json')).rejects.toThrow(/not a whole ZIP/);
});

test.each([['ENOSPC', /disk is full.*untouched/], ['EROFS', /only be read/], ['EACCES', /may not be written/], ['EXYZ', /could not be used/]])('the system\'s error %s becomes a sentence', (code, words) => {
  expect((inWords(Object.assign(new Error('system'), { code }), '/out') as Error).message).toMatch(words);
});
