import { itemAt } from '../../../lists/index.ts';
import type { Mod, ResolvedBlock } from '../../../mod/index.ts';
import { identityOrientation } from '../../../space/index.ts';
import { turns } from '../format/turns.ts';
import { bodyKey, bodyOf, quickKey, turnedBody, type Body } from './body.ts';
import type { StateView } from './split.ts';

/** The states of a block as what is made and how it is turned, and the bodies that are made. */
export interface Views {
  views: StateView[];
  bodies: ReadonlyMap<string, Body>;
}

/**
 * What each state of a block is made as, and under which of the engine's turns that is the state.
 * The default state is made as it stands; what no turn of it gives is made on its own.
 *
 * @example viewsOf(mod, chair).views[2] // { made: 'heading = south', turns: [0] }
 */
export function viewsOf(mod: Mod, block: ResolvedBlock): Views {
  const { space } = block;
  if (space.size === 1) {
    const made = space.describe(0);
    return {
      views: [{ made, turns: [0] }],
      bodies: new Map([[made, bodyOf(mod, block, 0)]]),
    };
  }
  const all = Array.from({ length: space.size }, (_, state) => bodyOf(mod, block, state));
  const keys = all.map(bodyKey);
  const quick = new Set(all.map((body) => quickKey(body, identityOrientation)));
  const bodies = new Map<string, Body>();
  const known = new Map<string, StateView>();
  const views: StateView[] = [];
  // What differs from the default state in the fewest properties is made as it stands.
  const order = Array.from(all.keys()).sort(
    (a, b) => space.distance(a, space.defaultState) - space.distance(b, space.defaultState),
  );
  for (const state of order) {
    const key = itemAt(keys, state);
    if (!known.has(key)) {
      const made = space.describe(state);
      const body = itemAt(all, state);
      bodies.set(made, body);
      for (const [way, list] of waysOf(body, quick)) known.set(way, { made, turns: list });
    }
    views[state] = known.get(key)!;
  }
  return { views, bodies };
}

/**
 * What a body looks like under every turn under which it may look like one of the block's states:
 * as its keys, each with the turns that give it.
 */
function waysOf(body: Body, quick: ReadonlySet<number>): Map<string, number[]> {
  const ways = new Map<string, number[]>();
  turns.forEach((orientation, number) => {
    if (!quick.has(quickKey(body, orientation))) return;
    const key = bodyKey(number ? turnedBody(body, orientation) : body);
    const list = ways.get(key);
    if (list) list.push(number);
    else ways.set(key, [number]);
  });
  return ways;
}
