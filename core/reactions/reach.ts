import type { Reaction, ReactionEvent } from '../mod/index.ts';
import { BitSet, type StateSpace } from '../states/index.ts';
import { answers, byIdAlone, holds, type IsMeant, type Occurrence } from './occurrence.ts';
import { comesAs, goesAway, stateAfterAll } from './own-state.ts';
import { situationsFor, triedBy } from './situations.ts';

/** Why a reaction never does anything. */
export type WhyDead =
  | 'the state never is'
  | 'it can never hold'
  | 'an earlier one always answers'
  | 'another one is sooner';

export interface ReachOptions {
  isMeant?: IsMeant;
  /** The id of the block, by which it may put others of its kind. */
  id?: string;
}

/** What reactions can bring about. */
export interface ReactionReach {
  /** All states that the block can be in. */
  states: BitSet;
  /** For each reaction whether it can ever answer; where not, why. */
  dead: readonly (WhyDead | undefined)[];
  /** The reaction by which a state is first reached that nothing else reaches. */
  how: ReadonlyMap<number, number>;
}

/**
 * Which states a block can be in, and which of its reactions can ever answer: from the states in
 * which it comes to stand, over everything that can happen to it. The situations are those that its
 * conditions can tell apart; of chance both outcomes count, but for 0 and 1. Where there are too
 * many situations, a reaction whose own conditions can hold counts as one that answers.
 *
 * @example reactionReach(lever.reactions, space, BitSet.full(1)).states.count // 2: off and on
 */
export function reactionReach(
  reactions: readonly Reaction[],
  space: StateSpace,
  start: BitSet,
  { isMeant = byIdAlone, id }: ReachOptions = {},
): ReactionReach {
  const states = start.copy();
  const how = new Map<number, number>();
  const fired = reactions.map(() => false);
  const events = [...new Set(reactions.map(({ when }) => when))].map((event) => ({
    event,
    situations: situationsFor(reactions, event),
  }));
  const waiting: number[] = [];
  states.forEach((state) => waiting.push(state));
  const possible = possibleIn(reactions, space, triedBy(isMeant));
  while (waiting.length) {
    const state = waiting.pop()!;
    for (const { event, situations } of events)
      for (const at of possible(state, event, situations)) {
        fired[at] = true;
        for (const after of reachedBy(reactions[at]!, space, state, id)) {
          if (states.has(after)) continue;
          states.add(after);
          how.set(after, at);
          waiting.push(after);
        }
      }
  }
  return {
    states,
    dead: reactions.map((reaction, at) =>
      fired[at] ? undefined : whyDead(reaction, at, space, states, triedBy(isMeant)),
    ),
    how,
  };
}

/** The states in which one of the block then stands: itself, and others that it puts or becomes. */
function reachedBy(
  { then }: Reaction,
  space: StateSpace,
  state: number,
  id: string | undefined,
): number[] {
  const own = goesAway(then) ? [] : [stateAfterAll(space, state, then)];
  const others = then.flatMap((action, i) =>
    (action.do === 'place' || action.do === 'become') && action.block === id
      ? [comesAs(action, space, space.decode(stateAfterAll(space, state, then.slice(0, i))))]
      : [],
  );
  return [...own, ...others];
}

/** Whether a reaction has a chance of its own: then those after it may answer as well. */
const isSure = (reaction: Reaction): boolean => (reaction.if?.chance ?? 1) >= 1;
const isPossible = (reaction: Reaction): boolean => (reaction.if?.chance ?? 1) > 0;
/** Chance is looked at by itself. */
const certain = (): boolean => true;

const isApart = (event: ReactionEvent): boolean => event === 'after ticks' || event === 'at random';

type Possible = (
  state: number,
  event: ReactionEvent,
  situations: readonly Occurrence[] | undefined,
) => Set<number>;

/** Which reactions can answer to an event in a state. */
function possibleIn(reactions: readonly Reaction[], space: StateSpace, isMeant: IsMeant): Possible {
  const own = new Map<ReactionEvent, number[]>();
  reactions.forEach(({ when }, at) => own.set(when, [...(own.get(when) ?? []), at]));
  const fits = (at: number, state: number, occurrence: Occurrence) =>
    answers(reactions[at]!, at, occurrence) &&
    holds(reactions[at]!.if, space, state, { ...occurrence, luck: certain }, isMeant);
  return (state, event, situations) => {
    const found = new Set<number>();
    for (const occurrence of situations ?? situationsOfEach(reactions, event))
      for (const at of own.get(event) ?? []) {
        if (!isPossible(reactions[at]!) || !fits(at, state, occurrence)) continue;
        if (event !== 'after ticks' || !isForestalled(reactions, at, state, space)) found.add(at);
        // What comes by its own time, or by its own chance, keeps nobody else from it.
        if (situations && !isApart(event) && isSure(reactions[at]!)) break;
      }
    return found;
  };
}

/** Where there are too many situations together: those of each reaction by itself. */
const situationsOfEach = (reactions: readonly Reaction[], event: ReactionEvent): Occurrence[] =>
  reactions.flatMap((reaction) =>
    reaction.when === event ? (situationsFor([reaction], event) ?? []) : [],
  );

/** Whether before its time comes another timer surely takes the block out of the state. */
function isForestalled(
  reactions: readonly Reaction[],
  at: number,
  state: number,
  space: StateSpace,
): boolean {
  const { ticks = 1 } = reactions[at]!;
  return reactions.some((other, i) => {
    const { ticks: sooner = 1, when, if: asked = {}, then, by } = other;
    if (i === at || when !== 'after ticks' || by !== undefined) return false;
    if (sooner > ticks || (sooner === ticks && i > at)) return false;
    const { state: own, ...others } = asked;
    if (Object.keys(others).length || (own && !space.matching(own).has(state))) return false;
    return goesAway(then) || stateAfterAll(space, state, then) !== state;
  });
}

/** Why a reaction that never answers does not. */
function whyDead(
  reaction: Reaction,
  at: number,
  space: StateSpace,
  states: BitSet,
  isMeant: IsMeant,
): WhyDead {
  const reached: number[] = [];
  const matching = space.matching(reaction.if?.state);
  states.forEach((state) => matching.has(state) && reached.push(state));
  if (!reached.length) return 'the state never is';
  const canHold =
    isPossible(reaction) &&
    reached.some((state) =>
      (situationsFor([reaction], reaction.when) ?? []).some(
        (occurrence) =>
          answers(reaction, at, occurrence) &&
          holds(reaction.if, space, state, { ...occurrence, luck: certain }, isMeant),
      ),
    );
  if (!canHold) return 'it can never hold';
  return reaction.when === 'after ticks'
    ? 'another one is sooner'
    : 'an earlier one always answers';
}
