import type { Box } from '../../mod/entries.schema.ts';
import { sides, sideStep, vector, type Side, type Vec3 } from '../../space/index.ts';
import { spinPoint } from '../quads.ts';

/** A line of sight, in texels of the model: where it begins and where it goes. */
export interface Ray {
  from: Vec3;
  to: Vec3;
}

/** What a ray meets first: the box, the side of it, and where, in texels of the model. */
export interface Struck {
  box: number;
  side: Side;
  at: Vec3;
}

/**
 * The first box that a ray meets, by the slabs between its sides (Kay and Kajiya, 1986, *Ray
 * Tracing Complex Scenes*), in the frame of its spin. Boxes in `passes` are seen through.
 *
 * @example boxUnder([leg], { from: [8, 5, 40], to: [0, 0, -1] }) // { box: 0, side: 'front', … }
 */
export function boxUnder(
  boxes: readonly Pick<Box, 'at' | 'size' | 'spin'>[],
  { from, to }: Ray,
  passes: ReadonlySet<number> = new Set(),
): Struck | undefined {
  let nearest = Infinity;
  let struck: Struck | undefined;
  boxes.forEach((box, i) => {
    if (passes.has(i)) return;
    const { spin } = box;
    const back = spin && { ...spin, by: -spin.by };
    const start = back ? spinPoint(from, back) : from;
    const way = back ? spinPoint(to, { ...back, pivot: [0, 0, 0] }) : to;
    const met = slabs(box, start, way);
    if (!met || met.distance >= nearest) return;
    nearest = met.distance;
    struck = {
      box: i,
      side: met.side,
      at: vector((axis) => from[axis] + to[axis] * met.distance),
    };
  });
  return struck;
}

function slabs(
  { at, size }: Pick<Box, 'at' | 'size'>,
  from: Vec3,
  to: Vec3,
): { distance: number; side: Side } | undefined {
  let [enter, leave] = [-Infinity, Infinity];
  let side: Side | undefined;
  for (const axis of [0, 1, 2] as const) {
    if (Math.abs(to[axis]) < 1e-12) {
      if (from[axis] < at[axis] || from[axis] > at[axis] + size[axis]) return undefined;
      continue;
    }
    const ends = [at[axis], at[axis] + size[axis]].map((end) => (end - from[axis]) / to[axis]);
    const [near, far] = [Math.min(...ends), Math.max(...ends)];
    if (near > enter) {
      enter = near;
      side = sides.find((one) => sideStep(one)[axis] === -Math.sign(to[axis]));
    }
    leave = Math.min(leave, far);
  }
  return side !== undefined && enter > 0 && enter <= leave ? { distance: enter, side } : undefined;
}
