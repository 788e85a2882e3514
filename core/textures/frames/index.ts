/** Strips: their frames, the order in which they show, and how they flash. */
export {
  flashesIn,
  flashesOf,
  luminanceOf,
  mostFlashes,
  slowerSteps,
  type Lit,
} from './flashes.ts';
export { framesIn, runsOf, stepsWithout, stripOf, timingOf } from './strip.ts';
export { mostFrames, mostTexels, readApng, writeApng } from './apng.ts';
export { stripOfMoving, type Moving } from './moving.ts';
