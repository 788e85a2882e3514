import { itemAt } from '../lists/index.ts';
import type { Vec3 } from '../space/index.ts';
import { groupsAmong, type Group } from './groups.ts';
import type { Occurrence } from './occurrence.ts';
import { ReactionWorld, type ReactingBlock } from './world.ts';

/** Blocks that stir each other for ever where they stand together. */
export interface Loop {
  blocks: readonly string[];
  places: readonly Vec3[];
  states: readonly number[];
  /** In how many ticks it goes round. */
  period: number;
}

/** So many states of a block are tried, and so many ticks are waited for a loop. */
const mostStates = 32;
const mostTicks = 64;
/** So many beginnings of one group are tried, and so many groups are looked at in all. */
const mostTrials = 1200;
const mostGroups = 4000;
/** So many beginnings are tried of all groups together. */
const mostInAll = 6000;
/** Chance is against whatever is not certain. */
const unlucky = 1 - Number.EPSILON;

/**
 * Blocks that answer each other for ever without waiting in between, where they stand together:
 * every tick something is heard and done again. Two side by side, three in a row or round a corner
 * and four in a square are tried, in the states that their reactions tell apart, in all directions,
 * without chance, and as far as so many trials reach. What waits for ticks is not looked for: it
 * may be meant. Of blocks that are in a loop already no larger one is told.
 *
 * @example loopsAmong([flicker, mirror])[0]?.period // 2
 */
export function loopsAmong(blocks: readonly ReactingBlock[]): Loop[] {
  const byId = new Map(blocks.map((block) => [block.id, block]));
  const found: Loop[] = [];
  let trials = 0;
  let groups = 0;
  for (const group of groupsAmong(blocks)) {
    if ((groups += 1) > mostGroups || trials > mostInAll) break;
    if (found.some((loop) => isAmong(loop, group))) continue;
    const search = searched(group, byId);
    trials += search.trials;
    if (search.loop) found.push(search.loop);
  }
  return found;
}

/** Whether all blocks of a loop are in a group, as often as they are in it. */
const isAmong = ({ blocks: loop }: Loop, { blocks }: Group): boolean =>
  loop.every(
    (id) => loop.filter((one) => one === id).length <= blocks.filter((one) => one.id === id).length,
  );

/**
 * The states of a block that its reactions, or those of blocks beside it, tell apart, with the
 * usual values of all else.
 */
export function statesToldApart(
  { id, space, reactions }: ReactingBlock,
  beside: readonly ReactingBlock[] = [],
): number[] {
  const asked = beside.flatMap((other) =>
    other.reactions.flatMap((reaction) => {
      const neighbour = reaction.if?.neighbour;
      const isMeant = neighbour?.is === id || neighbour?.is.startsWith('#');
      return isMeant ? Object.keys(neighbour?.state ?? {}) : [];
    }),
  );
  const named = new Set([
    ...asked,
    ...reactions.flatMap(({ if: own, then }) => [
      ...Object.keys(own?.state ?? {}),
      ...then.flatMap((action) => ('property' in action ? [action.property] : [])),
    ]),
  ]);
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

/** What came of trying a group, and what it rests on. */
interface Search {
  loop: Loop | undefined;
  trials: number;
  rests: ReadonlyMap<string, ReactingBlock | undefined>;
}
const searches = new WeakMap<ReactingBlock, Map<string, Search>>();

/** What comes of trying a group; known from the last time while nothing that it rests on changed. */
function searched(group: Group, byId: ReadonlyMap<string, ReactingBlock>): Search {
  const first = itemAt(group.blocks, 0);
  let known = searches.get(first);
  if (!known) searches.set(first, (known = new Map<string, Search>()));
  const key = group.blocks.map(({ id }) => id).join(' ');
  const before = known.get(key);
  if (before && [...before.rests].every(([id, block]) => byId.get(id) === block)) return before;
  const rests = restsOn(group.blocks, byId);
  const search = { ...tried(group, byId), rests };
  known.set(key, search);
  return search;
}

/** A group with every block that it may put beside it or become. */
function restsOn(
  blocks: readonly ReactingBlock[],
  byId: ReadonlyMap<string, ReactingBlock>,
): Search['rests'] {
  const rests = new Map<string, ReactingBlock | undefined>();
  const add = (id: string): void => {
    if (rests.has(id)) return;
    const block = byId.get(id);
    rests.set(id, block);
    for (const { then } of block?.reactions ?? [])
      for (const action of then) if ('block' in action) add(action.block);
  };
  for (const { id } of blocks) add(id);
  return rests;
}

/** What may set a group off beside its being there: the signals that its first block hears of. */
const beginningsOf = ({ reactions }: ReactingBlock): (Occurrence['event'] | undefined)[] => [
  undefined,
  ...(['signal comes', 'signal goes'] as const).filter((event) =>
    reactions.some(({ when }) => when === event),
  ),
];

/** Prime, so that taking every so many-th of a list reaches all of it before any twice. */
const stride = 7919;

/** Tries a group from its beginnings: all of them, or as many of them from all over. */
function tried(
  { blocks, layouts }: Group,
  byId: ReadonlyMap<string, ReactingBlock>,
): Omit<Search, 'rests'> {
  const choices = [
    layouts,
    beginningsOf(itemAt(blocks, 0)),
    ...blocks.map((block) => statesToldApart(block, blocks)),
  ] as const;
  const all = choices.reduce((product, { length }) => product * length, 1);
  const trials = Math.min(all, mostTrials);
  for (let trial = 0; trial < trials; trial += 1) {
    let rest = all > mostTrials ? (trial * stride) % all : trial;
    const chosen = choices.map(({ length }) => {
      const at = rest % length;
      rest = Math.floor(rest / length);
      return at;
    });
    const [layout = 0, beginning = 0, ...at] = chosen;
    const places = itemAt(choices[0], layout);
    const states = at.map((index, i) => itemAt(itemAt(choices.slice(2) as number[][], i), index));
    const period = periodFrom(blocks, places, states, itemAt(choices[1], beginning), byId);
    if (period !== undefined)
      return { loop: { blocks: blocks.map(({ id }) => id), places, states, period }, trials };
  }
  return { loop: undefined, trials };
}

/** After how many ticks a beginning is as it was, with something done in each of them by hearing. */
function periodFrom(
  blocks: readonly ReactingBlock[],
  places: readonly Vec3[],
  states: readonly number[],
  beginning: Occurrence['event'] | undefined,
  byId: ReadonlyMap<string, ReactingBlock>,
): number | undefined {
  const world = new ReactionWorld({ blocks: byId, random: () => unlucky });
  blocks.forEach(({ id }, i) =>
    world.put(itemAt(places, i), { block: id, state: itemAt(states, i) }),
  );
  if (beginning) world.happen(itemAt(places, 0), { event: beginning });
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
