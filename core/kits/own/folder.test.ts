import { expect, test } from '@jest/globals';
import { placed, readKit, writeKit } from './index.ts';

const bytes = (text: string) => new TextEncoder().encode(text);
const own = {
  model: 1,
  title: 'Tidal',
  files: [{ for: 'mod', path: 'a', template: 'a' }],
} as const;
const problems = (files: Record<string, string | Uint8Array>) =>
  readKit(
    new Map(
      Object.entries(files).map(([path, text]) => [
        path,
        typeof text === 'string' ? bytes(text) : text,
      ]),
    ),
  ).problems.map(placed);

test('a kit reads back as it was written', () => {
  const texts = new Map([
    ['a', 'x'],
    ['expected/a', 'x'],
  ]);
  const read = readKit(writeKit({ ...own, files: [...own.files] }, texts));
  expect(read).toEqual({ own, texts, problems: [] });
});

test('what is wrong with a kit is told at its line', () => {
  expect(problems({})).toEqual(['kit.json The folder has no kit.json, so it is no kit.']);
  expect(problems({ 'kit.json': '{\n  "model": 1,\n}' })).toEqual([
    expect.stringMatching(/^kit\.json:2:\d+ There is a comma after the last entry/),
  ]);
  expect(problems({ 'kit.json': JSON.stringify({ ...own, titel: 'x' }, null, 1) })).toEqual([
    expect.stringMatching(/^kit\.json:\d+:\d+ There is no key "titel" here\./),
  ]);
  expect(
    problems({ 'kit.json': JSON.stringify(own), 'a b': 'x', c: new Uint8Array([255, 254]) }),
  ).toEqual([
    'a b Name the files of a kit in letters, digits, dots, dashes and underscores.',
    'c This is no text in UTF-8.',
  ]);
  expect(
    problems({ 'kit.json': JSON.stringify({ ...own, files: [{ for: 'mod', path: 'a' }] }) }),
  ).toEqual([expect.stringMatching(/names a template or is a copy, one of the two/i)]);
});

test('hidden files are nobody’s business, and too many are not read', () => {
  expect(problems({ 'kit.json': JSON.stringify(own), '.git/config': 'x' })).toEqual([]);
  const many = Object.fromEntries(Array.from({ length: 201 }, (_, i) => [`t${i}`, 'x']));
  expect(problems({ 'kit.json': JSON.stringify(own), ...many })).toEqual([
    'kit.json A kit has 200 files at most; here lie 201.',
  ]);
});
