import { pointer } from '../../../json/index.ts';
import { acceptsIn, neverTaught } from '../../../recipes/index.ts';
import { modRule } from '../../rule.ts';
import { acceptingOf, makingOf } from '../../view.ts';

const lamp = (taught: object) => ({
  '/blocks/lamp/identity/natural': null,
  '/recipes/lamp': {
    kind: 'mix',
    takes: ['saltmarsh:bank'],
    gives: 'saltmarsh:lamp',
    taught,
  },
});

export const recipeNeverLearned = modRule({
  id: 'recipes/never-learned',
  severity: 'warning',
  guesses: true,
  title: 'Recipe that nobody ever learns',
  why:
    'A recipe that is not known from the start is taught by something that a player has or makes. ' +
    'Where nobody comes to have or to make that, the recipe is never seen.',
  messages: { never: 'Nobody ever learns the recipe {name}: nobody comes to {what}.' },
  fails: lamp({ by: 'making', what: 'saltmarsh:lamp' }),
  passes: lamp({ by: 'holding', what: 'any' }),
  restsOn: ['natural', 'recipes', 'blocks', 'items', 'itemTags', 'lootTables', 'fluids'],
  check(mod) {
    if (Object.values(mod.recipes).every(({ taught }) => taught === undefined)) return [];
    return neverTaught(makingOf(mod), acceptsIn(acceptingOf(mod))).map((name) => {
      const taught = mod.recipes[name]!.taught!;
      const path = ['recipes', name, 'taught'];
      return {
        at: path,
        says: 'never',
        parts: { name, what: lesson(taught) },
        fix: {
          title: 'Let it be known from the start',
          changes: [{ path: pointer(path), before: taught }],
        },
      };
    });
  },
});

const lesson = ({ by, what }: { by: string; what: string }): string =>
  by === 'making'
    ? `make ${what}`
    : what === 'any'
      ? 'have any of what it takes'
      : what === 'all'
        ? 'have all that it takes'
        : `have ${what}`;
