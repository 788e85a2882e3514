import {
  compose,
  identityOrientation,
  type Direction,
  type Orientation,
} from '../../../space/index.ts';

/** A quarter turn about the vertical, as the engine's numbers count: what faced south faces west. */
const quarter: Orientation = { front: 'west', top: 'up' };

/** Where front and top come to lie for the first turn about each of the engine's six axes. */
const axes: readonly Orientation[] = [
  identityOrientation,
  { front: 'up', top: 'north' },
  { front: 'down', top: 'south' },
  { front: 'south', top: 'east' },
  { front: 'south', top: 'west' },
  { front: 'south', top: 'down' },
];

/**
 * The engine's 24 turns by their numbers: four quarters for each axis ("facedir" in its Lua API
 * reference, Node paramtypes). The table is asked of the engine itself whenever a mod is tried in
 * it: the boxes of every state are looked for with rays.
 */
export const turns: readonly Orientation[] = axes.flatMap((axis) => {
  const quarters = [identityOrientation];
  for (let n = 1; n < 4; n += 1) quarters.push(compose(quarter, quarters[n - 1]!));
  return quarters.map((one) => compose(axis, one));
});

const numbers = new Map(turns.map(({ front, top }, number) => [`${front} ${top}`, number]));

/** The number of a turn. Throws a RangeError for what is none of the 24. */
export function turnNumber({ front, top }: Orientation): number {
  const number = numbers.get(`${front} ${top}`);
  if (number === undefined) throw new RangeError(`front ${front} and top ${top} are no turn`);
  return number;
}

/** The turn that a turn becomes when a structure is turned a quarter clockwise, from above. */
export const turnedQuarter = (turn: number): number =>
  turnNumber(compose(quarter, turns[turn] ?? identityOrientation));

/**
 * The engine's numbers grow to the north where ours grow to the south: a point or a step of one as
 * one of the other.
 */
export const inEngine = ([x, y, z]: readonly [number, number, number]): [
  number,
  number,
  number,
] => [x, y, -z + 0];

/** The directions as the engine names the six tiles of a node, in its order. */
export const tileOrder: readonly Direction[] = ['up', 'down', 'east', 'west', 'north', 'south'];
