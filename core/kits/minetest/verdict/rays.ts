import type { Vec3 } from '../../../space/index.ts';
import { engineBox } from '../write/shape.ts';
import type { BodyBox } from '../states/body.ts';

/** A straight line in the engine's numbers, about the middle of the cell. */
export type Line = readonly [...from: Vec3, ...to: Vec3];

/** So many rays lie beside each other in a row. */
const many = 7;
/** So far outside, in blocks from the middle, rays begin. */
const away = 2;
/** Rays lie off the texels' edges, where it is chance which box they meet. */
const offset = 0.43;

/** Rays through the cell from all six sides, in a grid. */
export const rays: readonly Line[] = [0, 1, 2].flatMap((axis) =>
  [1, -1].flatMap((sign) =>
    Array.from({ length: many * many }, (_, i): Line => {
      const place = (n: number) => (n + offset) / many - 0.5;
      const [a, b] = [place(i % many), place(Math.floor(i / many))];
      const at = (along: number): Vec3 =>
        axis === 0 ? [along, a, b] : axis === 1 ? [a, along, b] : [a, b, along];
      return [...at(sign * away), ...at(-sign * away)];
    }),
  ),
);

/**
 * How far a ray goes until it meets one of some boxes, all of them so much larger; −1 where it
 * meets none (the slab method: Kay and Kajiya, Ray Tracing Complex Scenes, 1986).
 */
export function meets(line: Line, boxes: readonly BodyBox[], larger = 0): number {
  const from = line.slice(0, 3);
  const step = [3, 4, 5].map((i) => line[i]! - line[i - 3]!);
  const length = Math.hypot(...step);
  let nearest = Infinity;
  for (const box of boxes.map(engineBox)) {
    let [enter, leave] = [0, 1];
    for (const axis of [0, 1, 2]) {
      const [low, high] = [box[axis]! - larger, box[axis + 3]! + larger];
      const along = step[axis]!;
      if (along === 0) {
        if (from[axis]! < low || from[axis]! > high) enter = Infinity;
        continue;
      }
      const [a, b] = [(low - from[axis]!) / along, (high - from[axis]!) / along];
      enter = Math.max(enter, Math.min(a, b));
      leave = Math.min(leave, Math.max(a, b));
    }
    if (enter <= leave) nearest = Math.min(nearest, enter);
  }
  return Number.isFinite(nearest) ? nearest * length : -1;
}
