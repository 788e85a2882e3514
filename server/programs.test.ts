import { afterEach, beforeEach, expect, test } from '@jest/globals';
import { mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { NamedPrograms } from './programs.ts';

let data: string;
beforeEach(() => {
  data = mkdtempSync(path.join(os.tmpdir(), 'obrank-programs-'));
});
afterEach(() => rmSync(data, { recursive: true, force: true }));

const node = process.execPath;

test('nothing is named until somebody does, and what was named stays', async () => {
  const programs = new NamedPrograms(data);
  expect(await programs.named()).toEqual({});
  await programs.name({ forFolders: node });
  expect(await new NamedPrograms(data).named()).toEqual({ forFolders: node });
});

test('of many at once each is answered, and the last that was asked stands there', async () => {
  const programs = new NamedPrograms(data);
  const asked = Array.from({ length: 20 }, (_, i) => ({ forFiles: `"${node}" +${i} {place}` }));
  expect(await Promise.all(asked.map((one) => programs.name(one)))).toEqual(asked);
  expect(await programs.named()).toEqual(asked.at(-1));
  expect(readdirSync(data)).toEqual(['programs.json']);
});

test('a program that there is not is refused, changes nothing, and holds nobody up', async () => {
  const programs = new NamedPrograms(data);
  await programs.name({ forFolders: node });
  const wrong = programs.name({ forFolders: 'no-such-program' });
  const right = programs.name({ forFiles: node });
  await expect(wrong).rejects.toThrow('There is no program no-such-program');
  expect(await right).toEqual({ forFiles: node });
  expect(await programs.named()).toEqual({ forFiles: node });
});

test('a program that is gone since it was named does not keep another from being named', async () => {
  const gone = path.join(data, 'editor');
  writeFileSync(gone, '#!/bin/sh', { mode: 0o755 });
  const programs = new NamedPrograms(data);
  await programs.name({ forFiles: gone });
  rmSync(gone);
  expect(await programs.name({ forFiles: gone, forFolders: node })).toMatchObject({
    forFolders: node,
  });
  await expect(programs.open({ folder: data, file: 'programs.json' })).rejects.toThrow(
    `There is no program ${gone}`,
  );
});
