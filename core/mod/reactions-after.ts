import type { Property, Value, When } from '../states/index.ts';
import type { Action, Reaction } from './reaction.schema.ts';

/** A property of the block called `id` that is another one, or gone. */
export interface PropertyChange {
  id: string;
  before: Property;
  after: Property | undefined;
  /** Which of its values are called otherwise. */
  renamed: ReadonlyMap<Value, Value>;
}

const propertyOf = (action: Action): string | undefined =>
  action.do === 'set' || action.do === 'flip' || action.do === 'step' ? action.property : undefined;

/** How many reactions ask for a property of their block, or change it. */
export const reactionsNaming = (
  reactions: readonly Reaction[] | undefined,
  property: string,
): number =>
  (reactions ?? []).filter(
    ({ if: asked, then }) =>
      (asked?.state && Object.hasOwn(asked.state, property)) ||
      then.some((action) => propertyOf(action) === property),
  ).length;

/**
 * Reactions with what they ask of their own state put through a change; one that can no longer
 * hold is left out.
 */
export const reactionsThrough = (
  reactions: readonly Reaction[],
  change: (when: When) => When | undefined | false,
): Reaction[] =>
  reactions.flatMap((reaction) => {
    const { state, ...others } = reaction.if ?? {};
    if (!state) return [reaction];
    const changed = change(state);
    if (changed === false) return [];
    const asked = changed ? { ...others, state: changed } : others;
    const { if: _, ...rest } = reaction;
    return [Object.keys(asked).length ? { ...rest, if: asked } : rest];
  });

/**
 * What reactions do after a property is another one (renamed, with other values) or gone: actions
 * follow it, and those on what is gone are left out, with reactions that then do nothing.
 */
export const reactionsAfter = (
  reactions: readonly Reaction[],
  { before, after, renamed }: PropertyChange,
): Reaction[] =>
  reactions.flatMap((reaction) => {
    const then = reaction.then.flatMap((action): Action[] => {
      if (propertyOf(action) !== before.name) return [action];
      if (!after) return [];
      const named = { ...action, property: after.name } as Action;
      return [named.do === 'set' ? { ...named, to: renamed.get(named.to) ?? named.to } : named];
    });
    return then.length ? [{ ...reaction, then }] : [];
  });

/** Values that another block is given, after a property of that block is another one or gone. */
function givenAfter(
  given: Readonly<Record<string, Value>>,
  { before, after, renamed }: PropertyChange,
): Record<string, Value> | undefined {
  const left = Object.entries(given).flatMap(([name, value]): [string, Value][] => {
    if (name !== before.name) return [[name, value]];
    return after ? [[after.name, renamed.get(value) ?? value]] : [];
  });
  return left.length ? Object.fromEntries(left) : undefined;
}

const asksOf = ({ if: asked }: Reaction, id: string, property: string): boolean =>
  asked?.neighbour?.is === id && Object.hasOwn(asked.neighbour.state ?? {}, property);
const givesTo = (action: Action, id: string, property: string): boolean =>
  'block' in action && action.block === id && Object.hasOwn(action.state ?? {}, property);

/** Whether a reaction names a property of another block: of a neighbour, or of what it places. */
export const namesToward = (reaction: Reaction, id: string, property: string): boolean =>
  asksOf(reaction, id, property) || reaction.then.some((action) => givesTo(action, id, property));

/**
 * What reactions of any block do after a property of one block is another one or gone:
 * what they ask of it as a neighbour, and the state in which they place it, follow. A reaction that
 * can no longer hold is left out. The same list where none of it is said.
 */
export function reactionsToward(
  reactions: Reaction[],
  property: PropertyChange,
  change: (when: When) => When | undefined | false,
): Reaction[] {
  const { id, before } = property;
  const gives = (action: Action) => givesTo(action, id, before.name);
  const asks = (reaction: Reaction) => asksOf(reaction, id, before.name);
  if (!reactions.some((one) => namesToward(one, id, before.name))) return reactions;
  return reactions.flatMap((reaction): Reaction[] => {
    const then = reaction.then.map((action): Action => {
      if (!('block' in action) || !action.state || !gives(action)) return action;
      const { state, ...rest } = action;
      const given = givenAfter(state, property);
      return given ? { ...rest, state: given } : rest;
    });
    const { neighbour, ...others } = reaction.if ?? {};
    if (!neighbour?.state || !asks(reaction)) return [{ ...reaction, then }];
    const { state, ...place } = neighbour;
    const changed = change(state);
    if (changed === false) return [];
    const asked = changed ? { ...place, state: changed } : place;
    return [{ ...reaction, if: { ...others, neighbour: asked }, then }];
  });
}
