import { sameData, turnedCandidate, type Candidate } from '../../../mod/index.ts';
import type { Axis, Direction } from '../../../space/index.ts';
import {
  coverage,
  expandRows,
  fewestRows,
  isOrientation,
  type StateSpace,
} from '../../../states/index.ts';
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
    const lookFor = (state: number) => copiedLook(shown, space, state, nearest[state] ?? 0);
    // What is missing becomes rows of its own below the others, so that nothing else is touched.
    const added =
      space.size > mostStates
        ? [{ value: lookFor(first) }]
        : fewestRows(
            shown.map((_, state) => (uncovered.has(state) ? lookFor(state) : undefined)),
            space,
          ).rows;
    const title =
      uncovered.count > 1
        ? 'Copy the nearest look for all of them'
        : `Copy the look of ${space.describe(nearest[first] ?? 0)}` +
          (lookFor(first) === shown[nearest[first] ?? 0] ? '' : ' and turn it');
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

/**
 * The look of another state, for a state that has none: where it is turned as the other's heading
 * says and the heading differs, turned as this one's says.
 */
function copiedLook(
  shown: readonly (Candidate[] | undefined)[],
  space: StateSpace,
  state: number,
  other: number,
): Candidate[] {
  const use = shown[other] ?? [];
  const index = space.properties.findIndex(
    ({ kind }, i) => isOrientation(kind) && space.digit(state, i) !== space.digit(other, i),
  );
  if (index < 0) return use;
  const valueOf = (of: number) => space.values[index]?.[space.digit(of, index)] as Direction | Axis;
  const follows = use.every((one) => sameData(turnedCandidate(one, valueOf(other)), one));
  return follows ? use.map((one) => turnedCandidate(one, valueOf(state))) : use;
}
