import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Files } from '../bytes/index.ts';
import { whyNotPlain } from '../json/index.ts';
import { applyFileChanges, mendDocuments, type FileChange } from './index.ts';

const encode = (text: string) => new TextEncoder().encode(text);
const filesOf = (texts: Record<string, string>): Files =>
  new Map(Object.entries(texts).map(([path, text]) => [path, encode(text)]));
const textsOf = (files: Files) =>
  Object.fromEntries([...files].map(([path, bytes]) => [path, new TextDecoder().decode(bytes)]));

describe('one change of files', () => {
  test.each<[what: string, before: string, change: FileChange, after: string]>([
    [
      'ranges of a text',
      '{ a: 1, }',
      {
        file: 'a.json',
        edits: [
          { offset: 2, length: 1, insert: '"a"' },
          { offset: 6, length: 1, insert: '' },
        ],
      },
      '{ "a": 1 }',
    ],
    ['a value', '{"a": [1,2]}', { file: 'a.json', at: '/a/1', value: 3 }, '{"a": [1,3]}'],
    ['a new value', '{"a": 1}', { file: 'a.json', at: '/b', value: 2 }, '{"a": 1, "b": 2}'],
    ['a value away', '{"a": 1, "b": 2}', { file: 'a.json', at: '/a' }, '{"b": 2}'],
    ['an element away', '[1, 2, 3]', { file: 'a.json', at: '/1' }, '[1, 3]'],
    [
      'another key',
      '{"a": {"colr": 1}}',
      { file: 'a.json', at: '/a/colr', key: 'colour' },
      '{"a": {"colour": 1}}',
    ],
    [
      'behind a byte order mark',
      '\uFEFF{"a": 1}',
      { file: 'a.json', at: '/a', value: 2 },
      '\uFEFF{"a": 2}',
    ],
    [
      'a key behind a mark',
      '\uFEFF{"a": 1}',
      { file: 'a.json', at: '/a', key: 'b' },
      '\uFEFF{"b": 1}',
    ],
  ])('%s', (_, before, change, after) => {
    const files = filesOf({ 'a.json': before });
    expect(applyFileChanges(files, [change])).toEqual([change]);
    expect(new TextDecoder('utf-8', { ignoreBOM: true }).decode(files.get('a.json'))).toBe(after);
  });

  test.each<[what: string, change: FileChange]>([
    ['a file that is not there', { file: 'none.json', at: '/a', value: 1 }],
    ['a value in a number', { file: 'a.json', at: '/a/b', value: 1 }],
    ['a key that is not there', { file: 'a.json', at: '/none', key: 'b' }],
    ['a path that another has', { file: 'a.json', movesTo: 'b.json' }],
    ['a move of what is not there', { file: 'none.json', movesTo: 'c.json' }],
    ['ranges of what is not there', { file: 'none.json', edits: [] }],
  ])('%s: nothing is made, and nothing changes', (_, change) => {
    const texts = { 'a.json': '{"a": 1}', 'b.json': '[]' };
    const files = filesOf(texts);
    expect(applyFileChanges(files, [change])).toEqual([]);
    expect(textsOf(files)).toEqual(texts);
  });

  test('a file moves with what it holds', () => {
    const files = filesOf({ 'look/a.json': '{}' });
    applyFileChanges(files, [{ file: 'look/a.json', movesTo: 'looks/a.json' }]);
    expect(textsOf(files)).toEqual({ 'looks/a.json': '{}' });
  });
});

test('many values of one file are put in one go, and those that find no place are left', () => {
  const files = filesOf({ 'a.json': '{\n  "a": 1,\n  "b": 2\n}' });
  const puts = [
    { file: 'a.json', at: '/a', value: 3 },
    { file: 'a.json', at: '/none/deep', value: 4 },
    { file: 'a.json', at: '/c', value: 5 },
  ];
  expect(applyFileChanges(files, puts)).toEqual([puts[0], puts[2]]);
  expect(textsOf(files)).toEqual({ 'a.json': '{\n  "a": 3,\n  "b": 2,\n  "c": 5\n}' });
});

describe('what turns documents into others is made in the files where they lie', () => {
  const before = [
    ['a.json', { n: 1, usual: 0 }],
    ['b.json', [1]],
  ] as [string, unknown][];

  test('a file that leaves out what is usual, elsewhere than it would be written', () => {
    const files = filesOf({ 'mine/a.json': '{ "n":1 }', 'b.json': '[1]' });
    const after = [
      ['a.json', { n: 2, usual: 0 }],
      ['b.json', [1]],
    ] as [string, unknown][];
    const done = mendDocuments(files, before, after, (path) =>
      path === 'a.json' ? 'mine/a.json' : path,
    )!;
    expect([...done.keys()]).toEqual(['mine/a.json']);
    expect(textsOf(done as Files)).toEqual({ 'mine/a.json': '{ "n":2 }' });
  });

  test('one that comes is written, one that goes is gone', () => {
    const files = filesOf({ 'a.json': '{"n": 1}', 'b.json': '[1]' });
    const done = mendDocuments(files, before, [before[0]!, ['c.json', { m: 1 }]])!;
    expect(done.get('b.json')).toBeUndefined();
    expect([...done.keys()]).toEqual(['b.json', 'c.json']);
    expect(new TextDecoder().decode(done.get('c.json'))).toBe('{ "m": 1 }\n');
  });

  test('where a file says something else, or is no JSON, nothing is made', () => {
    const after = [before[0]!, ['b.json', [2]]] as [string, unknown][];
    for (const text of ['[7]', '{"x": 1}', '{', ''])
      expect(mendDocuments(filesOf({ 'b.json': text }), before, after)).toBeUndefined();
  });
});

test('a file that holds what would be written holds afterwards what would be written then', () => {
  // A document with a key __proto__ is not read at all.
  const document = fc
    .dictionary(fc.constantFrom('a', 'b', 'c'), fc.jsonValue({ maxDepth: 2 }))
    .filter((made) => whyNotPlain(made) === undefined);
  fc.assert(
    fc.property(document, document, fc.constantFrom(0, 2, 4), (was, becomes, spaces) => {
      const files = filesOf({ 'a.json': JSON.stringify(was, null, spaces) });
      const done = mendDocuments(files, [['a.json', was]], [['a.json', becomes]])!;
      const bytes = done.get('a.json') ?? files.get('a.json');
      expect(JSON.parse(new TextDecoder().decode(bytes))).toEqual(
        JSON.parse(JSON.stringify(becomes)),
      );
    }),
  );
});
