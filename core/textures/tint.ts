import type { Traits } from '../mod/traits.ts';

/** The colours that climate tints are shown with where there is no climate: a mild coast. */
const climate = { grass: '#8fae5d', leaf: '#6f9a4a', water: '#4f8f9e' } as const;

/** The colour that a tint multiplies a texture by, as red, green and blue from 0 to 1. */
export function tintColour(tint: Traits['tint']): readonly [number, number, number] {
  if (tint === 'none') return [1, 1, 1];
  const hex = tint in climate ? climate[tint as keyof typeof climate] : tint;
  return [1, 3, 5].map((offset) => Number.parseInt(hex.slice(offset, offset + 2), 16) / 255) as [
    number,
    number,
    number,
  ];
}
