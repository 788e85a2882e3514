import { laid } from '../../../recipes/index.ts';
import { modRule, type ModReport } from '../../rule.ts';

export const recipeTooLarge = modRule({
  id: 'recipes/too-large',
  severity: 'error',
  title: 'Recipe too large for the target',
  why:
    'The target has so many places for a pattern or a mix. What takes more can never be ' +
    'laid out.',
  fails: {
    '/recipes/bank': {
      kind: 'pattern',
      pattern: ['aaaaaaaaa'],
      keys: { a: 'saltmarsh:lamp' },
      gives: 'saltmarsh:bank',
    },
  },
  passes: {
    '/recipes/bank': {
      kind: 'pattern',
      pattern: ['aaa'],
      keys: { a: 'saltmarsh:lamp' },
      gives: 'saltmarsh:bank',
    },
  },
  check(
    mod,
    {
      limits: {
        pattern: [wide, high],
      },
      title,
    },
  ) {
    return Object.entries(mod.recipes).flatMap(([name, recipe]): ModReport[] => {
      if (recipe.kind === 'mix')
        return recipe.takes.length > wide * high
          ? [
              {
                at: ['recipes', name, 'takes'],
                message:
                  `The recipe ${name} mixes ${recipe.takes.length} things; ${title} has ${wide * high} ` +
                  'places.',
              },
            ]
          : [];
      if (recipe.kind !== 'pattern') return [];
      const grid = laid(recipe);
      return grid.wide > wide || grid.high > high
        ? [
            {
              at: ['recipes', name, 'pattern'],
              message:
                `The recipe ${name} is ${grid.wide} by ${grid.high}; ${title} has ${wide} by ${high} ` +
                'places.',
            },
          ]
        : [];
    });
  },
});
