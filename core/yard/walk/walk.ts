import {
  directions,
  directionStep,
  headings,
  opposite,
  seededRandom,
  type Direction,
} from '../../space/index.ts';
import { dug, handsOf, type Tool } from '../block/dig.ts';
import { drops } from '../block/loot.ts';
import { placed } from '../block/place.ts';
import { matches, valueIn } from '../block/rows.ts';
import { moved } from '../block/turn.ts';
import { fullLight, Light } from '../light.ts';
import { ownBlocks, type PackWorld, type YardBlock } from '../pack-world.ts';
import { looksDigest } from './looks-digest.ts';

/** What a careful person would try with each block. */
export const walkParts = ['Placed', 'Shown', 'Dug', 'Dropped', 'Turned', 'By night'] as const;
export type WalkPart = (typeof walkParts)[number];

/** One thing that was tried: what came of it, and what is amiss where something is. */
export interface WalkCheck {
  block: string;
  part: WalkPart;
  found: string;
  amiss?: string;
  /** What stands for how it looked, where the try shows anything. */
  looks?: string;
}

export interface WalkHow {
  /** Begins what is drawn by chance. */
  seed?: number;
  onProgress?: (done: number, total: number) => void;
}

/** So many times each block is broken for its drops. */
const breakings = 1000;

/**
 * The test walk: every block of a pack placed on six sides from four headings, every state shown,
 * dug by each tool, broken a thousand times, turned and mirrored, and seen by night. The same pack
 * and seed give the same walk. `onProgress` is told of blocks done; what it throws stops the walk.
 *
 * @example testWalk(worldFrom(readPack(files))).filter(({ amiss }) => amiss)
 */
export function testWalk(world: PackWorld, { seed = 1, onProgress }: WalkHow = {}): WalkCheck[] {
  const own = ownBlocks(world);
  const looksOf = looksDigest(world);
  return own.flatMap((block, done) => {
    onProgress?.(done, own.length);
    const tried = statesTried(block);
    const ways = {
      Placed: () => ofPlacing(block),
      Shown: () => ofLooks(block, world),
      Dug: () => ofDigging(block, world),
      Dropped: () => ofDrops(block, world, seededRandom(seed)),
      Turned: () => ofTurning(block),
      'By night': () => ofLight(block),
    } satisfies Record<WalkPart, () => Came>;
    return walkParts.map((part): WalkCheck => {
      const states = tried[part];
      const looks = states && { looks: looksOf(block, states) };
      return { block: block.id, part, ...ways[part](), ...looks };
    });
  });
}

/** What came of a try. */
type Came = Pick<WalkCheck, 'found' | 'amiss'>;

const counted = (many: number, one: string): string => `${many} ${one}${many === 1 ? '' : 's'}`;

/**
 * Which states a try comes upon that is told in pictures: those that come of placing, every one, the
 * first one with what turning and mirroring make of it, and by night one of each level of light.
 *
 * @example statesTried(gate).Placed // [0, 2, 4, 6]
 */
export function statesTried(block: YardBlock): Partial<Record<WalkPart, number[]>> {
  const first = block.space.defaultState;
  const ways = ['turned', 'mirrored'] as const;
  const turned = new Set([first, ...ways.map((way) => moved(block, first, way))]);
  return {
    Placed: reachedBy(block),
    Shown: Array.from({ length: block.space.size }, (_, state) => state),
    ...(turned.size > 1 && { Turned: [...turned] }),
    'By night': [...eachLight(block).values()],
  };
}

/** The light that a block gives in a state, 0 to 15. */
export const lightIn = ({ space, lightEmitted }: YardBlock, state: number): number =>
  valueIn(lightEmitted, space.decode(state)) ?? 0;

/** A state for each level of light that a block gives: its default state, where that gives it. */
function eachLight(block: YardBlock): Map<number, number> {
  const found = new Map<number, number>();
  const { defaultState, size } = block.space;
  for (const state of [defaultState, ...Array.from({ length: size }, (_, one) => one)]) {
    const light = lightIn(block, state);
    if (!found.has(light)) found.set(light, state);
  }
  return found;
}

/** What a state is called: its properties. */
export const called = ({ space }: YardBlock, state: number): string =>
  Object.entries(space.decode(state))
    .map(([name, value]) => `${name}=${String(value)}`)
    .join(', ') || 'its only state';

/** The states that come of placing against a solid block, with nothing else around. */
function reachedBy(block: YardBlock): number[] {
  const reached = new Set<number>();
  for (const side of directions)
    for (const heading of headings) {
      const click = { side, height: 0.25, looks: directionStep(heading), crouching: false };
      const around = {
        isSolid: (other: Direction) => other === opposite(side),
        hasSignal: false,
        ownKind: () => undefined,
      };
      reached.add(placed(block, click, around).state);
    }
  return [...reached].sort((a, b) => a - b);
}

function ofPlacing(block: YardBlock): Came {
  const reached = reachedBy(block);
  if (block.space.size === 1) return { found: 'its only state' };
  const names = reached.map((state) => called(block, state));
  const more = names.length > 2 ? `; and ${names.length - 2} more` : '';
  return {
    found: `${reached.length} of ${counted(block.space.size, 'state')}: ${names.slice(0, 2).join('; ')}${more}`,
  };
}

