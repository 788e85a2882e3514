import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { applyTextEdits, printJson, renameKey, rewriteJson } from './index.ts';

const rewritten = (text: string, value: unknown): string =>
  applyTextEdits(text, rewriteJson(text, value)!);

test.each<[what: string, text: string, value: unknown, after: string]>([
  ['a number', '{\n  "a":   1,\n\t"b": 2\n}\n', { a: 1, b: 3 }, '{\n  "a":   1,\n\t"b": 3\n}\n'],
  ['a key away', '{"a":1, "b":2,"c":3}', { a: 1, c: 3 }, '{"a":1,"c":3}'],
  ['the first key away', '{ "a": 1, "b": 2 }', { b: 2 }, '{ "b": 2 }'],
  ['a key more', '{\n    "a": 1\n}', { a: 1, b: [2] }, '{\n    "a": 1,\n    "b": [2]\n}'],
  ['a key more on the line', '{"a":1}', { a: 1, b: { c: 2 } }, '{"a":1, "b":{"c":2}}'],
  ['an element in the middle', '[ 1,2 ,  3 ]', [1, 3], '[ 1 ,  3 ]'],
  ['an element before all', '[1, 2]', [0, 1, 2], '[0, 1, 2]'],
  ['an element between', '[\n\t1,\n\t3\n]', [1, 2, 3], '[\n\t1,\n\t2,\n\t3\n]'],
  [
    'an element turned',
    '[{"a":1,"b":[1,2]},{"a":2}]',
    [{ a: 1, b: [2] }, { a: 2 }],
    '[{"a":1,"b":[2]},{"a":2}]',
  ],
  ['all away', '{ "a": [1, 2] }', { a: [] }, '{ "a": [] }'],
  ['none before', '{ "a": [] }', { a: [1, 2] }, '{ "a": [1, 2] }'],
  ['key order is nothing', '{"b":1,"a":2}', { a: 2, b: 1 }, '{"b":1,"a":2}'],
  [
    'line ends stay',
    '{\r\n  "a": 1\r\n}\r\n',
    { a: 1, b: 2 },
    '{\r\n  "a": 1,\r\n  "b": 2\r\n}\r\n',
  ],
  ['a comma too many stays', '{ "a": [1, 2,], }', { a: [1, 3] }, '{ "a": [1, 3,], }'],
])('%s', (_, text, value, after) => expect(rewritten(text, value)).toBe(after));

test('what is long goes over lines, in the indentation of the text', () => {
  const long = Array.from({ length: 12 }, (_, i) => `saltmarsh:block_${i}`);
  expect(rewritten('{\n\t"a": 1\n}\n', { a: 1, members: long })).toBe(
    `{\n\t"a": 1,\n\t"members": [\n${long.map((one) => `\t\t"${one}"`).join(',\n')}\n\t]\n}\n`,
  );
});

const value = fc.letrec((tie) => ({
  any: fc.oneof(
    { maxDepth: 4 },
    fc.constantFrom<unknown>(null, true, false, 0, 1, 2, 'a', 'b', ',', '[}"\\', '\n'),
    fc.array(tie('any'), { maxLength: 6 }),
    fc.dictionary(fc.constantFrom('a', 'b', 'c', '__proto__', 'a,"b'), tie('any'), { maxKeys: 5 }),
  ),
})).any;

/** Texts of one value as different people write them. */
const written = (what: unknown, how: number): string =>
  [
    JSON.stringify(what),
    JSON.stringify(what, null, 2),
    JSON.stringify(what, null, '\t').replaceAll('\n', '\r\n'),
    printJson(what),
  ][how]!;

test('the text holds the value afterwards, whatever it held and however it was written', () =>
  fc.assert(
    fc.property(value, value, fc.nat(3), (before, after, how) => {
      const text = written(before, how);
      expect(JSON.parse(rewritten(text, after))).toEqual(JSON.parse(JSON.stringify(after)));
      expect(rewriteJson(text, before)).toEqual([]);
    }),
    { numRuns: 2000 },
  ));

test('an edit touches no line but those of what changed', () =>
  fc.assert(
    fc.property(fc.array(fc.nat(9), { minLength: 2, maxLength: 9 }), fc.nat(8), (list, at) => {
      const i = at % list.length;
      const lines = JSON.stringify(list, null, 4).split('\n');
      const after = rewritten(lines.join('\n'), list.with(i, 10)).split('\n');
      expect(after).toHaveLength(lines.length);
      expect(after.filter((line, j) => line !== lines[j])).toHaveLength(1);
    }),
  ));

test('a key is called otherwise where it stands, and nowhere else', () => {
  const text = '{ "rows": [{ "uze": 1 }, { "uze": 2 }] }';
  expect(applyTextEdits(text, renameKey(text, '/rows/1/uze', 'use')!)).toBe(
    '{ "rows": [{ "uze": 1 }, { "use": 2 }] }',
  );
  expect(renameKey(text, '/rows/2/uze', 'use')).toBeUndefined();
  expect(renameKey(text, '/rows/0', 'use')).toBeUndefined();
});
