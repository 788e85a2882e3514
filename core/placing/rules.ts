import type { Placing } from '../mod/index.ts';
import { headings, type Heading } from '../space/index.ts';
import type { Property } from '../states/index.ts';
import { listed } from '../words/index.ts';

/** How a rule of placing finds the value of its property. */
export type PlacingHow = Placing['to'];

const turning: readonly PlacingHow[] = [
  'toward the player',
  'away from the player',
  'clicked side',
  'away from a solid neighbour',
];
/** Ways that decide between values which the rule names itself. */
const deciding: readonly PlacingHow[] = [
  'half of the clicked side',
  'crouching',
  'signal',
  'joined',
  'from the item',
  'fixed',
];

/** The ways in which placing can set a property of each kind. */
export const placingWays: Readonly<Record<Property['kind'], readonly PlacingHow[]>> = {
  heading: [...turning, ...deciding],
  direction: [...turning, ...deciding],
  axis: ['along the clicked side', 'away from a solid neighbour', ...deciding],
  toggle: deciding,
  number: deciding,
  choice: [...deciding, 'corner'],
};

/** Whether a rule names the values that it decides between. */
export const namesValues = (how: PlacingHow): boolean =>
  deciding.includes(how) && how !== 'from the item';

const isHeading = (name: string | undefined): name is Heading =>
  (headings as readonly (string | undefined)[]).includes(name);

/** A rule that sets a property in a way, with the values that such a rule needs. */
export function placingRule(property: Property | undefined, how: PlacingHow): Placing {
  const name = property?.name;
  const needsValue = how === 'fixed' || (namesValues(how) && property?.kind !== 'toggle');
  return {
    set: name ?? '',
    to: how,
    ...(how === 'joined' ? { side: isHeading(name) ? name : 'north' } : {}),
    ...(needsValue ? { value: property?.default } : {}),
  };
}

/** The rule that one would most likely want first for a property. */
export function firstPlacingRule(property: Property): Placing {
  if (property.kind === 'toggle') return placingRule(property, 'crouching');
  const [usual = 'fixed'] = placingWays[property.kind];
  return placingRule(property, usual === 'half of the clicked side' ? 'fixed' : usual);
}

/**
 * When a rule holds, as the rest of a sentence.
 *
 * @example placingCondition({ set: 'lit', to: 'fixed', when: { crouching: true } })
 * // 'only when the player crouches'
 */
export function placingCondition({ when }: Placing): string {
  if (!when) return 'whenever the block is placed';
  const { clicked, half, crouching, signal, solid } = when;
  const parts = [
    clicked && `the clicked side is ${listed(clicked, 'or')}`,
    half && `the ${half} half is clicked`,
    crouching !== undefined && `the player ${crouching ? 'crouches' : 'stands'}`,
    signal !== undefined && (signal ? 'there is a signal' : 'there is no signal'),
    solid && `a solid block is ${listed(solid, 'or')} of it`,
  ].filter((part) => typeof part === 'string');
  return `only when ${listed(parts)}`;
}
