import { headings, type Heading } from '../../space/index.ts';
import type { Value } from '../../states/index.ts';
import type { PlacingRule, YardBlock } from '../pack-world.ts';
import { hasValue } from './rows.ts';

/** What becomes of a structure: a quarter turn clockwise from above, or east and west exchanged. */
export type Moving = 'turned' | 'mirrored';

const quarter = (heading: Heading, moving: Moving): Heading =>
  moving === 'turned'
    ? headings[(headings.indexOf(heading) + 1) % 4]!
    : ({ north: 'north', east: 'west', south: 'south', west: 'east' } as const)[heading];

const isHeading = (value: unknown): value is Heading =>
  (headings as readonly unknown[]).includes(value);

/**
 * The state of a block in a structure that was turned or mirrored, by the section Turning a
 * structure of the format.
 *
 * @example moved(gate, gate.space.encode({ heading: 'north' }), 'turned') // heading=east
 */
export function moved({ space, placement }: YardBlock, state: number, moving: Moving): number {
  const before = space.decode(state);
  const after: Record<string, Value> = { ...before };
  for (const property of space.properties) {
    const { name, kind } = property;
    const value = before[name]!;
    if (isHeading(value) && (kind === 'heading' || kind === 'direction'))
      after[name] = quarter(value, moving);
    else if (kind === 'axis' && moving === 'turned' && value !== 'y')
      after[name] = value === 'x' ? 'z' : 'x';
    else if (kind === 'choice') {
      const said = property[moving]?.[String(value)];
      if (hasValue(property.values, said)) after[name] = said;
    } else if (kind === 'toggle') {
      const joined = joinedSide(placement, name);
      const target = joined && sideNow(space.properties, placement, quarter(joined, moving));
      if (target !== undefined) after[target] = value;
    }
  }
  return space.encode(after);
}

/** The level side on which a toggle is joined. */
function joinedSide(placement: readonly PlacingRule[], name: string): Heading | undefined {
  const side = placement.find((rule) => rule.set === name && rule.to === 'joined')?.side;
  return isHeading(side) ? side : undefined;
}

/** The toggle that is joined on a side; undefined where there is none. */
const sideNow = (
  properties: YardBlock['space']['properties'],
  placement: readonly PlacingRule[],
  side: Heading,
): string | undefined =>
  properties.find(({ name, kind }) => kind === 'toggle' && joinedSide(placement, name) === side)
    ?.name;
