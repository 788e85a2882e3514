import type { Colour } from '../painting/index.ts';
import { asMixed, fromMixed } from './mixing.ts';

/** How far the darkest and the lightest tone of a material lie from it, of all that light can be. */
const [darker, lighter] = [0.17, 0.15];

/**
 * Tones of a material around its colour, from dark to light: equal steps of lightness in OKLab, the
 * ends a little paler, as shadows and lights are.
 *
 * @example toneRamp([169, 116, 60, 255], 5)[2] // the colour itself, but for rounding
 */
export function toneRamp(colour: Colour, many: number): Colour[] {
  const mixed = asMixed(colour);
  return Array.from({ length: many }, (_, i) => {
    const side = many > 1 ? (i / (many - 1)) * 2 - 1 : 0;
    return fromMixed({
      lightness: Math.max(0, Math.min(1, mixed.lightness + side * (side < 0 ? darker : lighter))),
      chroma: mixed.chroma * (1 - 0.25 * Math.abs(side)),
      hue: mixed.hue,
    });
  });
}
