import { clampChroma, oklch, rgb } from 'culori';
import type { Colour } from '../painting/index.ts';

/** A colour as people mix it: OKLab (B. Ottosson, 2020) in polar form. */
export interface Mixed {
  /** 0 is black, 1 white. */
  lightness: number;
  /** How far from grey: 0 is grey, no colour of a screen has more than 0.33. */
  chroma: number;
  /** Degrees; 0 for grey. */
  hue: number;
}

/** The most that a colour of a screen (sRGB) can be away from grey. */
export const mostChroma = 0.33;

/** What a colour is mixed of. */
export function asMixed([red, green, blue]: Colour): Mixed {
  const { l, c, h = 0 } = oklch({ mode: 'rgb', r: red / 255, g: green / 255, b: blue / 255 });
  return { lightness: l, chroma: c, hue: h };
}

/**
 * A colour from what it is mixed of, solid. What a screen cannot show comes nearer to grey until it
 * can.
 *
 * @example fromMixed({ lightness: 1, chroma: 0, hue: 0 }) // [255, 255, 255, 255]
 */
export function fromMixed({ lightness, chroma, hue }: Mixed): Colour {
  // Black and white have no hue: beside them a search for what a screen can show ends a little off.
  const c = lightness > 0 && lightness < 1 ? chroma : 0;
  const asked = { mode: 'oklch', l: lightness, c, h: hue } as const;
  const direct = rgb(asked);
  const isShown = [direct.r, direct.g, direct.b].every((part) => part > -slack && part < 1 + slack);
  const { r, g, b } = isShown ? direct : rgb(clampChroma(asked, 'oklch'));
  const byte = (value: number) => Math.max(0, Math.min(255, Math.round(value * 255)));
  return [byte(r), byte(g), byte(b), 255];
}

/** So far beyond its ends a colour is still one of the screen's, but for rounding. */
const slack = 0.001;

/** A colour from six hexadecimal digits, with or without `#`; undefined for anything else. */
export function colourFromHex(text: string): Colour | undefined {
  const [, digits] = /^#?([0-9a-f]{6})$/i.exec(text.trim()) ?? [];
  if (digits === undefined) return undefined;
  const [red = 0, green = 0, blue = 0] = [0, 2, 4].map((at) =>
    Number.parseInt(digits.slice(at, at + 2), 16),
  );
  return [red, green, blue, 255];
}

/** A colour as it is written in files and typed into fields: `#8a6d4b`. Its alpha is left out. */
export const hexOf = ([red, green, blue]: Colour): string =>
  `#${[red, green, blue].map((byte) => byte.toString(16).padStart(2, '0')).join('')}`;
