import { directionStep, type Direction, type Vec3 } from '../../space/index.ts';
import type { DrawnFace } from '../look/drawn.ts';
import type { Drawing } from './drawing.ts';

const climate = ['grass', 'leaf', 'water'];

/** A tint as a point has it: a colour and 0, or which of the climate's colours it is. */
export function tintOf(tint: string): readonly [number, number, number, number] {
  if (tint === 'none') return untinted;
  const chosen = climate.indexOf(tint);
  if (chosen >= 0) return [255, 255, 255, chosen + 1];
  const hex = /^#([\da-f]{6})$/i.exec(tint)?.[1];
  if (hex === undefined) return untinted;
  const part = (at: number) => Number.parseInt(hex.slice(at, at + 2), 16);
  return [part(0), part(2), part(4), 0];
}
const untinted = [255, 255, 255, 0] as const;

/** How bright a face is by the way it looks, so that the sides of a block can be told apart. */
export const shadeToward = ([x, y]: Vec3): number => 0.8 + 0.2 * y - 0.07 * Math.abs(x);

/** How much darker each corner of a face is, as a share. */
export type Shades = readonly [number, number, number, number];
export const unshaded: Shades = [0, 0, 0, 0];

/** For each axis the two across it. */
const across = [
  [1, 2],
  [2, 0],
  [0, 1],
] as const;

/**
 * How much darker each corner of a face is: by 11 in 100 for each taken cell of the two beside it
 * and the one across, in the layer that it looks into, and by 33 where both beside it are.
 */
export function shadesOf(
  { cells, facts }: Drawing,
  { corners }: DrawnFace,
  [x, y, z]: Vec3,
  side: Direction,
): Shades {
  const [dx, dy, dz] = directionStep(side);
  const [a, b] = across[dx ? 0 : dy ? 1 : 2];
  const there: [number, number, number] = [x + dx, y + dy, z + dz];
  const [midA, midB] = [there[a], there[b]];
  const taken = (da: number, db: number): number => {
    there[a] = midA + da;
    there[b] = midB + db;
    return facts(cells.numberAt(there[0], there[1], there[2])).isTaken ? 1 : 0;
  };
  const low = [taken(-1, 0), taken(0, -1)] as const;
  const high = [taken(1, 0), taken(0, 1)] as const;
  const shade = (corner: Vec3): number => {
    const [isHighA, isHighB] = [corner[a] > 0.5, corner[b] > 0.5];
    const beside = (isHighA ? high : low)[0] + (isHighB ? high : low)[1];
    const all = beside === 2 ? 3 : beside + taken(isHighA ? 1 : -1, isHighB ? 1 : -1);
    return all * 0.11;
  };
  const [one, two, three, four] = corners;
  return [shade(one), shade(two), shade(three), shade(four)];
}
