import { lookUp, ownName, resultsOf, usualStack, type Recipe } from '../../../mod/index.ts';
import { modRule, type ModReport } from '../../rule.ts';
import type { ModView } from '../../view.ts';

/** Nobody waits longer for one thing, in seconds. */
const longest = 3600;
const mostReward = 1000;

export const recipeNumberOutside = modRule({
  id: 'recipes/number-outside',
  severity: 'warning',
  title: 'Number in a recipe that makes no sense',
  why:
    'What comes out of a recipe lies in one place, so it gives no more than a stack; a fire takes ' +
    'time, and no hour; a reward is not taken away.',
  messages: {
    tooMany: 'The recipe {name} gives {count} of {gives}; a stack of it holds {stack}.',
    seconds: 'The recipe {name} takes {seconds} seconds; it goes from above 0 to {longest}.',
    reward: 'The recipe {name} has the reward {reward}; it goes from 0 to {mostReward}.',
  },
  fails: {
    '/recipes/bank': { kind: 'mix', takes: ['obrank:clay'], gives: 'saltmarsh:bank', count: 500 },
  },
  passes: {
    '/recipes/bank': { kind: 'mix', takes: ['obrank:clay'], gives: 'saltmarsh:bank', count: 5 },
  },
  check: (mod) =>
    Object.entries(mod.recipes).flatMap(([name, recipe]) => [
      ...tooMany(mod, name, recipe),
      ...(recipe.kind === 'fire' ? ofFire(name, recipe) : []),
    ]),
});

const tooMany = (mod: ModView, name: string, recipe: Recipe): ModReport[] =>
  resultsOf(recipe).flatMap(({ gives, count }, i) => {
    const own = ownName(mod.header.namespace, gives);
    const stack = lookUp(mod.items, own ?? '')?.stack ?? usualStack;
    return count > stack && own !== undefined
      ? [
          {
            at: ['recipes', name, ...(recipe.kind === 'cut' ? ['choices', i] : []), 'count'],
            says: 'tooMany',
            parts: { name, count, gives, stack },
          },
        ]
      : [];
  });

const ofFire = (
  name: string,
  { seconds, reward = 0 }: Extract<Recipe, { kind: 'fire' }>,
): ModReport[] => [
  ...(seconds > 0 && seconds <= longest
    ? []
    : [{ at: ['recipes', name, 'seconds'], says: 'seconds', parts: { name, seconds, longest } }]),
  ...(reward >= 0 && reward <= mostReward
    ? []
    : [{ at: ['recipes', name, 'reward'], says: 'reward', parts: { name, reward, mostReward } }]),
];
