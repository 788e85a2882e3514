/**
 * The Yard: a world of what a pack says, in which fluids move and blocks answer, and what somebody
 * finds who tries each block. It knows neither the declaration nor whatever wrote the pack.
 */
export type {
  Grade,
  HowMany,
  LotCondition,
  PackView,
  PackWorld,
  PlacingRule,
  Rows,
  YardBlock,
  YardBox,
  YardCandidate,
  YardDraw,
  YardFluid,
  YardFluidLook,
  YardItem,
  YardLook,
  YardLot,
  YardModel,
  YardPicture,
  YardPose,
  YardSounds,
} from './pack-world.ts';
export { ownBlocks } from './pack-world.ts';
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
export { darkness, daylight, flood, fullLight, Light, type Lighting } from './light.ts';
export { brightens, colourOfLight, litByNight } from './lit.ts';
export {
  called,
  lightIn,
  statesTried,
  testWalk,
  walkParts,
  type WalkCheck,
  type WalkPart,
} from './walk/walk.ts';
export { walkDifferences, wasInWords, type WalkDifference } from './walk/compare.ts';
export { walkReport, type ReportOf, type ReportPicture } from './walk/report.ts';
export { Numbers, type Meant, type Stands } from './grid/numbers.ts';
export { factsOf, type Body, type CellFacts } from './grid/facts.ts';
export { Cells } from './grid/cells.ts';
export { facesOf, type Face } from './look/faces.ts';
export { Looks, type Drawn, type DrawnFace } from './look/drawn.ts';
export { atlasOf, frameAt, type Atlas, type AtlasPicture } from './mesh/atlas.ts';
export { chunkSide, chunksOf, meshChunk, type ChunkMesh } from './mesh/chunk.ts';
export { drawingOf, type Drawing } from './mesh/drawing.ts';
export type { MeshArrays } from './mesh/buffer.ts';
export { expectedDrops } from './block/odds.ts';
export { aimedAt, wayOf, type Aim } from './player/aim.ts';
export { eyesOf, type Gait, type Player } from './player/body.ts';
export { reach, Run, type RunStart } from './run/run.ts';
export type { Deed, Held, RecordedRun, SoundEvent, Told } from './run/deeds.ts';
export { mostOfRegion, regionAfter, statesIn, type Region } from './run/region.ts';
export { isKept, keptOf, type KeptWorld } from './run/saved.ts';
export { scenesOf, worldSize, type Scene, type Sign } from './scenes/scenes.ts';
export { becauseInWords, placingInWords } from './block/words.ts';
export { shadeToward, tintOf } from './mesh/shades.ts';
export { FaceBuffer } from './mesh/buffer.ts';
export { meshItem, type ItemPlace } from './mesh/item.ts';
export { catalogueOf, itemIn } from './items.ts';
export { groupTitle, itemTitle, nameIn } from './names.ts';
export { flawsOf, type LookFlaw } from './flaws.ts';
export { playedAgain, runFrom } from './run/recorded.ts';
