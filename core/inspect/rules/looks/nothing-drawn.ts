import { BitSet } from '../../../states/index.ts';
import { blockRule } from '../../rule.ts';
import { saidOfStates } from '../../said-of-states.ts';

export const nothingDrawn = blockRule({
  id: 'looks/nothing-drawn',
  severity: 'warning',
  guesses: true,
  title: 'Layered look that draws nothing',
  why:
    'In a layered look every row that matches is drawn. In a state that no row matches ' +
    'the block cannot be seen at all.',
  messages: {
    one: '{block}: the state {state} draws nothing.',
    several: '{block}: {states} draw nothing; the first is {first}.',
  },
  fails: {
    '/blocks/lamp/looks': {
      mode: 'layered',
      rows: [{ when: { lit: true }, use: [{ model: 'saltmarsh:lamp' }] }],
    },
  },
  passes: {
    '/blocks/lamp/looks': {
      mode: 'layered',
      rows: [
        { use: [{ model: 'saltmarsh:lamp' }] },
        { when: { heading: 'north' }, use: [{ model: 'saltmarsh:lamp', front: 'north' }] },
      ],
    },
  },
  check({ name, space, looks, declared }, context) {
    if (looks.mode !== 'layered' || space.tooLarge) return [];
    const bare = looks.rows.reduce(
      (left, row) => left.dropAll(space.matching(row.when)),
      BitSet.full(space.size),
    );
    if (bare.isEmpty) return [];
    const [shown] = declared.looks.rows;
    return [
      {
        at: ['looks', 'rows'],
        ...saidOfStates(name, space, bare),
        fix:
          shown &&
          context.set(
            'Draw the first layer in every state',
            ['looks', 'rows', 0, 'when'],
            undefined,
          ),
      },
    ];
  },
});
