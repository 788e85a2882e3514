import { modRule } from '../../rule.ts';
import { exampleFamily } from './example.ts';

export const partNameTwice = modRule({
  id: 'families/name-twice',
  severity: 'error',
  title: 'Two materials or forms of one name',
  why:
    'What a family makes is found by the names of its material and its form. Of two that are ' +
    'called the same only one can be meant.',
  messages: {
    twice: 'The family {family} has two {kind} called {name}.',
  },
  fails: {
    '/families/salts': {
      ...exampleFamily,
      materials: [...exampleFamily.materials, ...exampleFamily.materials],
    },
  },
  passes: { '/families/salts': exampleFamily },
  check: (mod) =>
    Object.entries(mod.families).flatMap(([family, held]) =>
      (['materials', 'forms'] as const).flatMap((kind) =>
        held[kind].flatMap(({ name }, i) =>
          held[kind].findIndex((one) => one.name === name) < i
            ? [{ at: ['families', family, kind, i], says: 'twice', parts: { family, kind, name } }]
            : [],
        ),
      ),
    ),
});