function ofLooks({ look, space }: YardBlock, { flawsOfModel }: PackWorld): Came {
  if (!look) return { found: 'nothing', amiss: 'The pack has no look of it: it is a marker.' };
  const models = new Set<string>();
  let bare = 0;
  for (let state = 0; state < space.size; state += 1) {
    const values = space.decode(state);
    const rows = look.rows.filter(({ when }) => matches(when, values));
    const drawn = look.mode === 'layered' ? rows : rows.slice(0, 1);
    if (look.mode === 'one-of' && drawn.length === 0) bare += 1;
    for (const { use } of drawn) for (const { model } of use) models.add(model);
  }
  const flaws = [...models].flatMap(flawsOfModel);
  const found = `${counted(space.size, 'state')}, ${counted(models.size, 'model')}`;
  if (bare) return { found, amiss: `${counted(bare, 'state')} show the marker: no row is theirs.` };
  return flaws[0] === undefined ? { found } : { found, amiss: flaws[0] };
}

const handInWords = (hand: Tool | undefined, { tools }: PackWorld): string =>
  hand ? `${tools.grades[hand.grade]?.name ?? hand.grade} ${hand.kind}` : 'bare hands';

function ofDigging(block: YardBlock, world: PackWorld): Came {
  const times = handsOf(world.tools).flatMap((hand) => {
    const time = dug(block, hand, world);
    return time ? [{ hand, ...time }] : [];
  });
  const [bare] = times;
  if (!bare) return { found: 'nothing digs it' };
  const best = times.reduce((least, one) => (one.ticks < least.ticks ? one : least));
  const said = ({ hand, ticks, yields }: (typeof times)[number]) =>
    `${handInWords(hand, world)} ${counted(ticks, 'tick')}${yields ? '' : ', yields nothing'}`;
  const found = best === bare ? said(bare) : `${said(bare)}; ${said(best)}`;
  return times.some(({ yields }) => yields)
    ? { found }
    : { found, amiss: 'It is gated, and no tool of the pack is right for it: it never drops.' };
}

/** What players read of an item or a block; its id where the pack has no words for it. */
function titleOf(id: string, { text }: PackWorld): string {
  const name = id.slice(id.indexOf(':') + 1);
  return text(`item.${name}`) ?? text(`block.${name}`) ?? id;
}

function ofDrops(block: YardBlock, world: PackWorld, random: () => number): Came {
  const best = handsOf(world.tools).findLast((hand) => dug(block, hand, world)?.yields);
  const state = block.space.decode(block.space.defaultState);
  if (block.hardness === 'unbreakable') return { found: 'nothing digs it' };
  if (!block.draws) return { found: 'nothing: the pack says nothing of it' };
  const sums = new Map<string, number>();
  for (let i = 0; i < breakings; i += 1)
    for (const { item, count } of drops(block.draws, { state, tool: best }, { ...world, random }))
      sums.set(item, (sums.get(item) ?? 0) + count);
  const told = [...sums].map(
    ([item, sum]) => `${(sum / breakings).toFixed(2)} ${titleOf(item, world)}`,
  );
  return { found: told.join(', ') || 'nothing' };
}

/** Four turns come back, two mirrors do, and turn, mirror, turn, mirror does. */
function ofTurning(block: YardBlock): Came {
  const wayBack = [
    'turned turned turned turned',
    'mirrored mirrored',
    'turned mirrored turned mirrored',
  ];
  const odd: string[] = [];
  const turnable = new Set<number>();
  for (let state = 0; state < block.space.size; state += 1) {
    if (moved(block, state, 'turned') !== state) turnable.add(state);
    for (const way of wayBack) {
      const steps = way.split(' ') as ('turned' | 'mirrored')[];
      const back = steps.reduce((at, step) => moved(block, at, step), state);
      if (back !== state) odd.push(`${called(block, state)} (${way.replaceAll(' ', ', ')})`);
    }
  }
  const found = turnable.size
    ? `${turnable.size} of ${counted(block.space.size, 'state')}`
    : 'nothing turns';
  return odd[0] === undefined ? { found } : { found, amiss: `It does not come back: ${odd[0]}.` };
}

/** What becomes of light that enters a block. */
const takenInWords = (taken: number): string =>
  taken >= fullLight
    ? 'keeps out light'
    : taken > 1
      ? `takes ${taken} of the light`
      : 'lets light by';

/** How far a room is lit around a block, at its brightest; of a dark one what it takes of the light. */
function ofLight(block: YardBlock): Came {
  const { space, lightAbsorbed } = block;
  const states = Array.from({ length: space.size }, (_, state) => state);
  const levels = states.map((state) => lightIn(block, state));
  const most = Math.max(0, ...levels);
  if (most === 0) {
    const takenIn = (state: number) => valueIn(lightAbsorbed, space.decode(state)) ?? 0;
    const taken = [...new Set(states.map(takenIn))];
    return {
      found: `dark, ${taken
        .sort((one, other) => one - other)
        .map(takenInWords)
        .join(' or ')}`,
    };
  }
  const room = new Light([31, 1, 1]).shine(([x]) => ({ emits: x === 15 ? most : 0, absorbs: 0 }));
  const reach = Array.from({ length: 15 }, (_, i) => room.at([16 + i, 0, 0]));
  const lit = levels.filter((level) => level > 0).length;
  return {
    found: `${most} in ${lit} of ${counted(space.size, 'state')}, to ${reach.filter(Boolean).length} blocks away`,
  };
}
