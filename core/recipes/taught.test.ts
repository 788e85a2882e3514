import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { emptyMod, type Mod, type Recipe, type Taught } from '../mod/index.ts';
import { acceptsIn, neverTaught } from './index.ts';

const things = ['a', 'b', 'c', 'd'].map((name) => `m:${name}`);
const thing = fc.constantFrom(...things);
const taught: fc.Arbitrary<Taught | undefined> = fc.oneof(
  fc.constant(undefined),
  fc.record({
    by: fc.constant('holding' as const),
    what: fc.oneof(fc.constantFrom('any' as const, 'all' as const), thing),
  }),
  fc.record({ by: fc.constant('making' as const), what: thing }),
  fc.record({ by: fc.constant('having' as const), what: thing }),
);
const recipe: fc.Arbitrary<Recipe> = fc
  .record({
    takes: fc.array(thing, { minLength: 1, maxLength: 2 }),
    gives: thing,
    taught,
  })
  .map(({ taught: lesson, ...rest }) => ({
    kind: 'mix',
    ...rest,
    ...(lesson && { taught: lesson }),
  }));

/** Plainly: whoever has something makes and learns what they can, until nothing changes. */
function plainly(recipes: Record<string, Recipe>, natural: readonly string[]): string[] {
  const had = new Set(natural);
  const made = new Set<string>();
  const known = new Set(Object.keys(recipes).filter((name) => !recipes[name]!.taught));
  for (let before = -1; before !== had.size + made.size * 10 + known.size * 100;) {
    before = had.size + made.size * 10 + known.size * 100;
    for (const [name, one] of Object.entries(recipes)) {
      if (one.kind !== 'mix') continue;
      const { takes, gives, taught: lesson } = one;
      if (known.has(name) && takes.every((id) => had.has(id))) {
        had.add(gives);
        made.add(gives);
      }
      if (!lesson) continue;
      const isLearned =
        lesson.by === 'making'
          ? made.has(lesson.what)
          : lesson.by === 'holding' && lesson.what === 'any'
            ? takes.some((id) => had.has(id))
            : lesson.by === 'holding' && lesson.what === 'all'
              ? takes.every((id) => had.has(id))
              : had.has(lesson.what);
      if (isLearned) known.add(name);
    }
  }
  return Object.keys(recipes).filter((name) => !known.has(name));
}

test('what nobody ever learns is what one does not learn by having, making and learning on', () =>
  fc.assert(
    fc.property(fc.array(recipe, { maxLength: 6 }), fc.subarray(things), (list, natural) => {
      const recipes = Object.fromEntries(list.map((one, i) => [`r${i}`, one]));
      const items: Mod['items'] = Object.fromEntries(
        things.map((id) => [
          id.slice(2),
          { names: {}, ...(natural.includes(id) && { natural: true }) },
        ]),
      );
      const mod = { ...emptyMod('m', 'M'), recipes, items };
      const accepts = acceptsIn({ ...mod, blocks: {} });
      expect(neverTaught({ ...mod, makings: {} }, accepts).sort()).toEqual(
        plainly(recipes, natural).sort(),
      );
    }),
    { numRuns: 300 },
  ));
