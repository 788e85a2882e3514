import { formatHex, oklab } from 'culori';
import { itemAt } from '../../lists/index.ts';
import type { Colour } from '../painting/index.ts';
import type { Pixels } from '../png.ts';
import { asMixed, colourFromHex, fromMixed } from './mixing.ts';
import { toOklab, type Oklab, type Tone } from './tones.ts';

/** The picture with every colour changed; what is clear, and how solid texels are, stays. */
function withColours(pixels: Pixels, change: (colour: Colour) => Colour): Pixels {
  const data = Uint8Array.from(pixels.data);
  // Pictures have few colours and many texels.
  const known = new Map<number, Colour>();
  for (let at = 0; at < data.length; at += 4) {
    const [red = 0, green = 0, blue = 0, alpha = 0] = data.subarray(at, at + 4);
    if (alpha === 0) continue;
    const key = (red << 16) | (green << 8) | blue;
    let colour = known.get(key);
    if (!colour) known.set(key, (colour = change([red, green, blue, 255])));
    data.set(colour.slice(0, 3), at);
  }
  return { ...pixels, data };
}

/** How a picture's colours are moved. */
export interface ColourShift {
  /** Added to how light each is, from -1 to 1. */
  lightness: number;
  /** How many times as far from grey each is; 1 leaves it. */
  chroma: number;
  /** Degrees by which each hue turns. */
  hue: number;
}

/** What leaves colours as they are. */
export const noShift: ColourShift = { lightness: 0, chroma: 1, hue: 0 };

/**
 * The picture with its colours turned in hue, lighter or darker, stronger or paler (OKLab, B.
 * Ottosson, 2020).
 *
 * @example shiftColours(picture, { ...noShift, hue: 120 })
 */
export function shiftColours(pixels: Pixels, { lightness, chroma, hue }: ColourShift): Pixels {
  if (lightness === 0 && chroma === 1 && hue === 0) return pixels;
  return withColours(pixels, (colour) => {
    const mixed = asMixed(colour);
    return fromMixed({
      lightness: Math.max(0, Math.min(1, mixed.lightness + lightness)),
      chroma: mixed.chroma * chroma,
      hue: (mixed.hue + hue + 360) % 360,
    });
  });
}

/** The picture in greys as light as its colours look, for a tint to colour. */
export const greyed = (pixels: Pixels): Pixels =>
  withColours(pixels, (colour) => fromMixed({ lightness: toOklab(colour)[0], chroma: 0, hue: 0 }));

/** A colour nearer to grey than this has none that one would name. */
const leastChroma = 0.04;

/** Whether a colour is one that one would name: not a grey, not what is nearly one. */
export const isColourful = (colour: Colour): boolean => asMixed(colour).chroma >= leastChroma;

/**
 * The picture in the tones of another: its darkest becomes their darkest, its lightest their
 * lightest, and what lies between goes along their ramp, in steps that look as they did (OKLab).
 * Colours that are not `moved` stay, as the stone around an ore. Without tones all of it stays.
 *
 * @example inTones(seam, tonesOf(ebbiteBar, 16), isColourful)
 */
export function inTones(
  pixels: Pixels,
  tones: readonly Tone[],
  moved: (colour: Colour) => boolean = () => true,
): Pixels {
  const ramp = tones.map(({ colour }) => toOklab(colour)).sort((a, b) => a[0] - b[0]);
  const [first] = ramp;
  const last = ramp.at(-1);
  if (!first || !last) return pixels;
  const lights = lightsOf(pixels, moved);
  const span = lights.high - lights.low;
  return withColours(pixels, (colour) => {
    if (!moved(colour)) return colour;
    const share = span > 0 ? (toOklab(colour)[0] - lights.low) / span : 0.5;
    return fromOklab(onRamp(ramp, first[0] + share * (last[0] - first[0])));
  });
}

/** How a picture is recoloured: in other tones first, then moved. */
export interface Recolouring {
  /** Tones that it takes on; none of its own are moved without any. */
  tones?: readonly Tone[];
  /** Whether greys stay, as the stone around an ore. */
  greysStay: boolean;
  shift: ColourShift;
}

/** The picture in other tones, then moved. */
export const recoloured = (pixels: Pixels, { tones = [], greysStay, shift }: Recolouring): Pixels =>
  shiftColours(inTones(pixels, tones, greysStay ? isColourful : undefined), shift);

/** How light the darkest and the lightest of some colours of a picture are. */
function lightsOf(
  { data }: Pixels,
  counts: (colour: Colour) => boolean,
): { low: number; high: number } {
  let [low, high] = [1, 0];
  const seen = new Set<number>();
  for (let at = 0; at < data.length; at += 4) {
    const [red = 0, green = 0, blue = 0, alpha = 0] = data.subarray(at, at + 4);
    const key = (red << 16) | (green << 8) | blue;
    if (alpha === 0 || seen.has(key)) continue;
    seen.add(key);
    if (!counts([red, green, blue, 255])) continue;
    const [light] = toOklab([red, green, blue, 255]);
    low = Math.min(low, light);
    high = Math.max(high, light);
  }
  return { low, high };
}

/** The colour of a ramp, from dark to light, that is so light. */
function onRamp(ramp: readonly Oklab[], lightness: number): Oklab {
  const next = Math.max(
    1,
    ramp.findIndex(([light]) => light >= lightness),
  );
  const above = ramp[next] ?? itemAt(ramp, 0);
  const below = itemAt(ramp, Math.min(next - 1, ramp.length - 1));
  const span = above[0] - below[0];
  const share = span > 0 ? Math.max(0, Math.min(1, (lightness - below[0]) / span)) : 0;
  const between = (i: 1 | 2) => below[i] + (above[i] - below[i]) * share;
  return [lightness, between(1), between(2)];
}

const fromOklab = ([l, a, b]: Oklab): Colour =>
  colourFromHex(formatHex(oklab({ mode: 'oklab', l, a, b }))) ?? [0, 0, 0, 255];
