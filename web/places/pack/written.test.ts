import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { folded, tokenAt, writtenLines } from './written.ts';

test('a mend is a strike and an insertion in the line that it changes', () => {
  expect(writtenLines('{\n  "a": "banc"\n}\n', '{\n  "a": "bank"\n}\n')).toEqual([
    { number: 1, pieces: [{ text: '{' }] },
    {
      number: 2,
      pieces: [
        { text: '  "a": "' },
        { text: 'banc', kind: 'less' },
        { text: 'bank', kind: 'more' },
        { text: '"' },
      ],
    },
    { number: 3, pieces: [{ text: '}' }] },
  ]);
});

test('lines that go are struck out, lines that come have no number', () => {
  expect(
    writtenLines('a\nb\nc\n', 'a\nc\n').map(({ number, pieces }) => [number, pieces[0]]),
  ).toEqual([
    [1, { text: 'a' }],
    [2, { text: 'b', kind: 'less' }],
    [3, { text: 'c' }],
  ]);
  expect(writtenLines('a\n', 'a\nb\n')[1]).toEqual({
    pieces: [{ text: 'b', kind: 'more' }],
    whole: 'more',
  });
});

const text = fc
  .array(fc.constantFrom('a', 'b b', '"c": 1,', '', '}'), { minLength: 1, maxLength: 12 })
  .map((lines) => `${lines.join('\n')}\n`);

test('without what is put in it is the text, without what is struck out the mended one', () =>
  fc.assert(
    fc.property(text, text, (before, after) => {
      const lines = writtenLines(before, after);
      const without = (kind: 'less' | 'more') =>
        lines
          .filter(({ whole }) => whole !== kind)
          .map(({ pieces }) =>
            pieces.flatMap((piece) => (piece.kind === kind ? [] : [piece.text])).join(''),
          );
      expect(without('more')).toEqual(before.replace(/\n$/, '').split('\n'));
      expect(without('less')).toEqual(after.replace(/\n$/, '').split('\n'));
    }),
  ));

test('of a long file only what is said, and what stands around it', () => {
  const lines = writtenLines(Array.from({ length: 900 }, (_, i) => `line ${i + 1}`).join('\n'));
  const shown = folded(lines, new Set([412]), new Set());
  expect(shown[0]).toEqual({ from: 1, to: 405 });
  expect(shown).toHaveLength(15);
  expect(shown.at(-1)).toEqual({ from: 419, to: 900 });
  expect(folded(lines, new Set([412]), new Set([1]))).toHaveLength(419);
  expect(folded(lines.slice(0, 20), new Set(), new Set())).toHaveLength(20);
});

test.each<[line: string, column: number, found: string]>([
  ['  "rows": [', 3, '"rows"'],
  ['  "rows": [', 11, '['],
  ['"a\\"b" ', 1, '"a\\"b"'],
  ['x: -1.5,', 4, '-1.5'],
  ['short', 40, 't'],
])('what a place points at: %j at %d', (line, column, found) =>
  expect(line.slice(...tokenAt(line, column))).toBe(found),
);

test('an empty line has a place too', () => expect(tokenAt('', 1)).toEqual([0, 1]));
