import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { billOf } from './bill.ts';

test('a pattern counts every place of a letter, a mix every ingredient, the others one', () => {
  expect(
    billOf({
      kind: 'pattern',
      pattern: [' a ', 'aba', ' a '],
      keys: { a: '#saltmarsh:bars', b: 'saltmarsh:reed', c: 'saltmarsh:unused' },
      gives: 'saltmarsh:lantern',
    }),
  ).toEqual([
    { ingredient: '#saltmarsh:bars', count: 4 },
    { ingredient: 'saltmarsh:reed', count: 1 },
  ]);
  expect(
    billOf({ kind: 'fire', takes: 'saltmarsh:raw', seconds: 4, gives: 'saltmarsh:bar' }),
  ).toEqual([{ ingredient: 'saltmarsh:raw', count: 1 }]);
});

test('the numbers of a bill add up to what is taken, and nothing stands twice', () =>
  fc.assert(
    fc.property(
      fc.array(fc.constantFrom('a:x', 'a:y', '#a:z'), { minLength: 1, maxLength: 9 }),
      (takes) => {
        const bill = billOf({ kind: 'mix', takes, gives: 'a:w' });
        expect(bill.reduce((sum, { count }) => sum + count, 0)).toBe(takes.length);
        expect(new Set(bill.map(({ ingredient }) => ingredient)).size).toBe(bill.length);
      },
    ),
  ));
