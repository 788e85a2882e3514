import type { Property, Value, When } from '../states/index.ts';
import type { Action, Reaction } from './reaction.schema.ts';

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
  before: Property,
  after: Property | undefined,
  renamed: ReadonlyMap<Value, Value>,
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
