import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { changedLines, markLines } from './lines.ts';

const anyText = fc
  .array(fc.constantFrom('{', '  "a": 1,', '  "b": 2', '', '}'), { maxLength: 12 })
  .map((lines) => lines.map((line) => `${line}\n`).join(''));
const joined = (lines: { text: string }[]) => lines.map((line) => `${line.text}\n`).join('');

test(
  'the lines that stayed and came make the new text, those that stayed and went the old ' + 'one',
  () =>
    fc.assert(
      fc.property(anyText, anyText, (before, after) => {
        const lines = markLines(before, after);
        expect(joined(lines.filter((line) => line.kind !== 'less'))).toBe(after);
        expect(joined(lines.filter((line) => line.kind !== 'more'))).toBe(before);
        expect(lines.flatMap((line) => line.number ?? [])).toEqual(
          Array.from({ length: after.split('\n').length - 1 }, (_, i) => i + 1),
        );
        expect(changedLines(before, before)).toBe(0);
      }),
    ),
);

test('one changed line is one that went and one that came', () => {
  expect(markLines('{\n  "hardness": 3\n}\n', '{\n  "hardness": 4\n}\n')).toEqual([
    { text: '{', number: 1 },
    { text: '  "hardness": 3', kind: 'less' },
    { text: '  "hardness": 4', kind: 'more', number: 2 },
    { text: '}', number: 3 },
  ]);
  expect(changedLines('a\nb\n', 'a\n')).toBe(1);
});

test('without an older text nothing is marked; with an empty one everything is new', () => {
  expect(markLines(undefined, 'a\nb\n')).toEqual([
    { text: 'a', number: 1 },
    { text: 'b', number: 2 },
  ]);
  expect(markLines('', 'a\n')).toEqual([{ text: 'a', kind: 'more', number: 1 }]);
});
