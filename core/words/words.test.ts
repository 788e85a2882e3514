import { expect, test } from '@jest/globals';
import { closest, count, didYouMean, listed, inWords, spokenName } from './index.ts';

test('a near miss is found, and nothing far away', () => {
  expect(closest('tide_lantren', ['tide_lantern', 'brine'])).toBe('tide_lantern');
  expect(closest('Salt', ['salt', 'silt'])).toBe('salt');
  expect(closest('shoer', ['shore', 'shop'])).toBe('shore');
  expect(closest('brine', ['tide_lantern'])).toBeUndefined();
  expect(closest('x', [])).toBeUndefined();
  expect(closest('ab', ['cd'])).toBeUndefined();
});

test('sentences are put together', () => {
  expect(didYouMean('brine')).toBe(' Did you mean brine?');
  expect(didYouMean(undefined)).toBe('');
  expect([[], ['a'], ['a', 'b'], ['a', 'b', 'c']].map((words) => listed(words))).toEqual([
    '',
    'a',
    'a and b',
    'a, b and c',
  ]);
  expect(listed(['a', 'b'], 'or')).toBe('a or b');
  expect([
    count(1, 'row'),
    count(3, 'row'),
    count(0, 'row'),
    count(12_345, 'entry', 'entries'),
  ]).toEqual(['1 row', '3 rows', '0 rows', '12,345 entries']);
});

test('a sentence takes its parts by name, and says which one is missing or has no place', () => {
  const messages = { high: '{block} is {by} too high for {block}.' };
  const say = (says: string, parts: Record<string, string | number>) =>
    inWords(messages, { says, parts });
  expect(say('high', { block: 'reed', by: 2 })).toBe('reed is 2 too high for reed.');
  // What a part holds is not looked into again.
  expect(say('high', { block: '{by}', by: '$&' })).toBe('{by} is $& too high for {by}.');
  expect(() => say('high', { block: 'reed' })).toThrow(/lacks its part by/);
  expect(() => say('high', { block: 'reed', by: 2, of: 3 })).toThrow(/has no part of/);
  expect(() => say('low', {})).toThrow(/no sentence called low/);
});

test('a name is said with a capital and spaces', () => {
  expect([spokenName('tide_lantern'), spokenName('')]).toEqual(['Tide lantern', '']);
});
