import { pointer } from '../../../json/index.ts';
import { modRule } from '../../rule.ts';
import { exampleFamily } from './example.ts';

export const cellOfNothing = modRule({
  id: 'families/cell-of-nothing',
  severity: 'warning',
  title: 'Cell of a material or form that is not there',
  why:
    'A family says what a cell has otherwise by the names of its material and its form. Where one ' +
    'of them is gone or misspelt, that says nothing.',
  messages: {
    nothing:
      'The family {family} says something of {material} in the form {form}, which it has not.',
  },
  fails: {
    '/families/salts': { ...exampleFamily, cells: { lime: { stair: { leftOut: true } } } },
  },
  passes: {
    '/families/salts': { ...exampleFamily, cells: { lime: { cube: { called: 'chalk' } } } },
  },
  check: (mod) =>
    Object.entries(mod.families).flatMap(([family, { materials, forms, cells = {} }]) => {
      const isThere = (parts: readonly { name: string }[], name: string) =>
        parts.some((one) => one.name === name);
      return Object.entries(cells).flatMap(([material, row]) =>
        Object.entries(row).flatMap(([form, cell]) => {
          if (isThere(materials, material) && isThere(forms, form)) return [];
          const at = ['families', family, 'cells', material, form];
          return [
            {
              at,
              says: 'nothing',
              parts: { family, material, form },
              fix: { title: 'Take it away', changes: [{ path: pointer(at), before: cell }] },
            },
          ];
        }),
      );
    }),
});
