import { vector, type Direction, type Vec3 } from '../../space/index.ts';
import type { Body } from '../grid/facts.ts';

/** What somebody looks at: the cell, which side of what is in it, and where on that. */
export interface Aim {
  place: Vec3;
  side: Direction;
  /** In the cell, from 0 to 1 each. */
  point: Vec3;
  distance: number;
}

/** The way that somebody looks, by degrees clockwise from north and upward from level. */
export function wayOf(yaw: number, pitch: number): Vec3 {
  const [a, b] = [(yaw / 180) * Math.PI, (pitch / 180) * Math.PI];
  return [Math.sin(a) * Math.cos(b), Math.sin(b), -Math.cos(a) * Math.cos(b)];
}

/**
 * The first body that a ray meets, at most so far away. The ray goes from cell to cell (Amanatides
 * and Woo, "A fast voxel traversal algorithm for ray tracing", 1987), and in each against the sides
 * of its bodies.
 *
 * @example aimedAt([4.5, 5.6, 4.5], wayOf(90, -20), 5, bodiesAt)?.side // 'west'
 */
export function aimedAt(
  from: Vec3,
  way: Vec3,
  reach: number,
  bodiesAt: (place: Vec3) => readonly Body[],
): Aim | undefined {
  const cell = vector((axis) => Math.floor(from[axis])) as [number, number, number];
  const step = vector((axis) => Math.sign(way[axis]));
  const each = vector((axis) => (way[axis] === 0 ? Infinity : 1 / Math.abs(way[axis])));
  const next = vector((axis) => {
    const left = step[axis] > 0 ? cell[axis] + 1 - from[axis] : from[axis] - cell[axis];
    return step[axis] === 0 ? Infinity : left * each[axis];
  }) as [number, number, number];
  for (let gone = 0; gone <= reach;) {
    const found = inCell(from, way, reach, cell, bodiesAt([...cell]));
    if (found) return found;
    const axis = next.indexOf(Math.min(...next)) as 0 | 1 | 2;
    gone = next[axis];
    cell[axis] += step[axis];
    next[axis] += each[axis];
  }
  return undefined;
}

function inCell(
  from: Vec3,
  way: Vec3,
  reach: number,
  cell: Vec3,
  bodies: readonly Body[],
): Aim | undefined {
  let best: Aim | undefined;
  for (const body of bodies) {
    const met = meeting(
      vector((axis) => from[axis] - cell[axis]),
      way,
      body,
    );
    if (!met || met.distance > reach || (best && best.distance <= met.distance)) continue;
    const point = vector((axis) => from[axis] + way[axis] * met.distance - cell[axis]);
    best = { place: [...cell], side: met.side, point, distance: met.distance };
  }
  return best;
}

const sidesOf: readonly (readonly [Direction, Direction])[] = [
  ['west', 'east'],
  ['down', 'up'],
  ['north', 'south'],
];

/** Where a ray enters a body, and by which side (slab method); a ray from within enters none. */
function meeting(
  from: Vec3,
  way: Vec3,
  body: Body,
): { distance: number; side: Direction } | undefined {
  let [enters, leaves] = [-Infinity, Infinity];
  let side: Direction | undefined;
  for (const axis of [0, 1, 2] as const) {
    const [low, high] = [body[axis], body[axis + 3]!];
    if (way[axis] === 0) {
      if (from[axis] < low || from[axis] > high) return undefined;
      continue;
    }
    const isUpward = way[axis] > 0;
    const near = ((isUpward ? low : high) - from[axis]) / way[axis];
    const far = ((isUpward ? high : low) - from[axis]) / way[axis];
    if (near > enters) {
      enters = near;
      side = sidesOf[axis]![isUpward ? 0 : 1];
    }
    leaves = Math.min(leaves, far);
  }
  return side && enters <= leaves && enters >= 0 ? { distance: enters, side } : undefined;
}
