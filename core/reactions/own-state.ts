import type { Action } from '../mod/index.ts';
import type { State, StateSpace } from '../states/index.ts';

/**
 * The state of a block after an action that changes its properties; the same state after any other
 * one, and where the property or the value is none of its own. A step stops at the first and at the
 * last value; flipping goes to the next value, and from the last to the first.
 *
 * @example stateAfter(space, 3, { do: 'step', property: 'age', by: 1 }) // 4, or 3 where that is last
 */
export function stateAfter(space: StateSpace, state: number, action: Action): number {
  if (action.do !== 'set' && action.do !== 'flip' && action.do !== 'step') return state;
  const at = space.indexOf(action.property);
  const values = space.values[at];
  if (!values?.length) return state;
  const now = space.digit(state, at);
  const next =
    action.do === 'set'
      ? values.indexOf(action.to)
      : action.do === 'flip'
        ? (now + 1) % values.length
        : Math.max(0, Math.min(values.length - 1, now + action.by));
  return next < 0 ? state : space.withDigit(state, at, next);
}

/** The state of a block after everything that a reaction does, as long as the block stands. */
export const stateAfterAll = (
  space: StateSpace,
  state: number,
  actions: readonly Action[],
): number => actions.reduce((now, action) => stateAfter(space, now, action), state);

/** The state in which a block comes to stand by an action, beside or after one in a state. */
export const comesAs = (
  { keeps, state = {} }: Extract<Action, { do: 'become' | 'place' }>,
  space: StateSpace,
  from: State | undefined,
): number => space.encode({ ...(keeps && from), ...state });

/** Whether after these actions another block stands there, or none. */
export const goesAway = (actions: readonly Action[]): boolean =>
  actions.some((action) => action.do === 'become' || action.do === 'vanish');
