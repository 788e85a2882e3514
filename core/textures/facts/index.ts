/** What there is to know of a picture's pixels: tones, edges, how solid it is. */
export { alphasOf, underMode, type Alphas } from './alphas.ts';
export { toneRamp } from './ramp.ts';
export { edgesOf, seamsIn, type Edges } from './edges.ts';
export { apart, toOklab, tonesOf, type Oklab, type Tone } from './tones.ts';
export { asMixed, colourFromHex, fromMixed, hexOf, mostChroma, type Mixed } from './mixing.ts';
export {
  greyed,
  inTones,
  isColourful,
  noShift,
  recoloured,
  shiftColours,
  type ColourShift,
  type Recolouring,
} from './recolour.ts';
export { comparedWith, likenessOf, type Compared, type Likeness } from './likeness.ts';
export { missingCones, visionWithout, type MissingCone } from './vision.ts';
export { climateColour } from './climate.ts';
