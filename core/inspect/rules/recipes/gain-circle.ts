import { itemAt } from '../../../lists/index.ts';
import { acceptsIn, gains } from '../../../recipes/index.ts';
import { listed } from '../../../words/index.ts';
import { modRule } from '../../rule.ts';
import { acceptingOf, makingOf } from '../../view.ts';

export const gainCircle = modRule({
  id: 'recipes/gain-circle',
  severity: 'warning',
  title: 'Circle that makes something from nothing',
  why:
    'Going round these recipes leaves more than there was before, as often as one likes. ' +
    'Players find such a circle within a day.',
  messages: {
    gainCircle: 'From nothing comes more {more}: {way}.',
  },
  fails: {
    '/recipes/a': { kind: 'mix', takes: ['saltmarsh:lamp'], gives: 'saltmarsh:bank', count: 3 },
    '/recipes/b': {
      kind: 'mix',
      takes: ['saltmarsh:bank', 'saltmarsh:bank'],
      gives: 'saltmarsh:lamp',
    },
  },
  passes: {
    '/recipes/a': { kind: 'mix', takes: ['saltmarsh:lamp'], gives: 'saltmarsh:bank', count: 2 },
    '/recipes/b': {
      kind: 'mix',
      takes: ['saltmarsh:bank', 'saltmarsh:bank'],
      gives: 'saltmarsh:lamp',
    },
  },
  check: (mod) =>
    gains(makingOf(mod), acceptsIn(acceptingOf(mod))).map(({ steps, more }) => {
      const words = steps.map(
        ({ recipe, dug, times }) =>
          `${recipe === undefined ? `placing and digging ${dug}` : `the recipe ${recipe}`}${times === 1 ? '' : ` ${times} times`}`,
      );
      const first = steps.find(({ recipe }) => recipe !== undefined);
      return {
        at: first ? ['recipes', first.recipe!] : ['blocks', itemAt(steps, 0).dug!, 'loot'],
        block: first ? undefined : itemAt(steps, 0).dug,
        says: 'gainCircle',
        parts: { more: listed(more), way: listed(words, 'then') },
      };
    }),
});
