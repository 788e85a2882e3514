import { coverage, expandRows, fewestRows } from '../../../states/index.ts';
import { blockRule } from '../../rule.ts';
import { saidOfStates } from '../../said-of-states.ts';

/** In larger spaces one row for all that is left stands in for the nearest look of each state. */
const mostStates = 4096;

export const stateWithoutRow = blockRule({
  id: 'looks/state-without-row',
  severity: 'error',
  guesses: true,
  title: 'State without a look',
  why: 'A state that no row matches shows the marker of an unresolved model in the game.',
  messages: {
    one: '{block}: the state {state} has no look.',
    several: '{block}: {states} have no look; the first is {first}.',
  },
  newLooks: 'with states',
  fails: { '/blocks/lamp/looks/rows/3/when': { lit: true } },
  passes: { '/blocks/lamp/looks/rows/3/when': { lit: [false, true] } },
  check({ called, space, looks, declared }, context) {
    if (looks.mode === 'layered' || space.tooLarge) return [];
    const { uncovered } = coverage(looks.rows, space);
    const first = uncovered.first;
    if (first === undefined) return [];
    const said = saidOfStates(called, space, uncovered);
    const nearest = space.nearest(uncovered.complement());
    if (!nearest) return [{ at: ['looks', 'rows'], ...said }];
    const shown = expandRows(looks.rows, space);
    // What is missing becomes rows of its own below the others, so that nothing else is touched.
    const added =
      space.size > mostStates
        ? [{ value: shown[nearest[first] ?? 0]! }]
        : fewestRows(
            shown.map((_, state) =>
              uncovered.has(state) ? shown[nearest[state] ?? 0] : undefined,
            ),
            space,
          ).rows;
    const title =
      uncovered.count > 1
        ? 'Copy the nearest look for all of them'
        : 'Copy the look of the nearest state';
    return [
      {
        at: ['looks', 'rows'],
        ...said,
        fix: context.set(
          title,
          ['looks', 'rows'],
          [
            ...declared.looks.rows,
            ...added.map(({ when, value }) => (when ? { when, use: value } : { use: value })),
          ],
        ),
      },
    ];
  },
});
