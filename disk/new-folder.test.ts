import { afterEach, beforeEach, expect, test } from '@jest/globals';
import {
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { DiskProblem, writeNewFolder } from './index.ts';

let root: string;
beforeEach(() => {
  root = mkdtempSync(path.join(os.tmpdir(), 'obrank-new-'));
});
afterEach(() => rmSync(root, { recursive: true, force: true }));

const bytes = (words: string) => new TextEncoder().encode(words);
const files = new Map([
  ['mod.json', bytes('{}')],
  ['models/lantern/lit.json', bytes('[]')],
]);
const at = (...steps: string[]) => path.join(root, ...steps);

test('files come into a folder that is not there yet, with the folders above it', async () => {
  await writeNewFolder(at('a', 'b'), files);
  expect(readFileSync(at('a', 'b', 'models/lantern/lit.json'), 'utf8')).toBe('[]');
  expect(readdirSync(at('a'))).toEqual(['b']);
});

test('an empty folder is filled; one with anything in it is left alone', async () => {
  mkdirSync(at('empty'));
  await writeNewFolder(at('empty'), files);
  expect(existsSync(at('empty', 'mod.json'))).toBe(true);
  writeFileSync(at('empty', 'mod.json'), 'mine');
  await expect(writeNewFolder(at('empty'), files)).rejects.toThrow(/is not empty/);
  expect(readFileSync(at('empty', 'mod.json'), 'utf8')).toBe('mine');
});

test('a file in its place is told in a sentence, and nothing is left behind', async () => {
  writeFileSync(at('file'), 'mine');
  await expect(writeNewFolder(at('file'), files)).rejects.toThrow(DiskProblem);
  await expect(writeNewFolder(at('file', 'below'), files)).rejects.toThrow(DiskProblem);
  expect(readFileSync(at('file'), 'utf8')).toBe('mine');
  expect(readdirSync(root)).toEqual(['file']);
});

test('when a file cannot be written there is no folder at all', async () => {
  const odd = new Map([...files, ['mod.json/below', bytes('')]]);
  await expect(writeNewFolder(at('odd'), odd)).rejects.toThrow(DiskProblem);
  expect(readdirSync(root)).toEqual([]);
});

test('an empty link is no folder of its own to fill', async () => {
  symlinkSync(at('elsewhere'), at('link'));
  await expect(writeNewFolder(at('link'), files)).rejects.toThrow(DiskProblem);
  expect(existsSync(at('elsewhere'))).toBe(false);
});
