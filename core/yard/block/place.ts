import {
  axisOf,
  directions,
  headings,
  opposite,
  type Direction,
  type Heading,
  type Vec3,
} from '../../space/index.ts';
import type { State, Value } from '../../states/index.ts';
import type { PlacingRule, YardBlock } from '../pack-world.ts';
import { hasValue } from './rows.ts';

/** How somebody places a block. */
export interface Click {
  /** Where the face that was clicked looks. */
  side: Direction;
  /** How high on that face it was clicked, from 0 at its foot to 1. */
  height: number;
  /** Where the player looks. */
  looks: Vec3;
  crouching: boolean;
  /** What the item carries. */
  carried?: State | undefined;
}

/** What stands around the cell into which a block comes. */
export interface Around {
  isSolid: (side: Direction) => boolean;
  hasSignal: boolean;
  /** The state of a block of the same kind that stands there; undefined for anything else. */
  ownKind: (side: Direction) => State | undefined;
}

/** A property of a placed block: its value, and the rule that set it, from 0; none for a default. */
export interface Because {
  property: string;
  value: Value;
  rule?: number;
}

/** A placed block. */
export interface Placed {
  state: number;
  because: Because[];
}

/**
 * The state in which a block comes to stand, with the rule that set each property: by the section
 * Placement of the format, and nothing else.
 *
 * @example placed(lantern, click, around).because
 * // [{ property: 'hung', value: 'floor', rule: 1 }, …]
 */
export function placed(block: YardBlock, click: Click, around: Around): Placed {
  const set: Record<string, Value> = {};
  const because = inOrder(block).map(({ name, kind, default: usual }): Because => {
    const found = ruled(block, { name, kind }, click, around, set);
    const value = found?.value ?? usual;
    set[name] = value;
    return { property: name, value, ...(found && { rule: found.rule }) };
  });
  return { state: block.space.encode(set), because };
}

/** Nobody clicks: that is how the format has it when a block follows its neighbours. */
const nobody: Click = { side: 'up', height: 1, looks: [0, 0, -1], crouching: false };

/** Whether the rules of a block let it follow its neighbours for as long as it stands. */
export const follows = ({ placement }: YardBlock): boolean =>
  placement.some(({ to }) => isFollowing(to));
const isFollowing = (to: string): boolean => to === 'joined' || to === 'corner';

/**
 * The state of a block that stands, after what follows the neighbours was set anew.
 *
 * @example followed(fence, fence.space.encode({ north: false }), around) // north: true
 */
export function followed(block: YardBlock, state: number, around: Around): number {
  const set: Record<string, Value> = { ...block.space.decode(state) };
  for (const { name, kind } of inOrder(block)) {
    if (!block.placement.some((rule) => rule.set === name && isFollowing(rule.to))) continue;
    const found = ruled(block, { name, kind }, nobody, around, set);
    if (found) set[name] = found.value;
  }
  return block.space.encode(set);
}

/** The properties of a block as they are set: a corner after all others. */
function inOrder({ space, placement }: YardBlock): YardBlock['space']['properties'] {
  const isCorner = (name: string) =>
    placement.some((rule) => rule.set === name && rule.to === 'corner');
  return [false, true].flatMap((isLast) =>
    space.properties.filter(({ name }) => isCorner(name) === isLast),
  );
}

/** What the first rule gives that holds and gives a value of the property. */
function ruled(
  { space, placement }: YardBlock,
  { name, kind }: { name: string; kind: string },
  click: Click,
  around: Around,
  set: State,
): { value: Value; rule: number } | undefined {
  const values = space.values[space.indexOf(name)] ?? [];
  for (const [index, rule] of placement.entries()) {
    if (rule.set !== name || !holds(rule, click, around)) continue;
    const value = given(rule, kind, click, around, set);
    if (hasValue(values, value)) return { value, rule: index };
  }
  return undefined;
}

