import { listed } from '../../../words/index.ts';
import { modRule } from '../../rule.ts';

export const patternKeys = modRule({
  id: 'recipes/pattern-keys',
  severity: 'error',
  title: 'Pattern that does not fit its keys',
  why:
    'Each letter of a pattern stands for a key; all rows are equally long. A letter ' +
    'without a key, a key without a letter, or a ragged pattern cannot be made.',
  messages: {
    patternKeys: 'The recipe {name} cannot be made: {flaws}.',
  },
  fails: {
    '/recipes/bank': {
      kind: 'pattern',
      pattern: ['ab', 'a'],
      keys: { a: 'saltmarsh:lamp' },
      gives: 'saltmarsh:bank',
    },
  },
  passes: {
    '/recipes/bank': {
      kind: 'pattern',
      pattern: ['aa', 'a '],
      keys: { a: 'saltmarsh:lamp' },
      gives: 'saltmarsh:bank',
    },
  },
  check: (mod) =>
    Object.entries(mod.recipes).flatMap(([name, recipe]) => {
      if (recipe.kind !== 'pattern') return [];
      const letters = new Set(
        recipe.pattern.flatMap((row) => [...row]).filter((letter) => letter !== ' '),
      );
      const unknown = [...letters].filter((letter) => !Object.hasOwn(recipe.keys, letter));
      const unused = Object.keys(recipe.keys).filter((key) => !letters.has(key));
      const says = [
        ...(letters.size === 0 ? ['its pattern is empty'] : []),
        ...(new Set(recipe.pattern.map((row) => row.length)).size > 1
          ? ['its rows are not equally long']
          : []),
        ...(unknown.length
          ? [`${listed(unknown)} ${unknown.length > 1 ? 'have' : 'has'} no key`]
          : []),
        ...(unused.length
          ? [
              `the ${unused.length > 1 ? 'keys' : 'key'} ${listed(unused)} ` +
                `${unused.length > 1 ? 'are' : 'is'} not used`,
            ]
          : []),
      ];
      return says.length
        ? [
            {
              at: ['recipes', name, 'pattern'],
              says: 'patternKeys',
              parts: { name, flaws: listed(says) },
            },
          ]
        : [];
    }),
});
