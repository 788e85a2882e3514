import type { Vec3 } from '../space/index.ts';

/** So many rays a charge sends, and between which shares of its strength their energy lies. */
const rays = 512;
const [least, most] = [0.75, 1.25];

/** What a charge meets on its way. */
export interface BlastWorld {
  size: Vec3;
  /** The blast rating of the block in a cell; undefined where there is none. */
  ratingAt: (place: Vec3) => number | undefined;
  /** A number from 0 up to but without 1. */
  random: () => number;
}

/**
 * The blocks that a charge takes, in the order in which they go: by the section Reference physics of
 * the format. Its rays go from cell to cell from the middle of its own (Amanatides and Woo, "A fast
 * voxel traversal algorithm for ray tracing", 1987), in directions that are even on the sphere
 * (Archimedes: its height is drawn evenly). What is gone lets the next ray by.
 *
 * @example blasted([8, 1, 8], 10, world)
 */
export function blasted(
  from: Vec3,
  strength: number,
  { size, ratingAt, random }: BlastWorld,
): Vec3[] {
  const gone = new Map<string, Vec3>();
  const standing = (place: Vec3) => (gone.has(place.join(' ')) ? undefined : ratingAt(place));
  for (let ray = 0; ray < rays; ray += 1) {
    const up = 2 * random() - 1;
    const about = 2 * Math.PI * random();
    const level = Math.sqrt(1 - up * up);
    const way: Vec3 = [level * Math.cos(about), up, level * Math.sin(about)];
    let energy = strength * (least + (most - least) * random());
    for (const place of cellsAlong(from, way, size)) {
      if (energy <= 0) break;
      const rating = standing(place);
      if (rating !== undefined && energy > rating) gone.set(place.join(' '), place);
      energy -= 1 + (rating ?? 0) / 4;
    }
  }
  return [...gone.values()];
}

/** The cells that a ray enters on its way out of a world, without the one where it begins. */
function* cellsAlong(from: Vec3, way: Vec3, size: Vec3): Generator<Vec3> {
  const cell: [number, number, number] = [...from];
  const next = way.map((part) => (part === 0 ? Infinity : 0.5 / Math.abs(part)));
  for (;;) {
    const axis = next.indexOf(Math.min(...next)) as 0 | 1 | 2;
    cell[axis] += way[axis] > 0 ? 1 : -1;
    next[axis] = (next[axis] ?? 0) + 1 / Math.abs(way[axis]);
    if (cell[axis] < 0 || cell[axis] >= size[axis]) return;
    yield [...cell];
  }
}
