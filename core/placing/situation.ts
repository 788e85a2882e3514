import type { State } from '../states/index.ts';
import { itemAt } from '../lists/index.ts';
import { directions, headings, opposite, type Direction, type Heading } from '../space/index.ts';

/**
 * What stands beside the place: nothing that counts, a solid block, or a block of the same kind.
 */
export const neighbourKinds = ['open', 'solid', 'own kind'] as const;
export type Neighbour = (typeof neighbourKinds)[number];

/** How steeply the player looks. */
export const pitches = ['level', 'up', 'down'] as const;

/** Everything that placing a block can depend on. */
export interface Situation {
  /**
   * The side of the neighbouring block that was clicked: where its face looks, towards the new
   * block.
   */
  clicked: Direction;
  /**
   * Where on an upright side it was clicked. On a floor it counts as lower, under a ceiling as
   * upper.
   */
  half: 'upper' | 'lower';
  /** Where the player looks, on the compass. */
  looks: Heading;
  pitch: (typeof pitches)[number];
  crouching: boolean;
  /** A signal reaches the place from a neighbour. */
  signal: boolean;
  /** What stands on each side of the new block. */
  neighbours: Readonly<Record<Direction, Neighbour>>;
  /** The states of blocks of the same kind that stand beside it, as far as they matter. */
  beside?: Readonly<Partial<Record<Heading, State>>>;
  /** The values that the item carries; none when it was never placed. */
  carried?: State;
}

/** A player who looks north and level and clicks the top of a solid block, with nothing around. */
export const usualSituation: Situation = {
  clicked: 'up',
  half: 'lower',
  looks: 'north',
  pitch: 'level',
  crouching: false,
  signal: false,
  neighbours: {
    north: 'open',
    east: 'open',
    south: 'open',
    west: 'open',
    up: 'open',
    down: 'solid',
  },
};

/** Nothing beside, or one block of the same kind, by each way that it can face. */
const besides: readonly Situation['beside'][] = [
  undefined,
  ...headings.flatMap((side) => headings.map((heading) => ({ [side]: { heading } }))),
];

/** What each part of a situation can be. Parts that no rule asks for stay as they usually are. */
export const choicesOf = {
  clicked: directions,
  half: ['upper', 'lower'],
  looks: headings,
  pitch: pitches,
  crouching: [false, true],
  signal: [false, true],
  beside: besides,
} as const satisfies Partial<Record<keyof Situation, readonly unknown[]>>;

/** The situation after another side was clicked: what was clicked is solid, where it was is open. */
export const clickedOn = (situation: Situation, clicked: Direction): Situation => ({
  ...situation,
  clicked,
  neighbours: {
    ...situation.neighbours,
    [opposite(situation.clicked)]: 'open',
    [opposite(clicked)]: 'solid',
  },
});

/**
 * The situation with another neighbour on a side: open, solid, of its own kind, and open again. Where
 * it matters how that one faces, it goes through the four headings before it is open again.
 */
export function withNextNeighbour(
  situation: Situation,
  side: Direction,
  isFacing = false,
): Situation {
  const kind = situation.neighbours[side];
  const { [side as Heading]: state, ...others } = situation.beside ?? {};
  const put = (next: Neighbour, heading?: Heading): Situation => {
    const { beside: _, ...rest } = situation;
    const beside = { ...others, ...(heading && { [side]: { heading } }) };
    const neighbours = { ...situation.neighbours, [side]: next };
    return { ...rest, neighbours, ...(Object.keys(beside).length > 0 && { beside }) };
  };
  const isLevel = (headings as readonly Direction[]).includes(side);
  if (kind === 'own kind' && isFacing && isLevel) {
    const next = headings[headings.findIndex((one) => one === state?.['heading']) + 1];
    return next ? put('own kind', next) : put('open');
  }
  const next = itemAt(neighbourKinds, (neighbourKinds.indexOf(kind) + 1) % neighbourKinds.length);
  const first = next === 'own kind' && isFacing && isLevel ? headings[0] : undefined;
  return put(next, first);
}