/** The half that was clicked: the top of a block counts as lower, its underside as upper. */
const halfOf = ({ side, height }: Click): 'upper' | 'lower' =>
  side === 'up' ? 'lower' : side === 'down' ? 'upper' : height > 0.5 ? 'upper' : 'lower';

function holds({ when = {} }: PlacingRule, click: Click, around: Around): boolean {
  const { clicked, half, crouching, signal, solid } = when;
  return (
    (clicked === undefined || clicked.includes(click.side)) &&
    (half === undefined || half === halfOf(click)) &&
    (crouching === undefined || crouching === click.crouching) &&
    (signal === undefined || signal === around.hasSignal) &&
    (solid === undefined || solid.some((side) => around.isSolid(side)))
  );
}

/** Where somebody looks by the compass. */
export const headingOf = ([x, , z]: Vec3): Heading =>
  Math.abs(x) > Math.abs(z) ? (x > 0 ? 'east' : 'west') : z > 0 ? 'south' : 'north';

/** The same, up or down where they look more than 45° above or below level. */
function lookOf(looks: Vec3): Direction {
  const [x, y, z] = looks;
  return Math.abs(y) > Math.hypot(x, z) ? (y > 0 ? 'up' : 'down') : headingOf(looks);
}

/** The value that a rule gives, whether or not the property has it. */
function given(
  rule: PlacingRule,
  kind: string,
  click: Click,
  around: Around,
  set: State,
): Value | undefined {
  const { value = true, otherwise = false } = rule;
  const look = kind === 'direction' ? lookOf(click.looks) : headingOf(click.looks);
  const { side: joined } = rule;
  switch (rule.to) {
    case 'toward the player':
      return opposite(look);
    case 'away from the player':
      return look;
    case 'clicked side':
      return click.side;
    case 'along the clicked side':
      return axisOf(click.side);
    case 'away from a solid neighbour': {
      const side = leaning(click, around, kind === 'heading' ? headings : directions);
      return side && (kind === 'axis' ? axisOf(side) : opposite(side));
    }
    case 'half of the clicked side':
      return halfOf(click) === 'upper' ? value : otherwise;
    case 'crouching':
      return click.crouching ? value : otherwise;
    case 'signal':
      return around.hasSignal ? value : otherwise;
    case 'joined':
      return joined && (around.isSolid(joined) || around.ownKind(joined)) ? value : otherwise;
    case 'corner':
      return corner(rule.alike ?? [], set, around);
    case 'from the item':
      return click.carried?.[rule.set];
    case 'fixed':
      return rule.value;
    default:
      return undefined;
  }
}

/** The side of a solid neighbour whose own opposite is not solid: the clicked one, else the first. */
function leaning(
  { side }: Click,
  { isSolid }: Around,
  among: readonly Direction[],
): Direction | undefined {
  const fit = among.filter((one) => isSolid(one) && !isSolid(opposite(one)));
  const clicked = opposite(side);
  return fit.includes(clicked) ? clicked : fit[0];
}

/** Which side is to the left of one who faces a heading. */
const leftOf = (heading: Heading): Heading => headings[(headings.indexOf(heading) + 3) % 4]!;

function corner(alike: readonly string[], own: State, { ownKind }: Around): string {
  const facing = own['heading'] as Heading;
  const headingAt = (side: Direction): Heading | undefined => {
    const state = ownKind(side);
    return state && alike.every((name) => state[name] === own[name])
      ? (state['heading'] as Heading)
      : undefined;
  };
  const isAcross = (one: Heading | undefined): one is Heading =>
    one !== undefined && axisOf(one) !== axisOf(facing);
  const hand = (back: Direction) => (back === leftOf(facing) ? 'left' : 'right');
  const behind = headingAt(opposite(facing));
  if (isAcross(behind) && headingAt(behind) !== facing) return `outer_${hand(opposite(behind))}`;
  const before = headingAt(facing);
  if (isAcross(before) && headingAt(opposite(before)) !== facing)
    return `inner_${hand(opposite(before))}`;
  return 'straight';
}
