import { coverage } from '../../../states/index.ts';
import { listed } from '../../../words/index.ts';
import { blockRule } from '../../rule.ts';
import { valuesByState } from '../../values-by-state.ts';

export const valueRowDead = blockRule({
  id: 'states/value-row-dead',
  severity: 'warning',
  title: 'Row of a value that can never match',
  why:
    'The first row that matches counts. A row whose states are all taken by rows above it is ' +
    'never reached, which is rarely what its author thinks.',
  messages: {
    neverMatches:
      '{block}: row {row} of its {value} can never match: {rows} above it already {take} its states.',
  },
  fails: {
    '/blocks/lamp/traits/lightEmitted': [{ value: 0 }, { when: { lit: true }, value: 12 }],
  },
  passes: {},
  check: (block, context) =>
    block.space.tooLarge
      ? []
      : valuesByState(block).flatMap(({ called, at, rows }) =>
          coverage(rows, block.space)
            // A condition on what does not exist matches nothing either, and has its own rule.
            .dead.filter(({ coveredBy }) => coveredBy.length > 0)
            .map(({ row, coveredBy }) => ({
              at: [...at, row],
              says: 'neverMatches',
              parts: {
                block: block.name,
                row: row + 1,
                value: called,
                take: coveredBy.length > 1 ? 'take' : 'takes',
                rows:
                  `${coveredBy.length > 1 ? 'rows' : 'row'} ` +
                  listed(coveredBy.map((i) => String(i + 1))),
              },
              fix: context.set(
                `Remove row ${row + 1}`,
                at,
                rows.filter((_, i) => i !== row),
              ),
            })),
        ),
});
