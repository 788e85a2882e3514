import type { Made } from '../../mod/entries.schema.ts';
import { patterns } from './patterns/all.ts';

/**
 * What a pattern is made from at first.
 *
 * @example usualRecipe('brick', 16, 7).tones.length // 6
 */
export const usualRecipe = (pattern: Made['pattern'], texels: number, seed: number): Made => ({
  pattern,
  texels,
  seed,
  tones: [...patterns[pattern].tones],
  amounts: {},
});
