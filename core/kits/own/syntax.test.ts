import { describe, expect, test } from '@jest/globals';
import { mistakeIn, syntaxOf } from './syntax.ts';

describe('what can be read has no mistake', () => {
  test.each([
    ['json', '{"a": [1, 2.5, null]}'],
    ['xml', '<?xml version="1.0"?>\n<a b="1"><c/>&lt;</a>'],
    ['toml', 'a = 1\n[b]\nc = "x"\n'],
    ['csv', 'a,b\n"1\n2",3\n'],
    ['lua', 'return { a = 1, [2] = "x" }'],
    ['text', '{ anything <'],
  ] as const)('%s', (syntax, text) => expect(mistakeIn(text, syntax)).toBeUndefined());
});

describe('a mistake is told at its line', () => {
  test.each([
    ['json', '{\n  "a": 1,\n}', 2],
    ['xml', '<a>\n  <b></c>\n</a>', 2],
    ['xml', '<a/>\n<b/>', 2],
    ['xml', '<a>&nosuch;</a>', 1],
    ['toml', 'a = 1\nb =\n', 2],
    ['csv', 'a,b\n"1\n2",3\n4\n', 4],
    ['csv', 'a,b\n1,"2\n', 2],
    ['lua', 'x = 1\ny = = 2\n', 2],
  ] as const)('%s %j', (syntax, text, line) => {
    const mistake = mistakeIn(text, syntax);
    expect(mistake?.place.line).toBe(line);
    expect(mistake?.message).toMatch(/^[A-Z"'<].*\.$/);
  });
});

test('what goes too deep to be read is a mistake, and no crash', () => {
  const deep = `return ${'{'.repeat(200_000)}`;
  expect(mistakeIn(deep, 'lua')?.message).toMatch(/\.$/);
});

test('the ending of a name tells the syntax, whatever its letters', () => {
  expect(syntaxOf('blocks/a.JSON')).toBe('json');
  expect(syntaxOf('blocks/a')).toBe('text');
});
