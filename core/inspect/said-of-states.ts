import type { BitSet, StateSpace } from '../states/index.ts';
import { count, type Said } from '../words/index.ts';

/**
 * Which of two sentences says something of some states of a block, with its parts: `one` of a
 * single state, `several` of more, by their number and the first of them. There must be one.
 *
 * @example saidOfStates('lamp', space, bare) // { says: 'one', parts: { block: 'lamp', state: … } }
 */
export function saidOfStates(block: string, space: StateSpace, states: BitSet): Said {
  const first = space.describe(states.first ?? 0);
  return states.count > 1
    ? { says: 'several', parts: { block, states: count(states.count, 'state'), first } }
    : { says: 'one', parts: { block, state: first } };
}
