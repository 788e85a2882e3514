/**
 * Reactions: what a block does when something happens. Which of them answers, a world of them on
 * ticks, sentences, and what can be proved: what can never happen, which states are reached, and
 * what never ends.
 */
export {
  answers,
  byIdAlone,
  holds,
  reactionTo,
  type Beside,
  type IsMeant,
  type Occurrence,
} from './occurrence.ts';
export { comesAs, goesAway, stateAfter, stateAfterAll } from './own-state.ts';
export {
  ReactionWorld,
  type Effect,
  type ReactingBlock,
  type Standing,
  type WorldParts,
} from './world.ts';
export { reactionReach, type ReachOptions, type ReactionReach, type WhyDead } from './reach.ts';
export { loopsAmong, type Loop } from './loops.ts';
export {
  actionInWords,
  eventWords,
  ifInWords,
  reactionInWords,
  whenInWords,
  type Called,
} from './sentence.ts';
