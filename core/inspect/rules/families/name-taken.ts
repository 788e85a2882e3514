import { expansionOf } from '../../../families/index.ts';
import { modRule, type ModReport } from '../../rule.ts';
import type { ModView } from '../../view.ts';
import { exampleFamily } from './example.ts';

export const cellNameTaken = modRule({
  id: 'families/name-taken',
  severity: 'error',
  title: 'Cell of a family under a name that is taken',
  why:
    'Two things cannot have one name. The cell is not there until one of them is called ' +
    'otherwise: the form by another pattern, or the cell by a name of its own.',
  messages: {
    taken:
      '{material} in the form {form} of the family {family} would be called {name}, as another ' +
      'cell already is.',
  },
  fails: {
    '/families/salts': {
      ...exampleFamily,
      forms: [
        { name: 'cube', kind: 'cube' },
        { name: 'pillar', kind: 'pillar', called: '{material}' },
      ],
    },
  },
  passes: { '/families/salts': exampleFamily },
  check: (mod) => takenNames(mod),
});

const takenNames = (mod: Pick<ModView, 'header' | 'families'>): ModReport[] =>
  expansionOf(mod)
    .problems.filter(({ problem }) => problem === 'name taken')
    .map(({ place: { family, material, form }, message }) => ({
      at: ['families', family, 'cells', material, form],
      says: 'taken',
      parts: { material, form, family, name: message.slice(message.indexOf('/') + 1) },
    }));
