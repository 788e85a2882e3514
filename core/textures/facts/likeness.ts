import { isSameColour, type Colour } from '../painting/index.ts';
import type { Pixels } from '../png.ts';
import { toOklab } from './tones.ts';

/** How two pictures are much like each other. */
export interface Likeness {
  /** Quarter turns clockwise that lay the other one on this one, after it was mirrored. */
  quarters: number;
  isMirrored: boolean;
  /** Whether they have the same light and dark in other colours. */
  isRecoloured: boolean;
  /** How much of them is the same, 0 to 1: of texels or, recoloured, of their light and dark. */
  share: number;
}

/** So much of two pictures is the same where they are much alike. */
const leastShare = 0.9;
/** Light and dark of recoloured pictures go together at least so far (Pearson's correlation). */
const leastTogether = 0.95;

/** A picture prepared to be compared with many. */
export interface Compared {
  width: number;
  height: number;
  colours: readonly Colour[];
  lights: readonly number[];
}

/** The first frame of a picture, prepared to be compared. */
export function comparedWith(pixels: Pixels, frameHeight = pixels.height): Compared {
  const colours = Array.from({ length: pixels.width * frameHeight }, (_, i): Colour => {
    const [red = 0, green = 0, blue = 0, alpha = 0] = pixels.data.subarray(i * 4, i * 4 + 4);
    return [red, green, blue, alpha];
  });
  const known = new Map<string, number>();
  const lightOf = (colour: Colour): number => {
    const key = colour.join();
    const light = known.get(key) ?? toOklab(colour)[0];
    known.set(key, light);
    return light;
  };
  return { width: pixels.width, height: frameHeight, colours, lights: colours.map(lightOf) };
}

/**
 * How much two pictures are alike, also turned, mirrored or in other colours, by whichever way says
 * most; undefined where they are not, or are of other sizes.
 */
export function likenessOf(one: Compared, other: Compared): Likeness | undefined {
  let best: Likeness | undefined;
  for (const isMirrored of [false, true])
    for (let quarters = 0; quarters < 4; quarters += 1) {
      const places = laidOn(one, other, quarters, isMirrored);
      if (!places) continue;
      const same = sameShare(one, other, places);
      const together = same >= leastShare ? 0 : lightTogether(one, other, places);
      const found: Likeness = {
        quarters,
        isMirrored,
        isRecoloured: same < leastShare,
        share: Math.max(same >= leastShare ? same : 0, together),
      };
      // What is the same says more than what is only as light.
      const rank = ({ isRecoloured, share }: Likeness) => share - (isRecoloured ? 1 : 0);
      if (found.share > 0 && (!best || rank(found) > rank(best))) best = found;
    }
  return best;
}

/** For each texel of one picture that of the other which lies on it; undefined if they do not fit. */
function laidOn(
  one: Compared,
  other: Compared,
  quarters: number,
  isMirrored: boolean,
): number[] | undefined {
  const isTurned = quarters % 2 === 1;
  const [width, height] = isTurned ? [other.height, other.width] : [other.width, other.height];
  if (width !== one.width || height !== one.height) return undefined;
  const places: number[] = [];
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) {
      let [fromX, fromY] = [x, y];
      if (quarters === 1) [fromX, fromY] = [y, other.height - 1 - x];
      if (quarters === 2) [fromX, fromY] = [other.width - 1 - x, other.height - 1 - y];
      if (quarters === 3) [fromX, fromY] = [other.width - 1 - y, x];
      if (isMirrored) fromX = other.width - 1 - fromX;
      places.push(fromY * other.width + fromX);
    }
  return places;
}

function sameShare(one: Compared, other: Compared, places: readonly number[]): number {
  let same = 0;
  places.forEach((place, i) => {
    if (isSameColour(one.colours[i]!, other.colours[place]!)) same += 1;
  });
  return same / places.length;
}

/**
 * How far light and dark of two pictures go together where their colours differ: the rock around an
 * ore may be the same. 0 where they do not, where their holes lie elsewhere, or where one of them
 * has no light and dark.
 */
function lightTogether(one: Compared, other: Compared, places: readonly number[]): number {
  let [many, apart] = [0, 0];
  let [a, b, aa, bb, ab] = [0, 0, 0, 0, 0];
  places.forEach((place, i) => {
    const [solid, otherSolid] = [one.colours[i]![3] > 0, other.colours[place]![3] > 0];
    if (solid !== otherSolid) apart += 1;
    if (!solid || !otherSolid || isSameColour(one.colours[i]!, other.colours[place]!)) return;
    const [light, otherLight] = [one.lights[i]!, other.lights[place]!];
    many += 1;
    a += light;
    b += otherLight;
    aa += light * light;
    bb += otherLight * otherLight;
    ab += light * otherLight;
  });
  if (apart > places.length * (1 - leastShare)) return 0;
  const spread = (aa - (a * a) / many) * (bb - (b * b) / many);
  const together = spread > 1e-9 ? (ab - (a * b) / many) / Math.sqrt(spread) : 0;
  return together >= leastTogether ? together : 0;
}
