import { codeFlaw } from '../../../states/index.ts';
import { blockRule } from '../../rule.ts';

export const codesCollide = blockRule({
  id: 'states/codes-collide',
  severity: 'error',
  title: 'State codes that lose a state',
  why:
    'A saved world stores each state as a number. If two states share one, or a state has ' +
    'none or comes back as another, the world changes when it is loaded.',
  messages: {
    codesCollide: '{block}: {flaw}.',
  },
  fails: {
    '/ledger/entries/2/codes': {
      kind: 'table',
      bits: 3,
      digits: [
        { property: 'heading', values: ['north', 'east', 'south', 'west'] },
        { property: 'lit', values: [false, true] },
      ],
      codes: [0, 1, 2, 3, 4, 5, 6, 6],
    },
  },
  passes: {
    '/ledger/entries/2/codes': {
      kind: 'table',
      bits: 3,
      digits: [
        { property: 'heading', values: ['north', 'east', 'south', 'west'] },
        { property: 'lit', values: [false, true] },
      ],
      codes: [7, 6, 5, 4, 3, 2, 1, 0],
    },
  },
  check({ name, space }, context) {
    if (
      space.tooLarge ||
      new Set(space.properties.map((property) => property.name)).size < space.properties.length
    )
      return [];
    if (space.values.some((values) => new Set(values).size < values.length)) return [];
    const flaw = codeFlaw(context.codes, space);
    return flaw
      ? [
          {
            at: ['states', 'properties'],
            says: 'codesCollide',
            parts: { block: name, flaw },
            fix: context.setCodes('Lay the codes out afresh', undefined),
          },
        ]
      : [];
  },
});
