import { afterAll, beforeEach, beforeAll, expect, test } from '@jest/globals';
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { readZip, writeZip, type Files } from '../core/bytes/index.ts';
import { flattened } from '../core/families/index.ts';
import { readModFolder } from '../core/folder/index.ts';
import { inspectBuilt } from '../core/inspect/index.ts';
import { findKit, type Kit } from '../core/kits/index.ts';
import { onlyBlocks } from '../core/take-over/index.ts';
import { planBuild, readFolder, writeBuild, type BuildOptions } from './index.ts';

const read = readModFolder(await readFolder('demo/saltmarsh'));
const mod = flattened(read.mod);
const kit = findKit(mod, 'block-pack')!;

let folder: string;
beforeAll(() => {
  folder = mkdtempSync(path.join(os.tmpdir(), 'obrank-joins-'));
});
beforeEach(() => {
  rmSync(folder, { recursive: true, force: true });
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const text = (words: string) => new TextEncoder().encode(words);
const words = (bytes: Uint8Array | undefined) => new TextDecoder().decode(bytes);
/** Puts files into a folder, as somebody else does. */
function put(files: Files): void {
  for (const [file, bytes] of files) {
    const at = path.join(folder, file);
    mkdirSync(path.dirname(at), { recursive: true });
    writeFileSync(at, bytes);
  }
}
const textAt = (file: string) => readFileSync(path.join(folder, file), 'utf8');

/** A target of plain files, whose manifest the next build may replace. */
const plain: Kit = {
  ...kit,
  marker: 'manifest.json',
  isText: (file) => !file.endsWith('.png'),
  isList: (file) => file.endsWith('.csv'),
  recordedDigests: () => undefined,
  settle: () => new Map(),
};
const built = (texts: Record<string, string>) => ({
  files: new Map(Object.entries(texts).map(([file, its]) => [file, text(its)])),
  kit: plain,
});
const theirs = new Map([
  ['manifest.json', text('{ "title": "Theirs" }')],
  ['words.json', text('{ "mud": "Mud" }')],
  ['names.csv', text('id,name\nmud,Mud\n')],
  ['blocks/mud.json', text('{}')],
  ['blocks/gate.lua', text('return "theirs"')],
]);
const ours = {
  'manifest.json': '{ "title": "Ours", "by": "us" }',
  'words.json': '{ "gate": "Gate" }',
  'names.csv': 'id,name\ngate,Gate\n',
  'blocks/gate.json': '{}',
};
const fates = async (texts: Record<string, string>, how: BuildOptions = {}) =>
  Object.fromEntries(
    (await planBuild(folder, built(texts), how)).files.map(({ path: file, fate }) => [file, fate]),
  );

test('into the pack of somebody else: lists and groups of both, nothing of theirs gone', async () => {
  put(theirs);
  await expect(writeBuild(folder, built(ours))).rejects.toThrow(/Obrank did not write/);
  await writeBuild(folder, built(ours), { joins: true });
  expect(JSON.parse(textAt('words.json'))).toEqual({ mud: 'Mud', gate: 'Gate' });
  expect(textAt('names.csv')).toBe('id,name\nmud,Mud\ngate,Gate\n');
  // What it is called is theirs, as is everything else that both say of the whole.
  expect(JSON.parse(textAt('manifest.json'))).toEqual({ title: 'Theirs', by: 'us' });
  expect(textAt('blocks/mud.json')).toBe('{}');
});

test('the next build takes away what is no longer ours, and goes on as it was said', async () => {
  put(theirs);
  await writeBuild(folder, built(ours), { joins: true });
  const next = { ...ours, 'words.json': '{ "lock": "Lock" }', 'names.csv': 'id,name\n' };
  expect(await fates(next)).toMatchObject({ 'words.json': 'merged', 'blocks/mud.json': 'kept' });
  await writeBuild(folder, built(next));
  expect(JSON.parse(textAt('words.json'))).toEqual({ mud: 'Mud', lock: 'Lock' });
  expect(textAt('names.csv')).toBe('id,name\nmud,Mud\n');
});

test('one word that both say otherwise is asked; so is a text that cannot be put together', async () => {
  put(theirs);
  const same = { ...ours, 'words.json': '{ "mud": "Silt" }', 'blocks/gate.lua': 'return "ours"' };
  expect(await fates(same, { joins: true })).toMatchObject({
    'words.json': 'clash',
    'blocks/gate.lua': 'foreign',
  });
  await expect(writeBuild(folder, built(same), { joins: true })).rejects.toThrow(
    /differ in the same place in 1 of the files.*words\.json.*such as blocks\/gate\.lua/,
  );
  await writeBuild(folder, built(same), {
    joins: true,
    settled: [{ path: 'words.json', takes: ['built'] }],
    keep: ['blocks/gate.lua'],
  });
  expect(JSON.parse(textAt('words.json'))).toEqual({ mud: 'Silt' });
  expect(textAt('blocks/gate.lua')).toBe('return "theirs"');
});

test('into an archive of somebody else', async () => {
  mkdirSync(folder);
  const file = path.join(folder, `pack${kit.ending}`);
  writeFileSync(file, writeZip(theirs));
  await writeBuild(file, built(ours), { joins: true });
  const files = readZip(readFileSync(file));
  expect([...files.keys()].sort()).toEqual([...theirs.keys(), 'blocks/gate.json'].sort());
  expect(JSON.parse(words(files.get('words.json')))).toEqual({ mud: 'Mud', gate: 'Gate' });
});

test('a file that was taken away comes again, unless it is said to be one’s own', async () => {
  await writeBuild(folder, built(ours));
  rmSync(path.join(folder, 'names.csv'));
  expect(await fates(ours)).toMatchObject({ 'names.csv': 'new' });
  await writeBuild(folder, built(ours), { alsoKeep: ['names.csv'] });
  await writeBuild(folder, built({ ...ours, 'names.csv': 'id,name\n' }));
  expect((await readFolder(folder)).has('names.csv')).toBe(false);
});

test('one block comes into a pack of others, and its reader finds nothing', async () => {
  const blobOf = (sha256: string) => read.blobs.get(sha256)!;
  const packOf = (...names: string[]) => ({
    files: kit.write(onlyBlocks(mod, names), blobOf),
    kit,
  });
  put(packOf('sluice_gate', 'tide_lantern').files);
  const how = { joins: true, keep: ['code/ids.ts'] };
  await writeBuild(folder, packOf('oyster_brick'), how);
  await writeBuild(folder, packOf('oyster_brick', 'salt_oven'), how);
  const files = await readFolder(folder);
  expect(inspectBuilt(kit, files).map(({ message }) => message)).toEqual([]);
  const registry = JSON.parse(words(files.get('registry.json'))) as { entries: { id: string }[] };
  expect(registry.entries.map(({ id }) => id)).toEqual(
    expect.arrayContaining([
      'saltmarsh:sluice_gate',
      'saltmarsh:oyster_brick',
      'saltmarsh:salt_oven',
    ]),
  );
});
