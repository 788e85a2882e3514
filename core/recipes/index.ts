/** Recipes: what they accept, which clash, what can be had and what it costs, circles that gain. */
export {
  acceptsIn,
  heldIds,
  isBroughtAlong,
  laid,
  mirrored,
  type Accepts,
  type Laid,
} from './parts.ts';
export { clashes, type Clash } from './clash.ts';
export { diggingsOf, type Digging, type Making, type Makings } from './diggings.ts';
export { whatCanBeHad, type Had, type Way } from './had.ts';
export { gains, type Gain } from './gain.ts';
export { gridOf, patternOf, resized, withCell, type Pattern } from './pattern.ts';
