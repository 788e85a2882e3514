import { formatHex, interpolate } from 'culori';
import { climates, type ClimateTint } from '../tint.ts';

/**
 * The colour of a climate tint in a climate from 0, cold and wet, to 1, hot and dry; mixed as it
 * looks (OKLab).
 *
 * @example climateColour('leaf', 0.5) // '#6f9a4a'
 */
export const climateColour = (tint: ClimateTint, climate: number): string =>
  formatHex(interpolate([...climates[tint]], 'oklab')(climate));
