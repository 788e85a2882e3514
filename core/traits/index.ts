/** What follows from the traits: digging, blasts, light, surfaces and fire. */
export {
  bearableSeconds,
  digTime,
  firstBearable,
  isRightTool,
  isYielding,
  toolName,
  toolsOf,
  wrongToolTakes,
  type Diggable,
  type DigPhysics,
  type DigTime,
  type Tool,
} from './dig.ts';
export {
  charges,
  costOf,
  oddsBehindCover,
  oddsInTheOpen,
  rayCount,
  unbreakableFrom,
  type Charge,
  type Cover,
} from './blast.ts';
export { craterIn, craterSteps, wilson, type Crater, type Estimate } from './crater.ts';
export { lightReach, readingLevel } from './light.ts';
export { cellAt, darkVolume, floodLight, setLight, type LightVolume } from './flood.ts';
export { lightBehind, roomSection, type RoomSection } from './room.ts';
export { bounces, slide, walkingSpeed } from './surface.ts';
export { costOfCrossing, gravity, secondsToLive, sinkingSpeed, wadingSpeed } from './contact.ts';
export { burning, meanSeconds, oddsWithin } from './fire.ts';
