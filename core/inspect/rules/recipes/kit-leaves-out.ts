import { engineKit } from '../../../kits/index.ts';
import { modRule } from '../../rule.ts';

export const kitLeavesOut = modRule({
  id: 'recipes/kit-leaves-out',
  severity: 'warning',
  title: 'Recipe that the kit leaves out',
  why:
    'Not every engine has every way of making. What is left out cannot be made in the game, so ' +
    'players need another way to it.',
  messages: {
    leftOut: 'The recipe {name} is left out: {kit} knows no recipes of the kind {kind}.',
  },
  fails: {
    '/header/kit': engineKit.name,
    '/recipes/cut_bank': {
      kind: 'cut',
      takes: 'saltmarsh:bank',
      choices: [{ gives: 'saltmarsh:lamp' }],
    },
  },
  passes: {
    '/recipes/cut_bank': {
      kind: 'cut',
      takes: 'saltmarsh:bank',
      choices: [{ gives: 'saltmarsh:lamp' }],
    },
  },
  check: ({ recipes }, { limits, title }) =>
    Object.entries(recipes).flatMap(([name, { kind }]) =>
      !limits.recipes || limits.recipes.includes(kind)
        ? []
        : [{ at: ['recipes', name], says: 'leftOut', parts: { name, kit: title, kind } }],
    ),
});
