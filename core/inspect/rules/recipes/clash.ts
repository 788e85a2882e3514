import { heldUnder } from '../../../lists/index.ts';
import { acceptsIn, clashes } from '../../../recipes/index.ts';
import { resultsOf } from '../../../mod/index.ts';
import { listed, tallied } from '../../../words/index.ts';
import { modRule } from '../../rule.ts';
import { acceptingOf } from '../../view.ts';

export const recipeClash = modRule({
  id: 'recipes/clash',
  severity: 'warning',
  title: 'Two recipes that take the same',
  why:
    'Something fits both recipes, and they give different things. Which of them counts is ' +
    'up to the engine, and the other can never be made from it.',
  messages: {
    clash:
      'The recipes {first} and {second} both take {both}, but one gives {oneThing} and the ' +
      'other {otherThing}.',
  },
  fails: {
    '/recipes/a': { kind: 'mix', takes: ['saltmarsh:lamp'], gives: 'saltmarsh:bank' },
    '/recipes/b': {
      kind: 'pattern',
      pattern: ['x'],
      keys: { x: 'saltmarsh:lamp' },
      gives: 'saltmarsh:bank',
      count: 2,
    },
  },
  passes: {
    '/recipes/a': { kind: 'mix', takes: ['saltmarsh:lamp'], gives: 'saltmarsh:bank' },
    '/recipes/b': {
      kind: 'pattern',
      pattern: ['xx'],
      keys: { x: 'saltmarsh:lamp' },
      gives: 'saltmarsh:bank',
      count: 2,
    },
  },
  check: (mod) =>
    clashes(mod.recipes, acceptsIn(acceptingOf(mod))).map(({ first, second, both }) => {
      const gives = (name: string) =>
        listed(
          resultsOf(heldUnder(mod.recipes, name)).map(({ gives: id, count }) => `${count} ${id}`),
          'or',
        );
      return {
        at: ['recipes', second],
        says: 'clash',
        parts: {
          first,
          second,
          both: tallied(both),
          oneThing: gives(first),
          otherThing: gives(second),
        },
      };
    }),
});
