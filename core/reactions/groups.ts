import { itemAt } from '../lists/index.ts';
import { directions, directionStep, type Vec3 } from '../space/index.ts';
import { kinFrom, listens, namesSides, wakes, type Among, type Kin } from './ears.ts';
import { kinOf } from './kin.ts';
import type { ReactingBlock } from './world.ts';

/** Blocks that may keep each other awake, and how they may stand together. */
export interface Group {
  blocks: readonly ReactingBlock[];
  /** Where each of them stands, in every way in which they touch. */
  layouts: readonly (readonly Vec3[])[];
}

const origin: Vec3 = [0, 0, 0];
const steps = directions.map(directionStep);
const plus = (a: Vec3, b: Vec3): Vec3 => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];
const isAcross = (a: Vec3, b: Vec3): boolean => a[0] * b[0] + a[1] * b[1] + a[2] * b[2] === 0;

const pairs: Vec3[][] = steps.map((step) => [origin, step]);
/** In a row or round a corner, the second in the middle. */
const threes: Vec3[][] = steps.flatMap((a) =>
  steps.filter((b) => b !== a).map((b) => [a, origin, b]),
);
/** In a square, where the last touches the first: the shortest way round in a grid of cubes. */
const rings: Vec3[][] = steps.flatMap((a) =>
  steps.filter((b) => isAcross(a, b)).map((b) => [origin, a, plus(a, b), b]),
);

/**
 * How a group is tried: where no reaction asks for a side, turned ways come to the same but for the
 * order in which things are heard, and every sixth stands for the others.
 */
const waysFor = (layouts: Vec3[][], group: readonly ReactingBlock[]): Vec3[][] =>
  group.some(namesSides) ? layouts : layouts.filter((_, i) => i % 6 === 0);

/** Of so many blocks groups of three and of four are made; of more, of the first ones. */
const mostInThrees = 40;
const mostInRings = 16;

/**
 * Groups of two blocks side by side, then of three in a row or round a corner, then of four in a
 * square, each block of which is woken by the one before it, all the way round or to and fro.
 */
export function* groupsAmong(
  blocks: readonly ReactingBlock[],
  byId: ReadonlyMap<string, ReactingBlock>,
): Generator<Group> {
  const awake = blocks
    .filter(listens)
    .map((block) => ({ block, kin: kinFrom(kinOf([block.id], byId)) }));
  yield* pairsAmong(awake);
  yield* threesAmong(awake.slice(0, mostInThrees));
  yield* ringsAmong(awake.slice(0, mostInRings));
}

/** A block that listens, with what it may become. */
interface Awake {
  block: ReactingBlock;
  kin: Kin;
}

const blocksOf = (group: readonly Awake[]): ReactingBlock[] => group.map(({ block }) => block);
const isToAndFro = (a: Among, b: Among): boolean => wakes(a, b) && wakes(b, a);

function* pairsAmong(awake: readonly Awake[]): Generator<Group> {
  for (const [i, a] of awake.entries())
    for (const b of awake.slice(i))
      if (isToAndFro({ kin: a.kin, beside: [b.kin] }, { kin: b.kin, beside: [a.kin] }))
        yield { blocks: blocksOf([a, b]), layouts: pairs };
}

function* threesAmong(awake: readonly Awake[]): Generator<Group> {
  for (const b of awake)
    for (const [i, a] of awake.entries())
      for (const c of awake.slice(i)) {
        const middle = { kin: b.kin, beside: [a.kin, c.kin] };
        const isAwake = [a, c].every(({ kin }) => isToAndFro({ kin, beside: [b.kin] }, middle));
        const group = blocksOf([a, b, c]);
        if (isAwake) yield { blocks: group, layouts: waysFor(threes, group) };
      }
}

function* ringsAmong(awake: readonly Awake[]): Generator<Group> {
  for (const [i, a] of awake.entries())
    for (const b of awake.slice(i))
      for (const c of awake.slice(i))
        for (const d of awake.slice(i)) {
          const ring = [a, b, c, d];
          const among = ring.map(({ kin }, at) => ({
            kin,
            beside: [itemAt(ring, (at + 1) % 4).kin, itemAt(ring, (at + 3) % 4).kin],
          }));
          if (among.every((one, at) => wakes(one, itemAt(among, (at + 1) % 4))))
            yield { blocks: blocksOf(ring), layouts: waysFor(rings, blocksOf(ring)) };
        }
}
