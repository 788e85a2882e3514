import { expect, test } from '@jest/globals';
import { closest, count, didYouMean, listed } from './index.ts';

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
