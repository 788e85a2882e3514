import { afterAll, beforeAll, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  chmodSync,
  existsSync,
  mkdtempSync,
  readFileSync,
  rmSync,
  symlinkSync,
  watch,
  writeFileSync,
} from 'node:fs';
import { once } from 'node:events';
import os from 'node:os';
import path from 'node:path';
import { commandOf, openWith, placeIn, programAt } from './index.ts';

let folder: string;
let editor: string;
beforeAll(() => {
  folder = mkdtempSync(path.join(os.tmpdir(), 'obrank-programs-'));
  editor = path.join(folder, 'my editor');
  const heard = path.join(folder, 'heard');
  // It says what it was given, and only then that it was given all.
  writeFileSync(
    editor,
    `#!/bin/sh\nprintf '%s|' "$@" > "${heard}.part"\nmv "${heard}.part" "${heard}"\n`,
  );
  chmodSync(editor, 0o755);
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

test('a line is a program and its arguments; the place comes where it is said, or last', () => {
  const opened = { place: '/a b/c.json', line: 7 };
  expect(commandOf('edit', opened)).toEqual(['edit', '/a b/c.json']);
  expect(commandOf('"my editor" +{line} --in="{place}"', opened)).toEqual([
    'my editor',
    '+7',
    '--in=/a b/c.json',
  ]);
  expect(commandOf('edit {line}', { place: '/a' })).toEqual(['edit', '1', '/a']);
  expect(() => commandOf('  ', opened)).toThrow('Name a program.');
});

test('whatever a file is called, it stays one argument as it is', () =>
  fc.assert(
    fc.property(fc.string(), (place) => {
      expect(commandOf('edit "{place}" $(x)', { place })).toEqual(['edit', place, '$(x)']);
    }),
  ));

test('a program that is not there is told before anything is opened with it', async () => {
  await expect(programAt('gone-editor +{line}')).rejects.toThrow(
    'There is no program gone-editor on this machine.',
  );
  await expect(programAt('./here')).rejects.toThrow('There is no program ./here');
  await expect(programAt(folder)).rejects.toThrow('There is no program');
  expect(await programAt('sh -c x')).toMatch(/\/sh$/);
});

test('a file is opened in the program at its line', async () => {
  const place = path.join(folder, 'a; touch b.json');
  writeFileSync(place, '{}');
  const watcher = watch(folder);
  await openWith(`"${editor}" +{line} {place}`, {
    place: await placeIn(folder, 'a; touch b.json'),
    line: 3,
  });
  while (!existsSync(path.join(folder, 'heard'))) await once(watcher, 'change');
  watcher.close();
  expect(readFileSync(path.join(folder, 'heard'), 'utf8')).toBe(`+3|${place}|`);
  expect(existsSync(path.join(folder, 'b.json'))).toBe(false);
});

test('no file outside of its folder is opened, and none that is not there', async () => {
  symlinkSync('/etc', path.join(folder, 'out'));
  await expect(placeIn(folder, '../x')).rejects.toThrow(/is /);
  await expect(placeIn(folder, 'out/hostname')).rejects.toThrow('is a link out of its folder');
  await expect(placeIn(folder, 'gone.json')).rejects.toThrow('does not exist');
  expect(await placeIn(folder, undefined)).toBe(folder);
});
