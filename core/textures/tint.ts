import type { Traits } from '../mod/traits.ts';

/**
 * The colours that climate tints are shown with, from cold and wet over a mild coast to hot and
 * dry. Without a climate it is the mild one.
 */
export const climates = {
  grass: ['#8aab93', '#8fae5d', '#b9a860'],
  leaf: ['#678f78', '#6f9a4a', '#979340'],
  water: ['#4a6c97', '#4f8f9e', '#4fa38d'],
} as const;
/** A tint that the climate chooses. */
export type ClimateTint = keyof typeof climates;
export const climateTints = Object.keys(climates) as readonly ClimateTint[];

/** The colour that a tint multiplies a texture by, as red, green and blue from 0 to 1. */
export function tintColour(tint: Traits['tint']): readonly [number, number, number] {
  if (tint === 'none') return [1, 1, 1];
  const hex = tint in climates ? climates[tint as ClimateTint][1] : tint;
  return [1, 3, 5].map((offset) => Number.parseInt(hex.slice(offset, offset + 2), 16) / 255) as [
    number,
    number,
    number,
  ];
}
