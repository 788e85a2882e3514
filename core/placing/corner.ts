import { lookUp } from '../mod/index.ts';
import type { Placing } from '../mod/index.ts';
import { headings, opposite, type Heading } from '../space/index.ts';
import type { State, Value } from '../states/index.ts';
import type { Situation } from './situation.ts';

/** Whether a neighbour has a property alike; one of which nothing is said has. */
const isAlikeIn = (name: string, state: State | undefined, placed: State): boolean => {
  const value = lookUp(state, name);
  return value === undefined || value === lookUp(placed, name);
};

/** How what goes round corners stands: straight, or with its high part reduced or added to. */
export const cornerValues = [
  'straight',
  'inner_left',
  'inner_right',
  'outer_left',
  'outer_right',
] as const;
type Corner = (typeof cornerValues)[number];

/** What lies to the left of one who faces along a heading. */
const leftOf: Readonly<Record<Heading, Heading>> = {
  south: 'east',
  east: 'north',
  north: 'west',
  west: 'south',
};

const asHeading = (value: Value | undefined): Heading | undefined =>
  headings.find((heading) => heading === value);

/**
 * How a block goes round a corner, by the blocks of its kind beside it. Its front is low, its back is
 * high. A block behind it that faces across leaves high only the half of its back that meets that
 * one's: an outer corner. One in front of it that faces across has the half of its front high that
 * meets that one's: an inner corner. Left and right are those of one who faces as the block does. A
 * row that goes on there, with a block that faces as it does, is not cut. What is not `alike` is not
 * looked at. Straight where nothing of that is so; undefined where the block has no heading.
 *
 * @example
 * cornerOf(rule, { heading: 'south' }, { …, beside: { north: { heading: 'west' } } }) // 'outer_left'
 */
export function cornerOf(
  { alike = [] }: Pick<Placing, 'alike'>,
  placed: State,
  { beside = {} }: Pick<Situation, 'beside'>,
): Corner | undefined {
  const own = asHeading(lookUp(placed, 'heading'));
  if (!own) return undefined;
  const facing = (side: Heading): Heading | undefined => {
    const state = beside[side];
    const isAlike = alike.every((name) => isAlikeIn(name, state, placed));
    return state && isAlike ? asHeading(lookUp(state, 'heading')) : undefined;
  };
  const across = (side: Heading): Heading | undefined => {
    const other = facing(side);
    return other === undefined || other === own || other === opposite(own) ? undefined : other;
  };
  const behind = across(opposite(own) as Heading);
  if (behind && facing(behind) !== own)
    return opposite(behind) === leftOf[own] ? 'outer_left' : 'outer_right';
  const before = across(own);
  if (before && facing(opposite(before) as Heading) !== own)
    return opposite(before) === leftOf[own] ? 'inner_left' : 'inner_right';
  return 'straight';
}
