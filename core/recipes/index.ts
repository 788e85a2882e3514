/** Recipes: what they accept, which clash, what can be had and what it costs, circles that gain. */
export {
  acceptsIn,
  heldIds,
  isBroughtAlong,
  isHeld,
  laid,
  mirrored,
  type Accepts,
  type Laid,
} from './parts.ts';
export { billOf, type BillLine } from './bill.ts';
export { clashes, type Clash } from './clash.ts';
export { diggingsOf, type Digging, type ObtainingPart, type Obtaining } from './diggings.ts';
export { findObtainable, isObtainable, type Obtainable, type ItemSource } from './obtainable.ts';
export { givenIn } from './given.ts';
export { neverTaught } from './taught.ts';
export { gains, type Gain } from './gain.ts';
export { placesOf, withIngredient, type Places } from './places.ts';
export { gridOf, patternOf, resized, withCell, type Pattern } from './pattern.ts';
