import { modRule, type ModReport } from '../../rule.ts';

export const recipeEmpty = modRule({
  id: 'recipes/empty',
  severity: 'error',
  guesses: true,
  title: 'Recipe that takes or gives nothing, or takes no time',
  why:
    'A recipe needs something to take and something to give, and what lies in the fire ' +
    'lies there for a while.',
  messages: {
    takesNothing: 'The recipe {name} takes nothing.',
    choiceEmpty: 'The recipe {name} gives nothing to choose from.',
    noTime: 'The recipe {name} takes {seconds} s in the fire.',
    rewardNegative: 'The recipe {name} has a reward below zero.',
  },
  fails: {
    '/recipes/bank': { kind: 'fire', takes: 'saltmarsh:lamp', gives: 'saltmarsh:bank', seconds: 0 },
  },
  passes: {
    '/recipes/bank': {
      kind: 'fire',
      takes: 'saltmarsh:lamp',
      gives: 'saltmarsh:bank',
      seconds: 10,
    },
  },
  check: (mod) =>
    Object.entries(mod.recipes).flatMap(([name, recipe]): ModReport[] => {
      if (recipe.kind === 'mix' && !recipe.takes.length)
        return [{ at: ['recipes', name, 'takes'], says: 'takesNothing', parts: { name } }];
      if (recipe.kind === 'cut' && !recipe.choices.length)
        return [
          {
            at: ['recipes', name, 'choices'],
            says: 'choiceEmpty',
            parts: { name },
          },
        ];
      if (recipe.kind === 'fire' && !(recipe.seconds > 0))
        return [
          {
            at: ['recipes', name, 'seconds'],
            says: 'noTime',
            parts: { name, seconds: recipe.seconds },
            fix: {
              title: 'Make it 10 s',
              changes: [{ path: `/recipes/${name}/seconds`, before: recipe.seconds, after: 10 }],
            },
          },
        ];
      if (recipe.kind === 'fire' && (recipe.reward ?? 0) < 0)
        return [
          {
            at: ['recipes', name, 'reward'],
            says: 'rewardNegative',
            parts: { name },
            fix: {
              title: 'Give none',
              changes: [{ path: `/recipes/${name}/reward`, before: recipe.reward }],
            },
          },
        ];
      return [];
    }),
});
