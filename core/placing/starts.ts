import type { Mod, ResolvedBlock } from '../mod/index.ts';
import type { BitSet, State, StateSpace } from '../states/index.ts';
import { reachable } from './reachable.ts';

const known = new WeakMap<Mod['blocks'], Map<string, State[]>>();

/**
 * The states in which reactions of the mod's blocks let a block come to stand, by what they name;
 * worked out once for as long as no block changes.
 */
export function statesGiven(blocks: Mod['blocks'], id: string): readonly State[] {
  let byId = known.get(blocks);
  if (!byId) {
    byId = new Map();
    for (const { reactions = [] } of Object.values(blocks))
      for (const { then } of reactions)
        for (const action of then)
          if ((action.do === 'place' || action.do === 'become') && action.state)
            byId.set(action.block, [...(byId.get(action.block) ?? []), action.state]);
    known.set(blocks, byId);
  }
  return byId.get(id) ?? [];
}

/** The states in which a block comes to be, and those into which the mod's own code puts it. */
export function startsOf({ space, declared }: ResolvedBlock, given: readonly State[] = []): BitSet {
  const { states } = reachable(declared.states.placing ?? [], space);
  const starts = states.copy().add(space.defaultState);
  for (const state of given) starts.add(space.encode(state));
  for (const [at, { byCode }] of space.properties.entries()) if (byCode) spread(starts, space, at);
  return starts;
}

function spread(starts: BitSet, space: StateSpace, at: number): void {
  const now: number[] = [];
  starts.forEach((state) => now.push(state));
  for (const state of now)
    for (const digit of space.values[at]?.keys() ?? [])
      starts.add(space.withDigit(state, at, digit));
}
