/**
 * What placing a block does to its state, what it can bring about, and what turning and mirroring a
 * structure do.
 */
export {
  clickedOn,
  neighbourKinds,
  pitches,
  usualSituation,
  withNextNeighbour,
  type Neighbour,
  type Situation,
} from './situation.ts';
export { cornerOf, cornerValues } from './corner.ts';
export { halfOf, placedState } from './place.ts';
export { startsOf, statesGiven } from './starts.ts';
export { describeSituation, reachable, type Reach } from './reachable.ts';
export { turningFlaw, turningOf, type Turning, type TurningFlaw } from './turning.ts';
export {
  firstPlacingRule,
  namesValues,
  placingCondition,
  placingRule,
  placingWays,
  type PlacingHow,
} from './rules.ts';
