import { mix } from '../space/index.ts';
import { basePicture, type Pixels } from '../textures/index.ts';
import type { PictureRole } from './form.ts';

const share = (a: number, b: number, seed: number): number => mix(a, b, seed) / 2 ** 32;
const stalks = 4;

/**
 * Whether a texel of a plant is there: stalks that grow up from the ground and lean a little, with
 * leaves to both sides.
 */
function isPlant(x: number, y: number, texels: number, seed: number): boolean {
  const sixteenth = texels / 16;
  const rise = (texels - 1 - y) / texels;
  return Array.from({ length: stalks }, (_, stalk) => stalk).some((stalk) => {
    const height = 0.5 + 0.48 * share(stalk, 1, seed);
    const lean = (share(stalk, 2, seed) - 0.5) * 5;
    const root = ((stalk + 0.3 + 0.4 * share(stalk, 3, seed)) * 16) / stalks;
    const from = (x + 0.5) / sixteenth - root - lean * rise;
    const level = Math.floor(rise * 16) + 3 * stalk;
    const leaf = level % 5 === 2 && rise < height * 0.9 ? (level % 2 ? 1 : -1) : 0;
    return rise <= height && Math.abs(from - leaf) <= 0.6 + 0.7 * Math.abs(leaf);
  });
}

/** Whether a texel of a pad is there: a round leaf with a notch. */
function isPad(x: number, y: number, texels: number): boolean {
  const [across, along] = [x, y].map((place) => ((place + 0.5) / texels - 0.5) * 2);
  const isInNotch = Math.abs(across ?? 0) < 0.3 * (along ?? 0);
  return Math.hypot(across ?? 0, along ?? 0) < 0.85 && !isInNotch;
}

/** Whether a texel of a ladder is there: two rails and the rungs between them. */
function isRung(x: number, y: number, texels: number): boolean {
  const [across, down] = [x, y].map((place) => Math.floor((place * 16) / texels));
  const isRail = across === 2 || across === 3 || across === 12 || across === 13;
  return isRail || ((across ?? 0) > 3 && (across ?? 0) < 12 && (down ?? 0) % 4 < 2);
}

/** Whether a texel is there; only plants, pads and ladders have holes. */
function isPart(role: PictureRole, x: number, y: number, texels: number, seed: number): boolean {
  if (role === 'plant') return isPlant(x, y, texels, seed);
  if (role === 'pad') return isPad(x, y, texels);
  return role !== 'rungs' || isRung(x, y, texels);
}

/**
 * How much brighter a texel is than the plain material, in a role: rings on ends, a darker recess
 * on fronts, a rim on edges, boards along sides.
 */
function shade(role: PictureRole, x: number, y: number, texels: number): number {
  const sixteenth = texels / 16;
  const rim = Math.min(x, y, texels - 1 - x, texels - 1 - y) / sixteenth;
  if (role === 'end') return rim < 1 ? 0.78 : Math.floor(rim / 2) % 2 ? 0.92 : 1.06;
  if (role === 'front') return rim < 1 ? 0.9 : rim < 4 ? 1.04 : rim < 5 ? 0.5 : 0.66;
  if (role === 'edge') return 0.84;
  if (role === 'side') return Math.floor(x / (4 * sixteenth)) % 2 ? 0.97 : 1.03;
  return 1;
}

/**
 * A picture to begin with for one role of a form, in the colour of its material. The same seed
 * gives the same picture.
 *
 * @example rolePicture('end', '#a9743c', 16, 7)
 */
export function rolePicture(
  role: PictureRole,
  colour: string,
  texels: number,
  seed: number,
): Pixels {
  const picture = basePicture(colour, texels, seed);
  if (role === 'face') return picture;
  for (let y = 0; y < texels; y += 1)
    for (let x = 0; x < texels; x += 1) {
      const offset = (y * texels + x) * 4;
      const factor = shade(role, x, y, texels);
      for (let channel = 0; channel < 3; channel += 1)
        picture.data[offset + channel] = Math.min(
          255,
          Math.round((picture.data[offset + channel] ?? 0) * factor),
        );
      const isThere = isPart(role, x, y, texels, seed);
      if (!isThere) picture.data.set([0, 0, 0, 0], offset);
    }
  return picture;
}
