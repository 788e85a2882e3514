import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { planBuild, readModOrPack, writeBuild } from '../../../disk/index.ts';
import { readZip } from '../../bytes/index.ts';
import { inspectBuilt } from '../../inspect/index.ts';
import { sampleMod } from '../../inspect/sample.ts';
import { kitOf, kits } from '../index.ts';
import { fieldNotes } from './index.ts';

let folder: string;
beforeAll(() => {
  folder = mkdtempSync(path.join(os.tmpdir(), 'obrank-notes-'));
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const noBlobs = () => new Uint8Array();
const built = () => ({ kit: fieldNotes, files: fieldNotes.write(sampleMod(), noBlobs) });

test('it is chosen like any kit, and writes a page for each block with its list', () => {
  expect(kits['field-notes']).toBe(fieldNotes);
  const { files } = built();
  expect([...files.keys()]).toEqual(['notes/bank.txt', 'notes/lamp.txt', 'notes.sha256']);
  const lamp = new TextDecoder().decode(files.get('notes/lamp.txt'));
  expect(lamp).toContain('Lamp\n====\nsaltmarsh:lamp\n');
  expect(lamp).toContain('hardness: 11 s\n');
  expect(lamp).toContain('light emitted: 12, 0 by state\n');
  expect(lamp).toContain('8 states: heading (heading), lit (toggle)\n');
  expect(fieldNotes.writeBlock(sampleMod(), 'lamp').get('notes/lamp.txt')).toBe(lamp);
  expect(fieldNotes.writeBlock(sampleMod(), 'nothing').size).toBe(0);
});

test(
  'a build into a folder is planned, written, compared by its own digests, and asks ' +
    'before it overwrites an edit',
  async () => {
    const target = path.join(folder, 'out');
    const fates = async () =>
      (await planBuild(target, built())).files.map(({ path: at, fate }) => `${fate} ${at}`);
    expect(await fates()).toEqual(['new notes.sha256', 'new notes/bank.txt', 'new notes/lamp.txt']);
    await writeBuild(target, built());
    expect(await fates()).toEqual([
      'same notes.sha256',
      'same notes/bank.txt',
      'same notes/lamp.txt',
    ]);
    writeFileSync(path.join(target, 'notes/lamp.txt'), 'mine');
    expect(await fates()).toContain('merged notes/lamp.txt');
    await writeBuild(target, built());
    expect(readFileSync(path.join(target, 'notes/lamp.txt'), 'utf8')).toBe('mine');
  },
);

test(
  'the folder is known for what it is and checked by its own rules; so is the file with ' +
    'its own ending',
  async () => {
    const read = await readModOrPack(path.join(folder, 'out'));
    if (read.kind !== 'pack') throw new Error('it was taken for a mod');
    expect(read.kit).toBe(fieldNotes);
    expect(inspectBuilt(read.kit, read.files).map(({ rule, file }) => `${rule} ${file}`)).toEqual([
      'notes/changed notes/lamp.txt',
    ]);
    const file = path.join(folder, 'saltmarsh.notes');
    await writeBuild(file, built());
    const files = readZip(new Uint8Array(readFileSync(file)));
    expect(kitOf(files)).toBe(fieldNotes);
    expect(inspectBuilt(fieldNotes, files)).toEqual([]);
  },
);
