import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { applyTextEdits, parseJson, pointer, pointerSteps, printJson, valueAt } from './index.ts';

describe('what is wrong is said in words, at its place', () => {
  test.each([
    ['{\n  "a": 1,\n}', 2, 9, /comma after the last entry/],
    ['[1, 2,]', 1, 6, /comma after the last entry/],
    ['{ "a": [1, 2 ,  ]}', 1, 14, /comma after the last entry/],
    ['{ mode: 1 }', 1, 3, /The key mode stands without quotation marks. Write "mode"./],
    ['{ "a": 1, b : 2 }', 1, 11, /Write "b"./],
    ['{\n<<<<<<< ours\n"a": 1\n=======\n"a": 2\n>>>>>>> theirs\n}', 2, 1, /merge marker/],
    ['{\n  "a": 1\n  "b": 2\n}', 3, 3, /comma is missing/],
    ['{ "a" 1 }', 1, 7, /colon is missing/],
    ['{ // note\n}', 1, 3, /no comments/],
    ['{ “a”: 1 }', 1, 3, /curly/],
    ["{ 'a': 1 }", 1, 3, /double quotation marks/],
    ['\uFEFF{}', 1, 1, /byte order mark/],
    ['{} x', 1, 4, /after the end/],
    ['{ "a": ', 1, 8, /ends too early/],
    ['{ "a": 1', 1, 9, /closing }/],
    ['{ "a": nul }', 1, 8, /not a value/],
    ['{ "a": "x\ty" }', 1, 8, /control character/],
    ['{ "a": "x', 1, 8, /closing quotation mark/],
    ['', 1, 1, /empty/],
    ['['.repeat(100), 1, 65, /levels deep/],
  ])('%j', (text, line, column, words) => {
    const { problems, value } = parseJson(text);
    expect(value).toBeUndefined();
    expect(problems[0]!.message).toMatch(words);
    expect(problems[0]!.at).toEqual({ line, column });
  });
});

test.each([
  ['{ "a": [1, 2,], "b": 3, }', ['1:13', '1:23'], { a: [1, 2], b: 3 }],
  ['{ "a": 1 // one\n}', ['1:10'], { a: 1 }],
  ['{ "a": 1\n"b": 2 }', ['2:1'], { a: 1, b: 2 }],
  ['\uFEFF{ "a": 1, }', ['1:1', '1:9'], { a: 1 }],
  ['{ "a": 1, "a": 2, }', ['1:17', '1:11'], { a: 2 }],
  ['{ "a": nul, }', ['1:8'], undefined],
  ['{ "a": 1,', ['1:10'], undefined],
])('reading goes on where there is no doubt what was meant: %j', (text, at, value) => {
  const read = parseJson(text, { goesOn: true });
  expect(read.problems.map((one) => `${one.at.line}:${one.at.column}`)).toEqual(at);
  expect(read.value).toEqual(value);
  expect(parseJson(text).value).toBeUndefined();
});

test('a key that stands twice is told, and the last counts', () => {
  const { value, problems } = parseJson('{ "a": 1,\n  "a": 2 }');
  expect(value).toEqual({ a: 2 });
  expect(problems).toEqual([
    expect.objectContaining({ kind: 'key-twice', key: 'a', at: { line: 2, column: 3 } }),
  ]);
});

test('a hundred thousand open brackets are a sentence, not a crash', () => {
  expect(parseJson('['.repeat(100_000)).problems).toHaveLength(1);
  expect(parseJson('{"a":'.repeat(50_000)).problems).toHaveLength(1);
});

test('the place of a part, or of its nearest parent', () => {
  const text = parseJson('{\n  "rows": [\n    { "use": 1 }\n  ]\n}');
  expect(text.placeOf('/rows/0/use')).toEqual({ line: 3, column: 14 });
  expect(text.placeOf('/rows/7/use')).toEqual({ line: 2, column: 11 });
  expect(text.placeOf('')).toEqual({ line: 1, column: 1 });
});

/** A key that would change what an object is is refused, so it is no value that can be read back. */
const anyJson = fc
  .jsonValue({ maxDepth: 5 })
  .filter((value) => !JSON.stringify(value).includes('__proto__'))
  .map((value) => JSON.parse(JSON.stringify(value)) as unknown);

test('a key that would change what an object is is refused', () => {
  const { value, problems } = parseJson('{ "a": { "__proto__": {} } }');
  expect(value).toBeUndefined();
  expect(problems[0]!.message).toMatch(/__proto__, which is no name/);
});

test(
  'what is printed reads back as the same value, always the same text, like the ' +
    'platform reads it',
  () =>
    fc.assert(
      fc.property(anyJson, (value) => {
        const text = printJson(value);
        expect(parseJson(text).value).toEqual(value);
        expect(parseJson(text).value).toEqual(JSON.parse(text));
        expect(printJson(JSON.parse(text))).toBe(text);
      }),
    ),
);

test('lines stay short where they can', () => {
  const text = printJson({
    rows: Array.from({ length: 20 }, (_, i) => ({ when: { lit: true }, value: i })),
  });
  expect(Math.max(...text.split('\n').map((line) => line.length))).toBeLessThanOrEqual(102);
});

test('a pointer names its place, whatever the steps hold', () =>
  fc.assert(
    fc.property(fc.array(fc.string()), (steps) => {
      expect(pointerSteps(pointer(steps))).toEqual(steps);
    }),
  ));

test('a value is found by its pointer, and nothing that the object did not say', () => {
  expect(valueAt({ 'a/b': [{ c: 1 }] }, '/a~1b/0/c')).toBe(1);
  expect(valueAt({}, '/constructor')).toBeUndefined();
  expect(() => valueAt({}, 'a')).toThrow(/slash/);
});

test.each<[text: string, title: string | undefined, mended: string | undefined]>([
  ['{ "a": [1, 2,] }', 'Remove the comma', '{ "a": [1, 2] }'],
  ['{ "a": 1\n"b": 2 }', 'Put a comma', '{ "a": 1,\n"b": 2 }'],
  ['{ "a" 1 }', 'Put a colon', '{ "a": 1 }'],
  ['{ "a": 1 // one\n}', 'Remove the comment', '{ "a": 1\n}'],
  ['{ /* two\nlines */ "a": 1 }', 'Remove the comment', '{ "a": 1 }'],
  ['\uFEFF{ "a": 1 }', 'Remove the mark', '{ "a": 1 }'],
  ['{ a: 1 }', 'Write "a"', '{ "a": 1 }'],
  ["{ 'a': 1 }", 'Use double quotation marks', '{ "a": 1 }'],
  ['{ “a”: 1 }', 'Use straight quotation marks', '{ "a": 1 }'],
  ['{ "a": 1, "b": 2,\n "a": 3 }', 'Remove the first', '{ "b": 2,\n "a": 3 }'],
  ['{ "a": ', undefined, undefined],
  ['{\n<<<<<<< ours\n"a": 1\n=======\n"a": 2\n>>>>>>> theirs\n}', undefined, undefined],
])('how it is mended: %j', (text, title, mended) => {
  const [{ mend } = {}] = parseJson(text, { goesOn: true }).problems;
  expect(mend?.title).toBe(title);
  expect(mend && applyTextEdits(text, mend.edits)).toBe(mended);
});

test('mistakes behind a byte order mark are mended where they stand', () => {
  const text = '\uFEFF{ "a": [1,], }';
  const edits = parseJson(text, { goesOn: true }).problems.flatMap(({ mend }) => mend!.edits);
  expect(applyTextEdits(text, edits)).toBe('{ "a": [1] }');
});
