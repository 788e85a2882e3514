import { coverage } from '../../../states/index.ts';
import { saidOfStates } from '../../said-of-states.ts';
import { blockRule } from '../../rule.ts';
import { valuesByState } from '../../values-by-state.ts';

export const valueUncovered = blockRule({
  id: 'states/value-uncovered',
  severity: 'error',
  title: 'State for which a value says nothing',
  why:
    'The rows of a value cover every state together. In a state that none of them matches one ' +
    'engine takes nothing and another what it had before.',
  messages: {
    one: '{block}: the rows of its {value} say nothing for the state {state}.',
    several: '{block}: the rows of its {value} say nothing for {states}; the first is {first}.',
  },
  fails: { '/blocks/lamp/traits/lightEmitted': [{ when: { lit: true }, value: 12 }] },
  passes: {
    '/blocks/lamp/traits/lightEmitted': [
      { when: { lit: true }, value: 12 },
      { when: { lit: false }, value: 0 },
    ],
  },
  check: (block, context) =>
    block.space.tooLarge
      ? []
      : valuesByState(block).flatMap(({ called, at, rows }) => {
          const { uncovered } = coverage(rows, block.space);
          if (uncovered.isEmpty) return [];
          const { says, parts } = saidOfStates(block.name, block.space, uncovered);
          return [
            {
              at,
              says,
              parts: { ...parts, value: called },
              fix: context.set('Say the last value for all of them', at, [
                ...rows,
                { value: rows.at(-1)!.value },
              ]),
            },
          ];
        }),
});
