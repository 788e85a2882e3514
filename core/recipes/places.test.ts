import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Recipe } from '../mod/index.ts';
import { placesOf, withIngredient } from './places.ts';

const pattern: Recipe = {
  kind: 'pattern',
  pattern: [' a', 'b '],
  keys: { a: 'a:x', b: 'a:y' },
  gives: 'a:w',
};
const mix: Recipe = { kind: 'mix', takes: ['a:x', 'a:y'], gives: 'a:w' };
const fire: Recipe = { kind: 'fire', takes: 'a:x', seconds: 4, gives: 'a:w' };

test('a pattern has its places row by row, a mix one more than it takes, the others one', () => {
  expect(placesOf(pattern)).toEqual({
    places: [undefined, 'a:x', 'a:y', undefined],
    columns: 2,
  });
  expect(placesOf(mix)).toEqual({ places: ['a:x', 'a:y', undefined], columns: 3 });
  expect(placesOf(fire)).toEqual({ places: ['a:x'], columns: 1 });
});

test('an emptied place of a mix closes, that of a fire stays filled', () => {
  expect(withIngredient(mix, 0, undefined)).toMatchObject({ takes: ['a:y'] });
  expect(withIngredient(mix, 2, 'a:z')).toMatchObject({ takes: ['a:x', 'a:y', 'a:z'] });
  expect(withIngredient(fire, 0, undefined)).toBe(fire);
  expect(withIngredient(fire, 0, 'a:z')).toMatchObject({ takes: 'a:z' });
});

test('what is put on a place lies there, and the other places stay', () =>
  fc.assert(
    fc.property(
      fc.constantFrom(pattern, mix, fire),
      fc.nat(),
      fc.constantFrom('a:x', 'a:new', '#a:tag'),
      (recipe, n, ingredient) => {
        const { places } = placesOf(recipe);
        const index = n % places.length;
        const after = placesOf(withIngredient(recipe, index, ingredient)).places;
        expect(after.slice(0, places.length)).toEqual(places.with(index, ingredient));
      },
    ),
  ));
