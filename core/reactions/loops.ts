import { itemAt } from '../lists/index.ts';
import type { Vec3 } from '../space/index.ts';
import { groupsAmong, type Group } from './groups.ts';
import { kinOf } from './kin.ts';
import type { Occurrence } from './occurrence.ts';
import { ReactionWorld, type ReactingBlock } from './world.ts';

/** Blocks that stir each other for ever where they stand together, as they do while it goes round. */
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
 * may be meant. Of blocks that are in a loop already no larger one is told, nor one of what becomes
 * them.
 *
 * @example loopsAmong([flicker, mirror])[0]?.period // 2
 */
export function loopsAmong(blocks: readonly ReactingBlock[]): Loop[] {
  const byId = new Map(blocks.map((block) => [block.id, block]));
  const found: Loop[] = [];
  let trials = 0;
  let groups = 0;
  for (const group of groupsAmong(blocks, byId)) {
    if ((groups += 1) > mostGroups || trials > mostInAll) break;
    const isKnown = (ids: readonly string[]) => found.some(({ blocks }) => isAmong(blocks, ids));
    if (isKnown(idsOf(group))) continue;
    const { loop, trials: tries } = searched(group, byId);
    trials += tries;
    if (loop && !isKnown(loop.blocks)) found.push(loop);
  }
  return found;
}

const idsOf = ({ blocks }: Group): string[] => blocks.map(({ id }) => id);

/** Whether all blocks of a loop are among others, as often as they are in it. */
const isAmong = (loop: readonly string[], others: readonly string[]): boolean =>
  loop.every(
    (id) => loop.filter((one) => one === id).length <= others.filter((one) => one === id).length,
  );

/**
 * The states of a block that the reactions of some blocks tell apart, its own among them, with the
 * usual values of all else.
 */
function statesToldApart({ id, space }: ReactingBlock, by: readonly ReactingBlock[]): number[] {
  const reactions = by.flatMap((block) => block.reactions);
  const isKept = reactions.some(({ then }) => then.some((one) => 'keeps' in one && one.keeps));
  const own = isKept ? reactions : by.flatMap((one) => (one.id === id ? one.reactions : []));
  const asked = reactions.flatMap(({ if: { neighbour } = {} }) => {
    const isMeant = neighbour?.is === id || neighbour?.is.startsWith('#');
    return isMeant ? Object.keys(neighbour?.state ?? {}) : [];
  });
  const named = new Set([
    ...asked,
    ...own.flatMap(({ if: asks, then }) => [
      ...Object.keys(asks?.state ?? {}),
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
  const key = idsOf(group).join(' ');
  const before = known.get(key);
  if (before && [...before.rests].every(([id, block]) => byId.get(id) === block)) return before;
  const rests = kinOf(idsOf(group), byId);
  const search = { ...tried(group, byId, rests), rests };
  known.set(key, search);
  return search;
}

/**
 * What may set a group off beside its being there: the signals that a block of it hears of, or what
 * stands in its place by the time they are heard.
 */
const beginningsOf = (blocks: readonly ReactingBlock[]): (Occurrence['event'] | undefined)[] => [
  undefined,
  ...(['signal comes', 'signal goes'] as const).filter((event) =>
    blocks.some(({ reactions }) => reactions.some(({ when }) => when === event)),
  ),
];

/** Prime, so that taking every so many-th of a list reaches all of it before any twice. */
const stride = 7919;

/** Tries a group from its beginnings: all of them, or as many of them from all over. */
function tried(
  { blocks, layouts }: Group,
  byId: ReadonlyMap<string, ReactingBlock>,
  rests: Search['rests'],
): Omit<Search, 'rests'> {
  const concerned = [...rests.values()].flatMap((block) => block ?? []);
  const choices = [
    layouts,
    beginningsOf(concerned),
    ...blocks.map((block) => statesToldApart(block, concerned)),
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
    const loop = loopFrom(blocks, places, states, itemAt(choices[1], beginning), byId);
    if (loop) return { loop, trials };
  }
  return { loop: undefined, trials };
}

/** The loop that a beginning comes to: it is as it was, with something heard and done each tick. */
function loopFrom(
  blocks: readonly ReactingBlock[],
  places: readonly Vec3[],
  states: readonly number[],
  beginning: Occurrence['event'] | undefined,
  byId: ReadonlyMap<string, ReactingBlock>,
): Loop | undefined {
  const world = new ReactionWorld({ blocks: byId, random: () => unlucky });
  blocks.forEach(({ id }, i) =>
    world.put(itemAt(places, i), { block: id, state: itemAt(states, i) }),
  );
  if (beginning) world.happen(itemAt(places, 0), { event: beginning });
  const seen = new Map<string, number>();
  const moments = [reactingAt(world, places, byId)];
  for (let tick = 0; tick < mostTicks; tick += 1) {
    const effects = world.tick();
    const isHeard = effects.some(({ event }) => event !== 'after ticks' && event !== 'at random');
    if (!isHeard) return undefined;
    const config = JSON.stringify([
      places.map((place) => [world.at(place), world.strengthAt(place)]),
      world.toHear,
    ]);
    const before = seen.get(config);
    if (before !== undefined) return { ...momentOf(moments, before + 1), period: tick - before };
    seen.set(config, tick);
    moments.push(reactingAt(world, places, byId));
  }
  return undefined;
}

/** The blocks that react among those that stand in some places. */
function reactingAt(
  world: ReactionWorld,
  places: readonly Vec3[],
  byId: ReadonlyMap<string, ReactingBlock>,
): Omit<Loop, 'period'> {
  const standing = places.flatMap((place) => {
    const stands = world.at(place);
    return stands && 'block' in stands && byId.has(stands.block) ? [{ place, ...stands }] : [];
  });
  return {
    blocks: standing.map(({ block }) => block),
    places: standing.map(({ place }) => place),
    states: standing.map(({ state }) => state),
  };
}

/**
 * The moment that a loop is told by: that in which the blocks of its beginning stand there again,
 * or else the first one with blocks enough.
 */
function momentOf<M extends { blocks: readonly string[] }>(moments: readonly M[], from: number): M {
  const begins = itemAt(moments, 0);
  const inLoop = moments.slice(from);
  const asBegun = inLoop.find(({ blocks }) => blocks.join(' ') === begins.blocks.join(' '));
  return asBegun ?? inLoop.find(({ blocks }) => blocks.length > 1) ?? begins;
}
