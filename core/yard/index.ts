/**
 * The Yard: a world of what a pack says, in which fluids move and blocks answer, and what somebody
 * finds who tries each block. It knows neither the declaration nor whatever wrote the pack.
 */
export type {
  Grade,
  HowMany,
  LotCondition,
  PackWorld,
  PlacingRule,
  Rows,
  YardBlock,
  YardDraw,
  YardLook,
  YardLot,
} from './pack-world.ts';
export { Yard, type YardOptions } from './world.ts';
export { dug, handsOf, type Dug, type Tool } from './block/dig.ts';
export { drops, type Breaking, type Drop } from './block/loot.ts';
export {
  headingOf,
  placed,
  type Around,
  type Because,
  type Click,
  type Placed,
} from './block/place.ts';
export { moved, type Moving } from './block/turn.ts';
export { blasted, type BlastWorld } from './blast.ts';
export { fullLight, Light, type Lighting } from './light.ts';
export { testWalk, walkParts, type WalkCheck, type WalkPart } from './walk/walk.ts';
export { walkDifferences, type WalkDifference } from './walk/compare.ts';
export { walkReport, type ReportOf } from './walk/report.ts';
