import { defaultTraits, traitNames } from '../../../mod/index.ts';
import { coverage, type Rows } from '../../../states/index.ts';
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
              fix: context.set(...saidForAll(at, rows)),
            },
          ];
        }),
});

/** The usual value for all other states, or the last one where that is the same or there is none. */
function saidForAll(
  at: (string | number)[],
  rows: Rows<unknown>,
): [title: string, at: (string | number)[], value: Rows<unknown>] {
  const trait = traitNames.find((name) => at[0] === 'traits' && at[1] === name);
  const usual = trait && defaultTraits[trait];
  const last = rows.at(-1)!.value;
  return typeof usual !== 'number' || usual === last
    ? ['Say the last value for all of them', at, [...rows, { value: last }]]
    : [`Say ${usual} for all of them`, at, [...rows, { value: usual }]];
}
