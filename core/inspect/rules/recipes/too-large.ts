import { laid } from '../../../recipes/index.ts';
import { modRule, type ModReport } from '../../rule.ts';

export const recipeTooLarge = modRule({
  id: 'recipes/too-large',
  severity: 'error',
  title: 'Recipe too large for the target',
  why:
    'The target has so many places for a pattern or a mix. What takes more can never be ' +
    'laid out.',
  messages: {
    tooMany: 'The recipe {name} mixes {things} things; {kit} has {places} places.',
    tooWide: 'The recipe {name} is {wide} by {high}; {kit} has {mostWide} by {mostHigh} places.',
  },
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
                says: 'tooMany',
                parts: { name, things: recipe.takes.length, kit: title, places: wide * high },
              },
            ]
          : [];
      if (recipe.kind !== 'pattern') return [];
      const grid = laid(recipe);
      return grid.wide > wide || grid.high > high
        ? [
            {
              at: ['recipes', name, 'pattern'],
              says: 'tooWide',
              parts: {
                name,
                wide: grid.wide,
                high: grid.high,
                kit: title,
                mostWide: wide,
                mostHigh: high,
              },
            },
          ]
        : [];
    });
  },
});
