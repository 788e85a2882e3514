import { expansionOf } from '../../../families/index.ts';
import { modRule } from '../../rule.ts';
import { exampleFamily } from './example.ts';

export const cellDoesNotFit = modRule({
  id: 'families/cell-does-not-fit',
  severity: 'error',
  title: 'Cell of a family that cannot be made',
  why:
    'What a form makes of a material must be a whole block or item once its open places are ' +
    'filled. Until it is, this cell is not there at all.',
  messages: {
    unfit: '{material} in the form {form} of the family {family} cannot be made. {why}',
  },
  fails: {
    '/families/salts': {
      ...exampleFamily,
      forms: [{ name: 'arch', own: { block: { identity: { stock: '{rock}' } } } }],
    },
  },
  passes: { '/families/salts': exampleFamily },
  check: (mod) =>
    expansionOf(mod)
      .problems.filter(({ problem }) => problem === 'does not fit')
      .map(({ place: { family, material, form }, message }) => ({
        at: ['families', family, 'cells', material, form],
        says: 'unfit',
        parts: { material, form, family, why: message },
      })),
});
