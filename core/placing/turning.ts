import { itemAt } from '../lists/index.ts';
import type { Placing } from '../mod/index.ts';
import { headings, type Direction } from '../space/index.ts';
import type { Property, StateSpace, Value } from '../states/index.ts';

/**
 * What happens to every state when a structure is turned or mirrored: the new state at the place of
 * the old one.
 */
export interface Turning {
  /** A quarter turn clockwise, seen from above. */
  quarter: Int32Array;
  /** A mirror that exchanges east and west. */
  mirror: Int32Array;
}

const turned: Readonly<Record<string, string>> = {
  north: 'east',
  east: 'south',
  south: 'west',
  west: 'north',
  x: 'z',
  z: 'x',
};
const mirrored: Readonly<Record<string, string>> = { east: 'west', west: 'east' };

/** What a value of the property becomes by itself. */
function movedValue(property: Property, value: Value, by: 'turned' | 'mirrored'): Value {
  if (property.kind === 'toggle' || property.kind === 'number') return value;
  const moves =
    property.kind === 'choice' ? (property[by] ?? {}) : by === 'turned' ? turned : mirrored;
  return Object.hasOwn(moves, value as string) ? moves[value as string]! : value;
}

/**
 * Toggles that say whether a side is joined exchange their values as the sides move: what was
 * joined to the north is joined to the east after a quarter turn. Gives for each property the one
 * whose value it takes over, both by place.
 */
function takenFrom(
  space: StateSpace,
  placing: readonly Placing[],
  by: 'turned' | 'mirrored',
): number[] {
  const sideOf = new Map<number, Direction>();
  for (const rule of placing)
    if (rule.to === 'joined' && rule.side && space.indexOf(rule.set) >= 0)
      sideOf.set(space.indexOf(rule.set), rule.side);
  const moves = by === 'turned' ? turned : mirrored;
  return space.properties.map((property, index) => {
    const side = sideOf.get(index);
    if (side === undefined) return index;
    // Who moves to this side: the property of the side from which one comes here.
    const from = headings.find((heading) => (moves[heading] ?? heading) === side) ?? side;
    const source = [...sideOf].find(
      ([place, other]) =>
        other === from && itemAt(space.values, place).length === itemAt(space.values, index).length,
    )?.[0];
    return source !== undefined && itemAt(space.properties, source).kind === property.kind
      ? source
      : index;
  });
}

/**
 * What turning and mirroring a built structure does to each state: headings, directions and axes go
 * round by themselves, joined sides change places, choices as they say, toggles and numbers stay.
 *
 * @example turningOf(space, []).quarter[space.encode({ heading: 'north' })]
 * // the state with heading = east
 */
export function turningOf(space: StateSpace, placing: readonly Placing[]): Turning {
  const table = (by: 'turned' | 'mirrored'): Int32Array => {
    const sources = takenFrom(space, placing, by);
    const moves = space.properties.map((property, index) =>
      itemAt(space.values, index).map((value) =>
        itemAt(space.values, index).indexOf(movedValue(property, value, by)),
      ),
    );
    return Int32Array.from({ length: space.size }, (_, state) => {
      let moved = 0;
      for (let at = 0; at < sources.length; at += 1) {
        const source = itemAt(sources, at);
        const digit = itemAt(itemAt(moves, source), space.digit(state, source));
        // What becomes of a value that the property does not have is undefined: it stays, and the
        // proof tells.
        moved += (digit < 0 ? space.digit(state, source) : digit) * itemAt(space.steps, at);
      }
      return moved;
    });
  };
  return { quarter: table('turned'), mirror: table('mirrored') };
}

/** What a structure would not survive, with the first state that shows it. */
export interface TurningFlaw {
  state: number;
  back: number;
  what: 'four quarter turns' | 'two mirrors' | 'mirroring, turning, mirroring and turning';
}

/**
 * Proves that turning and mirroring act as the symmetries of a square do (the dihedral group of
 * order 8): four quarter turns come back, two mirrors come back, and a turn undoes itself between
 * mirrors (Armstrong, Groups and Symmetry, chapter 4). Undefined when they do.
 */
export function turningFlaw({ quarter, mirror }: Turning): TurningFlaw | undefined {
  const laws: [TurningFlaw['what'], (state: number) => number][] = [
    [
      'four quarter turns',
      (state) => quarter[quarter[quarter[quarter[state] ?? 0] ?? 0] ?? 0] ?? 0,
    ],
    ['two mirrors', (state) => mirror[mirror[state] ?? 0] ?? 0],
    [
      'mirroring, turning, mirroring and turning',
      (state) => quarter[mirror[quarter[mirror[state] ?? 0] ?? 0] ?? 0] ?? 0,
    ],
  ];
  for (const [what, law] of laws)
    for (let state = 0; state < quarter.length; state += 1) {
      const back = law(state);
      if (back !== state) return { state, back, what };
    }
  return undefined;
}
