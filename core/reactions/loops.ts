import type { Reaction } from '../mod/index.ts';
import { directions, directionStep, type Direction } from '../space/index.ts';
import { ReactionWorld, type ReactingBlock } from './world.ts';
import type { IsMeant } from './occurrence.ts';

/** Two blocks side by side that stir each other for ever. */
export interface Loop {
  blocks: readonly [string, string];
  /** On which side of the first the second stands. */
  side: Direction;
  states: readonly [number, number];
  /** In how many ticks it goes round. */
  period: number;
}

/** So many states of a block are tried, and so many ticks are waited for a loop. */
const mostStates = 32;
const mostTicks = 64;
/** Chance is against whatever is not certain. */
const unlucky = 1 - Number.EPSILON;
/** So many pairs of states are tried in all. */
const mostTrials = 6000;

type Stirs = 'changes' | 'signals';

/** What a reaction of a block that hears of its neighbours lets its neighbours hear. */
const stirs = ({ then }: Reaction): Set<Stirs> =>
  new Set(
    then.flatMap((action): Stirs[] => {
      if (action.do === 'signal') return ['signals'];
      if (action.do === 'set' || action.do === 'flip' || action.do === 'step') return ['changes'];
      return action.do === 'become' || action.do === 'vanish' ? ['changes', 'signals'] : [];
    }),
  );
const hears = ({ when }: Reaction): Stirs | undefined =>
  when === 'neighbour changes'
    ? 'changes'
    : when === 'signal comes' || when === 'signal goes'
      ? 'signals'
      : undefined;

/** Whether something that one block does by hearing is heard by another one, which does something. */
const wakes = (one: ReactingBlock, other: ReactingBlock): boolean =>
  one.reactions.some(
    (reaction) =>
      hears(reaction) !== undefined &&
      other.reactions.some((heard) => {
        const what = hears(heard);
        return what !== undefined && stirs(reaction).has(what) && stirs(heard).size > 0;
      }),
  );

/**
 * Pairs of blocks that, side by side, answer each other for ever without waiting in between: every
 * tick something is heard and done again. Each pair is tried in the states that their reactions
 * tell apart, on all six sides, without chance. What only three blocks or more do together is not
 * found, and neither is what waits for ticks, which may be meant.
 *
 * @example loopsAmong([flicker, mirror])[0]?.period // 2
 */
export function loopsAmong(blocks: readonly ReactingBlock[], isMeant?: IsMeant): Loop[] {
  const byId = new Map(blocks.map((block) => [block.id, block]));
  const found: Loop[] = [];
  let trials = 0;
  for (const [i, one] of blocks.entries())
    for (const other of blocks.slice(i)) {
      if (!wakes(one, other) || !wakes(other, one)) continue;
      const loop = firstLoop(one, other, byId, isMeant, () => (trials += 1) <= mostTrials);
      if (loop) found.push(loop);
    }
  return found;
}

/** The states that the reactions of a block tell apart, with the usual values of all else. */
export function statesToldApart({ space, reactions }: ReactingBlock): number[] {
  const named = new Set(
    reactions.flatMap(({ if: asked, then }) => [
      ...Object.keys(asked?.state ?? {}),
      ...then.flatMap((action) => ('property' in action ? [action.property] : [])),
    ]),
  );
  let states = [space.defaultState];
  for (const name of named) {
    const at = space.indexOf(name);
    const values = space.values[at];
    if (!values) continue;
    states = states.flatMap((state) => values.map((_, digit) => space.withDigit(state, at, digit)));
    if (states.length > mostStates) return states.slice(0, mostStates);
  }
  return states;
}

function firstLoop(
  one: ReactingBlock,
  other: ReactingBlock,
  blocks: ReadonlyMap<string, ReactingBlock>,
  isMeant: IsMeant | undefined,
  goesOn: () => boolean,
): Loop | undefined {
  for (const side of directions)
    for (const a of statesToldApart(one))
      for (const b of statesToldApart(other))
        for (const event of ['neighbour changes', 'signal comes', 'signal goes'] as const) {
          if (!one.reactions.some(({ when }) => when === event)) continue;
          if (!goesOn()) return undefined;
          const world = new ReactionWorld({
            blocks,
            ...(isMeant && { isMeant }),
            random: () => unlucky,
          });
          const there = directionStep(side);
          world.put([0, 0, 0], { block: one.id, state: a });
          world.put(there, { block: other.id, state: b });
          world.happen([0, 0, 0], { event });
          const period = periodOf(world, [[0, 0, 0], there]);
          if (period !== undefined)
            return { blocks: [one.id, other.id], side, states: [a, b], period };
        }
  return undefined;
}

/** After how many ticks the world is as it was, with something done in each of them by hearing. */
function periodOf(
  world: ReactionWorld,
  places: readonly (readonly [number, number, number])[],
): number | undefined {
  const seen = new Map<string, number>();
  for (let tick = 0; tick < mostTicks; tick += 1) {
    const effects = world.tick();
    const isHeard = effects.some(({ event }) => event !== 'after ticks' && event !== 'at random');
    if (!isHeard) return undefined;
    const config = JSON.stringify([
      places.map((place) => [world.at(place), world.strengthAt(place)]),
      world.toHear,
    ]);
    const before = seen.get(config);
    if (before !== undefined) return tick - before;
    seen.set(config, tick);
  }
  return undefined;
}
