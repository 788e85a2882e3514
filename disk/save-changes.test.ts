import { afterEach, beforeEach, expect, test } from '@jest/globals';
import {
  chmodSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { digestOf, readZip, writeZip } from '../core/bytes/index.ts';
import { DiskProblem, packAt, saveChanges } from './index.ts';

const encode = (text: string) => new TextEncoder().encode(text);
const digest = (text: string) => digestOf(encode(text));

let folder: string;
beforeEach(() => {
  folder = mkdtempSync(path.join(os.tmpdir(), 'obrank-save-'));
  mkdirSync(path.join(folder, 'rules/blocks'), { recursive: true });
  writeFileSync(path.join(folder, 'pack.json'), '{}');
  writeFileSync(path.join(folder, 'rules/blocks/bank.json'), '{ "a": 1 }');
  writeFileSync(path.join(folder, 'notes.md'), 'mine');
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));

const at = (file: string) => path.join(folder, file);
const text = (file: string) => readFileSync(at(file), 'utf8');
/** Everything below the folder, hidden files too. */
const all = () => (readdirSync(folder, { recursive: true }) as string[]).sort();

test('changes, new files and moved ones are saved, and nothing else is touched', async () => {
  await saveChanges(folder, [
    { file: 'pack.json', before: digest('{}'), after: encode('{ "edition": 1 }') },
    { file: 'rules/blocks/bank.json', before: digest('{ "a": 1 }') },
    { file: 'rules/loot/bank.json', after: encode('[]') },
  ]);
  expect([text('pack.json'), text('rules/loot/bank.json')]).toEqual(['{ "edition": 1 }', '[]']);
  expect(all()).toEqual(['notes.md', 'pack.json', 'rules', 'rules/loot', 'rules/loot/bank.json']);
});

test.each<[what: string, change: Parameters<typeof saveChanges>[1][number], why: RegExp]>([
  ['changed meanwhile', { file: 'notes.md', before: digest('his') }, /notes.md was changed since/],
  ['come meanwhile', { file: 'notes.md', after: encode('x') }, /was changed since it was read/],
  ['gone meanwhile', { file: 'none.md', before: digest('x') }, /was changed since it was read/],
  ['outside', { file: '../out.json', after: encode('x') }, /Nothing was written/],
  ['a folder', { file: 'rules', before: digest('x'), after: encode('x') }, /was changed since/],
  ['behind a link', { file: 'linked/x.json', after: encode('x') }, /behind a link/],
  ['deep behind it', { file: 'linked/new/x.json', after: encode('x') }, /behind a link/],
  ['behind a dead one', { file: 'dead/x.json', after: encode('x') }, /behind a link/],
])('where one file is %s, none is written', async (_, change, why) => {
  symlinkSync(at('rules'), at('linked'));
  symlinkSync(at('nowhere'), at('dead'));
  const before = all();
  const first = { file: 'pack.json', before: digest('{}'), after: encode('changed') };
  await expect(saveChanges(folder, [first, change])).rejects.toThrow(why);
  await expect(saveChanges(folder, [first, change])).rejects.toThrow(DiskProblem);
  expect(text('pack.json')).toBe('{}');
  expect(all()).toEqual(before);
});

test('folders that were made for files that are not saved after all are gone again', async () => {
  const before = all();
  await expect(
    saveChanges(folder, [
      { file: 'new/deep/x.json', after: encode('{}') },
      { file: 'rules/loot/x.json', after: encode('{}') },
      // Below a file there is no room.
      { file: 'notes.md/x.json', after: encode('{}') },
    ]),
  ).rejects.toThrow(DiskProblem);
  expect(all()).toEqual(before);
});

test('a file that only its owner may read stays so', async () => {
  chmodSync(at('pack.json'), 0o600);
  await saveChanges(folder, [{ file: 'pack.json', before: digest('{}'), after: encode('[]') }]);
  expect(statSync(at('pack.json')).mode & 0o777).toBe(0o600);
});

test('an archive is read and saved as a whole', async () => {
  const file = at('marsh.obpack');
  writeFileSync(
    file,
    writeZip(
      new Map([
        ['pack.json', encode('{}')],
        ['a.json', encode('1')],
      ]),
    ),
  );
  expect([...readZip(await packAt(file)).keys()]).toEqual(['pack.json', 'a.json']);
  await saveChanges(file, [
    { file: 'a.json', before: digest('1') },
    { file: 'b.json', after: encode('2') },
  ]);
  expect([...readZip(readFileSync(file)).keys()].sort()).toEqual(['b.json', 'pack.json']);
  await expect(saveChanges(file, [{ file: 'b.json', before: digest('1') }])).rejects.toThrow(
    /b.json was changed since it was read/,
  );
  expect(all()).toContain('marsh.obpack');
  expect(all().filter((one) => one.includes('obrank-'))).toEqual([]);
});

test.each(['packs/marsh', '', '/', '/proc/self', os.homedir()])(
  'a pack is named by a whole path of its own: %j',
  async (given) => {
    await expect(packAt(given)).rejects.toThrow(DiskProblem);
    await expect(saveChanges(given, [])).rejects.toThrow(DiskProblem);
  },
);
