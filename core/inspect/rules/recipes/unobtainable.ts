import { heldUnder } from '../../../lists/index.ts';
import { lookUp, idOf, ingredientsOf, ownName, resultsOf } from '../../../mod/index.ts';
import { acceptsIn, givenIn, isObtainable } from '../../../recipes/index.ts';
import { pointer } from '../../../json/index.ts';
import { modRule, type ModReport } from '../../rule.ts';
import { acceptingOf, makingOf, type ModView } from '../../view.ts';

/** So many recipes are followed down to what is needed first. */
const deepest = 32;

export const unobtainable = modRule({
  id: 'recipes/unobtainable',
  severity: 'hint',
  guesses: true,
  title: 'Nobody can come to have it',
  why:
    'The world does not give it, nothing drops it, and no recipe that can be made gives ' +
    'it. Players will never hold it.',
  messages: {
    unobtainable: 'Nobody can come to have {id}: {why}.',
  },
  fails: { '/blocks/lamp/identity/natural': null },
  passes: {
    '/blocks/lamp/identity/natural': null,
    '/recipes/lamp': { kind: 'mix', takes: ['saltmarsh:bank'], gives: 'saltmarsh:lamp' },
  },
  restsOn: ['natural', 'recipes', 'blocks', 'items', 'itemTags', 'lootTables'],
  check(mod) {
    const { namespace } = mod.header;
    const making = makingOf(mod);
    const accepts = acceptsIn(acceptingOf(mod));
    const had = isObtainable(making, accepts);
    const recipeOf = new Map(
      Object.entries(mod.recipes).flatMap(([name, recipe]) =>
        resultsOf(recipe).map(({ gives }) => [gives, name] as const),
      ),
    );
    /** What one would need first: down the recipes, the first thing that no recipe gives. */
    const bottomOf = (id: string): string => {
      const met = new Set([id]);
      let bottom = id;
      while (met.size < deepest) {
        const recipe = lookUp(mod.recipes, recipeOf.get(bottom) ?? '');
        const lacking = (recipe ? ingredientsOf(recipe) : [])
          .map((ingredient) => [...accepts(ingredient)])
          .filter((all) => !all.some((one) => had(one)))
          .flat()
          .find((one) => !met.has(one) && !one.startsWith('#'));
        if (lacking === undefined) break;
        met.add((bottom = lacking));
      }
      return bottom;
    };
    return doubtful(mod).flatMap((id): ModReport[] => {
      const name = id.slice(id.indexOf(':') + 1);
      // Of a bucket of a fluid it is told why nobody can fill it.
      if (had(id) || isOfFluid(mod, name)) return [];
      const block = lookUp(mod.makings, name);
      const given = recipeOf.get(id);
      const at = block ? ['blocks', name, 'identity'] : ['items', name];
      const found = [...at, 'natural'];
      const dropped = block?.identity.natural;
      return [
        {
          at,
          block: block && name,
          says: 'unobtainable',
          cause: `Nobody can come to have ${bottomOf(id)}.`,
          parts: { id: idOf(namespace, name), why: whyNot(given, dropped) },
          fix: dropped
            ? undefined
            : {
                title: 'The world gives it',
                changes: [
                  {
                    path: pointer(found),
                    before: (block ? block.identity : heldUnder(mod.things, name)).natural,
                    after: true,
                  },
                ],
              },
        },
      ];
    });
  },
});

/** The ids of all that can be held and that the world does not give outright. */
const doubtful = (mod: ModView): string[] =>
  [
    ...Object.keys(mod.things),
    ...[...givenIn(makingOf(mod)).others].flatMap(([name, { identity }]) =>
      (identity.item ?? 'none') === 'none' ? [] : [name],
    ),
  ].map((name) => idOf(mod.header.namespace, name));

const isOfFluid = (mod: ModView, name: string): boolean => {
  const bucket = lookUp(mod.things, name)?.bucket;
  const of = bucket && ownName(mod.header.namespace, bucket.of);
  return of !== undefined && lookUp(mod.pools, of) !== undefined;
};

/** Why nobody can come to have a thing: its recipe takes what nobody has, it is never dropped, or nothing brings it. */
function whyNot(recipe: string | undefined, isFound: boolean | undefined): string {
  if (recipe !== undefined) return `the recipe ${recipe} takes what nobody can have`;
  return isFound
    ? 'the world has it, but it never drops itself, and no recipe gives it'
    : 'the world does not give it, and no recipe does';
}
