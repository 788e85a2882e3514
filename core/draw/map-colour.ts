import { differenceCiede2000, wcagContrast } from 'culori';
import { textureOf } from '../models/index.ts';
import { resolveBlocks, stocks, titleOf, type Mod, type ResolvedBlock } from '../mod/index.ts';
import { rotationOf, turn, type Vec3 } from '../space/index.ts';
import { drawnModels } from './block.ts';
import { tintOf } from './isometric.ts';

/**
 * The colour that a block has seen from above: the mean of the textures of its faces that look up,
 * by their area, times its tint. Undefined when none of them has a texture.
 *
 * @example meanFromAbove(mod, thatch, 0) // '#b49d5c'
 */
export function meanFromAbove(mod: Mod, block: ResolvedBlock, state: number): string | undefined {
  const sum = [0, 0, 0];
  let area = 0;
  for (const model of drawnModels(mod, block, state)) {
    const rotation = rotationOf(model.orientation);
    for (const quad of model.quads) {
      const { normal, corners, texture } = quad;
      const mean = texture === undefined ? undefined : textureOf(mod, texture)?.picture.mean;
      const up = turn(rotation, normal)[1];
      if (!mean || up < 0.5) continue;
      const size =
        lengthOf(across(minus(corners[1], corners[0]), minus(corners[3], corners[0]))) * up;
      area += size;
      const tint = tintOf(model, quad) ?? [1, 1, 1];
      [1, 3, 5].forEach(
        (offset, i) =>
          (sum[i]! += size * tint[i]! * Number.parseInt(mean.slice(offset, offset + 2), 16)),
      );
    }
  }
  return area > 0
    ? `#${sum
        .map((total) =>
          Math.round(total / area)
            .toString(16)
            .padStart(2, '0'),
        )
        .join('')}`
    : undefined;
}

const minus = (a: Vec3, b: Vec3): Vec3 => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
const across = (a: Vec3, b: Vec3): Vec3 => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];
const lengthOf = (a: Vec3): number => Math.hypot(...a);

/**
 * A colour on the map beside another: how far apart they look (CIEDE2000, ISO/CIE 11664-6) and
 * their contrast in brightness (WCAG 2.2, 1.4.3).
 */
export interface MapNeighbour {
  name: string;
  colour: string;
  apart: number;
  contrast: number;
}

/** Two colours closer than this are hard to tell apart on a map. */
export const hardToTell = 6;

const difference = differenceCiede2000();

/**
 * The `most` colours on the map that are most alike to the block's, of other blocks of the mod and
 * of the stock, each with the first that has it.
 */
export function mapNeighbours(mod: Mod, block: ResolvedBlock, most: number): MapNeighbour[] {
  const own = block.traits.mapColour;
  // Thousands of blocks may share a few colours, and each colour is compared once.
  const byColour = new Map<string, () => string>();
  for (const other of resolveBlocks(mod))
    if (other.name !== block.name && !byColour.has(other.traits.mapColour))
      byColour.set(other.traits.mapColour, () => titleOf(mod, other.name, other.declared.names));
  for (const { name, traits } of stocks)
    if (!byColour.has(traits.mapColour)) byColour.set(traits.mapColour, () => name);
  return [...byColour]
    .map(([colour, name]) => ({ colour, name, apart: difference(own, colour) }))
    .sort((a, b) => a.apart - b.apart)
    .slice(0, most)
    .map(({ colour, name, apart }) => ({
      name: name(),
      colour,
      apart,
      contrast: wcagContrast(own, colour),
    }));
}
