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

/** What each part of a situation can be. Parts that no rule asks for stay as they usually are. */
export const choicesOf = {
  clicked: directions,
  half: ['upper', 'lower'],
  looks: headings,
  pitch: pitches,
  crouching: [false, true],
  signal: [false, true],
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

/** The situation with another neighbour on a side: open, solid, of its own kind, and open again. */
export function withNextNeighbour(situation: Situation, side: Direction): Situation {
  const kind = neighbourKinds.indexOf(situation.neighbours[side]);
  const next = itemAt(neighbourKinds, (kind + 1) % neighbourKinds.length);
  return { ...situation, neighbours: { ...situation.neighbours, [side]: next } };
}
