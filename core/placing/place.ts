import { lookUp } from '../mod/index.ts';
import type { Placing } from '../mod/index.ts';
import { axisOf, directions, headings, opposite, type Direction } from '../space/index.ts';
import {
  hasValue,
  type Property,
  type State,
  type StateSpace,
  type Value,
} from '../states/index.ts';
import { cornerOf } from './corner.ts';
import type { Situation } from './situation.ts';

/** Which half of the cell was clicked: on a floor the lower one, under a ceiling the upper one. */
export const halfOf = ({ clicked, half }: Situation): 'upper' | 'lower' =>
  clicked === 'up' ? 'lower' : clicked === 'down' ? 'upper' : half;

/** Where the player looks, of the six directions. */
export const lookOf = ({ looks, pitch }: Situation): Direction =>
  pitch === 'level' ? looks : pitch;

/** True when the rule's conditions hold. */
export function holds({ when }: Placing, situation: Situation): boolean {
  if (!when) return true;
  return (
    (when.clicked === undefined || when.clicked.includes(situation.clicked)) &&
    (when.half === undefined || when.half === halfOf(situation)) &&
    (when.crouching === undefined || when.crouching === situation.crouching) &&
    (when.signal === undefined || when.signal === situation.signal) &&
    (when.solid === undefined || when.solid.some((side) => situation.neighbours[side] === 'solid'))
  );
}

/**
 * The side with a solid neighbour that the block leans against: the one that was clicked if it is
 * solid, else the first of north, east, south, west, up, down that is, and whose other side is not.
 */
function solidSide(
  { clicked, neighbours }: Situation,
  among: readonly Direction[],
): Direction | undefined {
  const leaning = among.filter(
    (side) => neighbours[side] === 'solid' && neighbours[opposite(side)] !== 'solid',
  );
  const behind = opposite(clicked);
  return leaning.includes(behind) ? behind : leaning[0];
}

/**
 * The value that a rule gives the property in a situation, where other properties are `placed` by
 * then; undefined when it gives none that the property has.
 */
export function valueGiven(
  rule: Placing,
  property: Property,
  situation: Situation,
  placed: State = {},
): Value | undefined {
  const fitting = (value: Value | undefined) =>
    value !== undefined && hasValue(property, value) ? value : undefined;
  const chosen = (yes: boolean) =>
    fitting(
      yes
        ? (rule.value ?? (property.kind === 'toggle' ? true : undefined))
        : (rule.otherwise ?? (property.kind === 'toggle' ? false : undefined)),
    );
  const looked = property.kind === 'direction' ? lookOf(situation) : situation.looks;
  switch (rule.to) {
    case 'from the item':
      return fitting(lookUp(situation.carried, rule.set));
    case 'fixed':
      return fitting(rule.value);
    case 'toward the player':
      return fitting(opposite(looked));
    case 'away from the player':
      return fitting(looked);
    case 'clicked side':
      return fitting(situation.clicked);
    case 'along the clicked side':
      return fitting(axisOf(situation.clicked));
    case 'away from a solid neighbour': {
      const side = solidSide(situation, property.kind === 'heading' ? headings : directions);
      return side && fitting(property.kind === 'axis' ? axisOf(side) : opposite(side));
    }
    case 'half of the clicked side':
      return chosen(halfOf(situation) === 'upper');
    case 'crouching':
      return chosen(situation.crouching);
    case 'signal':
      return chosen(situation.signal);
    case 'joined':
      return chosen(rule.side !== undefined && situation.neighbours[rule.side] !== 'open');
    case 'corner':
      return fitting(cornerOf(rule, placed, situation));
  }
}

const asksForOthers = (rules: readonly Placing[], { name }: Property): boolean =>
  rules.some((rule) => rule.set === name && rule.to === 'corner');

/**
 * The state in which a block is placed. Each property is set by the first rule for it whose
 * conditions hold and that gives one of its values; what no rule sets has its default.
 *
 * @example placedState([{ set: 'heading', to: 'toward the player' }], space, usualSituation)
 * // the state with heading = south
 */
export function placedState(
  rules: readonly Placing[],
  space: StateSpace,
  situation: Situation,
): number {
  const placed: Record<string, Value> = {};
  // What asks for other properties comes last, whatever the order of the properties.
  const ordered = [false, true].flatMap((isLast) =>
    space.properties.filter((property) => asksForOthers(rules, property) === isLast),
  );
  for (const property of ordered)
    for (const rule of rules) {
      if (rule.set !== property.name || !holds(rule, situation)) continue;
      const value = valueGiven(rule, property, situation, placed);
      if (value === undefined) continue;
      placed[property.name] = value;
      break;
    }
  return space.encode(placed);
}
