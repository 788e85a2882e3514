import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { idsIn, ingredientsOf, resultsOf, type Recipe } from './index.ts';
import { valueAt, pointer } from '../json/index.ts';

const thing = fc.constantFrom('a:salt', 'a:reed', '#a:dry');
const recipe: fc.Arbitrary<Recipe> = fc.oneof(
  fc.record({
    kind: fc.constant('mix' as const),
    takes: fc.array(thing, { maxLength: 4 }),
    gives: fc.constant('a:x'),
    count: fc.integer({ min: 1, max: 3 }),
  }),
  fc.record({
    kind: fc.constant('pattern' as const),
    pattern: fc.constantFrom<string[]>(['ab'], ['a ', ' a'], ['abz']),
    keys: fc.record({ a: thing, b: thing }),
    gives: fc.constant('a:y'),
  }),
  fc.record({
    kind: fc.constant('fire' as const),
    takes: thing,
    gives: fc.constant('a:x'),
    seconds: fc.constant(3),
  }),
  fc.record({
    kind: fc.constant('cut' as const),
    takes: thing,
    choices: fc.array(fc.record({ gives: fc.constantFrom('a:x', 'a:y') }), { maxLength: 3 }),
  }),
);

test('every id of a recipe is told with the place where it stands', () =>
  fc.assert(
    fc.property(recipe, (one) => {
      for (const { id, at } of idsIn(one)) expect(valueAt(one, pointer(at))).toBe(id);
      const told = (what: string) =>
        new Set(
          idsIn(one)
            .filter((each) => each.what === what)
            .map(({ id }) => id),
        );
      for (const taken of ingredientsOf(one)) expect(told('ingredient')).toContain(taken);
      expect(told('result')).toEqual(new Set(resultsOf(one).map(({ gives }) => gives)));
    }),
  ));

test(
  'ingredients are told as often as they are taken; what stands for nothing in a ' +
    'pattern is taken by nobody',
  () => {
    expect(
      ingredientsOf({
        kind: 'pattern',
        pattern: ['ab', 'a?'],
        keys: { a: 'a:salt', b: '#a:dry', c: 'a:reed' },
        gives: 'a:x',
      }),
    ).toEqual(['a:salt', '#a:dry', 'a:salt']);
    expect(ingredientsOf({ kind: 'fire', takes: '#a:dry', gives: 'a:x', seconds: 2 })).toEqual([
      '#a:dry',
    ]);
    expect(
      resultsOf({
        kind: 'cut',
        takes: 'a:x',
        choices: [{ gives: 'a:y' }, { gives: 'a:z', count: 4 }],
      }),
    ).toEqual([
      { gives: 'a:y', count: 1 },
      { gives: 'a:z', count: 4 },
    ]);
  },
);
