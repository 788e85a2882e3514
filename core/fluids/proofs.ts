import type { FluidPhysics, Meeting } from './physics.ts';

/** Meetings by which a fluid comes back to be a source of itself, in order. */
export type Circle = readonly { fluid: string; meeting: Meeting }[];

/**
 * The circle of meetings by which what spreads never ends: along a block that stays where it is
 * the fluid makes sources of itself, each of which spreads further, or fluids turn into each other.
 * Undefined where there is none: then each source reaches a bounded part of the world, and meetings
 * only ever take cells away, so that every spread in a bounded world ends.
 *
 * @example endlessFrom('a:brine', new Map([['a:brine', { reach: 5, pace: 4,
 *   meets: [{ with: 'a:silt', becomes: 'a:brine' }] }]])) // [{ fluid: 'a:brine', meeting: … }]
 */
export function endlessFrom(
  start: string,
  fluids: ReadonlyMap<string, FluidPhysics>,
): Circle | undefined {
  const tried = new Set<string>();
  const follow = (fluid: string, way: Circle): Circle | undefined => {
    for (const meeting of fluids.get(fluid)?.meets ?? []) {
      if (!fluids.has(meeting.becomes) || meeting.with === fluid) continue;
      const on = [...way, { fluid, meeting }];
      if (meeting.becomes === start) {
        // Alongside another fluid a source of one's own is made once, unless one makes that as well.
        const isBound = on.length === 1 && fluids.has(meeting.with);
        const made = isBound ? madeOf(start, meeting.with, fluids) : on;
        if (made) return made === on ? on : [...made, ...on];
        continue;
      }
      if (tried.has(meeting.becomes)) continue;
      tried.add(meeting.becomes);
      const found = follow(meeting.becomes, on);
      if (found) return found;
    }
    return undefined;
  };
  return follow(start, []);
}

/** The meetings by which one fluid comes to be another one; undefined where it does not. */
function madeOf(
  from: string,
  to: string,
  fluids: ReadonlyMap<string, FluidPhysics>,
): Circle | undefined {
  const ways = new Map<string, Circle>([[from, []]]);
  for (const [fluid, way] of ways)
    for (const meeting of fluids.get(fluid)?.meets ?? [])
      if (fluids.has(meeting.becomes) && meeting.with !== fluid && !ways.has(meeting.becomes))
        ways.set(meeting.becomes, [...way, { fluid, meeting }]);
  return to === from ? undefined : ways.get(to);
}

/** How a fluid does away with itself: by what it leaves, or by what comes of one of its meetings. */
export interface EatsItself {
  /** What touches it: it stands where the fluid was. */
  block: string;
  /** Which of its meetings takes the next cell, by its place in the list. */
  meeting: number;
  /** Whether it is left where the fluid runs dry, and not made where it meets something. */
  isLeft: boolean;
}

/**
 * Whether what becomes of one cell of a fluid takes the next cell, and so on up to the source:
 * it leaves, or becomes, a block that it meets. A meeting of its own kind is one as well.
 */
export function eatsItself(
  id: string,
  { leaves, meets = [] }: Pick<FluidPhysics, 'leaves' | 'meets'>,
): EatsItself | undefined {
  const takes = (block: string): number =>
    meets.findIndex((one) => one.with === block && one.becomes !== id);
  const made = [
    ...(leaves === undefined ? [] : [{ block: leaves, isLeft: true }]),
    ...meets.map(({ becomes }) => ({ block: becomes, isLeft: false })),
  ];
  for (const { block, isLeft } of made) {
    const meeting = block === id ? -1 : takes(block);
    if (meeting >= 0) return { block, meeting, isLeft };
  }
  return undefined;
}
