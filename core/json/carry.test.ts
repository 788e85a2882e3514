import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { carry, nowhere, sameData } from './index.ts';

describe('what a change does to one form of a document it does to another', () => {
  test.each<[what: string, before: unknown, after: unknown, mine: unknown, done: unknown]>([
    ['a value', { a: 1, b: 2 }, { a: 3, b: 2 }, { a: 1, c: 9 }, { a: 3, c: 9 }],
    ['a key away', { a: 1, b: 2 }, { b: 2 }, { a: 1, b: 2, c: 9 }, { b: 2, c: 9 }],
    ['a key that is left out', { a: 1 }, { a: 2 }, { c: 9 }, { a: 2, c: 9 }],
    [
      'a list of names in another order, what is new behind what it followed',
      ['a', 'b'],
      ['a', 'b', 'c'],
      ['b', 'a'],
      ['b', 'c', 'a'],
    ],
    ['a name away', ['a', 'b'], ['b'], ['b', 'x', 'a'], ['b', 'x']],
    [
      'a row in the middle of rows that leave out what is usual',
      [
        { n: 1, s: 0 },
        { n: 2, s: 0 },
        { n: 3, s: 0 },
      ],
      [
        { n: 1, s: 0 },
        { n: 3, s: 0 },
      ],
      [{ n: 1 }, { n: 2 }, { n: 3, s: 0 }],
      [{ n: 1 }, { n: 3, s: 0 }],
    ],
    ['a row turned', [{ n: 1, s: 0 }], [{ n: 4, s: 0 }], [{ n: 1 }], [{ n: 4 }]],
    [
      'rows before all',
      [{ n: 1, s: 0 }],
      [{ n: 0 }, { n: 1, s: 0 }],
      [{ n: 1 }],
      [{ n: 0 }, { n: 1 }],
    ],
    ['a row that is not there', [{ n: 1 }], [{ n: 2 }], [{ n: 7 }], nowhere],
    ['another kind of value', { a: [1] }, { a: [2] }, { a: { b: 1 } }, nowhere],
  ])('%s', (_, before, after, mine, done) => expect(carry(before, after, mine)).toEqual(done));
});

const value = fc.jsonValue({ maxDepth: 3, noUnicodeString: true });

test('to the same document it does the same, and nothing where nothing changed', () =>
  fc.assert(
    fc.property(value, value, value, (before, after, mine) => {
      expect(sameData(carry(before, after, before), after)).toBe(true);
      expect(carry(before, before, mine)).toBe(mine);
    }),
  ));

test('keys that only the third has stay, whatever changes beside them', () =>
  fc.assert(
    fc.property(
      fc.dictionary(fc.constantFrom('a', 'b', 'c'), fc.nat(3)),
      fc.dictionary(fc.constantFrom('a', 'b', 'c'), fc.nat(3)),
      (before, after) => {
        expect(carry(before, after, { ...before, mine: 1 })).toEqual({ ...after, mine: 1 });
      },
    ),
  ));
