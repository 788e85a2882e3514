/**
 * Fluids: how one spreads, falls, meets others and dries, on fixed ticks, and what its surface looks
 * like. Knows nobody but space and lists.
 */
export { fluidTicks, type FluidPhysics, type Meeting } from './physics.ts';
export { FluidsTogether, type MixedCell, type Poured } from './together.ts';
export { eatsItself, endlessFrom, type Circle, type EatsItself } from './proofs.ts';
export {
  FluidWorld,
  openCell,
  solidCell,
  sourceCell,
  type CellPlace,
  type FluidCell,
} from './world.ts';
export { Spread, type Placed } from './spread.ts';
export { cornerHeights, flowAt, type Corners } from './surface.ts';
export { pouredIn, reachOf, type Reach } from './reach.ts';
export { fluidScenes, sceneNamed, type FluidScene, type LaidScene } from './scenes.ts';
