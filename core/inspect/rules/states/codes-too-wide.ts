import { mixedRadix, proveCodes } from '../../../states/index.ts';
import { blockRule } from '../../rule.ts';

export const codesTooWide = blockRule({
  id: 'states/codes-too-wide',
  severity: 'error',
  title: 'State codes that do not fit the kit',
  why:
    'The target stores each state in so many bits. The states would fit, but the way in ' +
    'which their codes are laid out needs more.',
  messages: {
    codesTooWide:
      '{block}: the state codes need {bits} bits as they are laid out; {kit} stores ' +
      '{most}. Counted without gaps they need {least}.',
  },
  fails: {
    '/ledger/entries/2/codes': {
      kind: 'bit-fields',
      bits: 20,
      fields: [
        { property: 'heading', values: ['north', 'east', 'south', 'west'], at: 18, width: 2 },
        { property: 'lit', values: [false, true], at: 0, width: 1 },
      ],
    },
  },
  passes: {
    '/ledger/entries/2/codes': {
      kind: 'bit-fields',
      bits: 3,
      fields: [
        { property: 'heading', values: ['north', 'east', 'south', 'west'], at: 1, width: 2 },
        { property: 'lit', values: [false, true], at: 0, width: 1 },
      ],
    },
  },
  check({ name, space }, context) {
    const { stateCodeBits } = context.kit.limits;
    if (space.tooLarge || space.trueSize > 2 ** stateCodeBits) return [];
    const { bits } = proveCodes(context.codes, space);
    if (bits <= stateCodeBits) return [];
    return [
      {
        at: ['states', 'properties'],
        says: 'codesTooWide',
        parts: {
          block: name,
          bits,
          kit: context.kit.title,
          most: stateCodeBits,
          least: mixedRadix(space).bits,
        },
        fix: context.setCodes('Lay the codes out afresh', undefined),
      },
    ];
  },
});
