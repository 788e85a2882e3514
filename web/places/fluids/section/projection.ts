import type { Vec3 } from '../../../../core/space/index.ts';

/** A point of the canvas, in CSS pixels. */
export type Point = readonly [x: number, y: number];

/** How far one cell of depth goes to the right and up, in cells. */
const recedes: Point = [0.3, 0.22];

/** So many rows behind the cut are drawn. */
export const mostBehind = 4;

/** A world that is looked at from the south, cut open: what lies north of the cut recedes. */
export interface Projection {
  /** CSS pixels a cell. */
  unit: number;
  /** The row, from the north, along which the world is cut. */
  cut: number;
  of: (place: Vec3) => Point;
  /** The cell of the cut under a point of the canvas. */
  cellAt: (point: Point) => Vec3;
}

/**
 * The largest projection of a world that fits into a canvas, standing on its foot.
 *
 * @example projectionOf([31, 4, 9], 720, 340).cellAt([100, 300])
 */
export function projectionOf([wide, high, deep]: Vec3, width: number, height: number): Projection {
  const cut = (deep - 1) / 2;
  const behind = Math.min(cut, mostBehind) + 1;
  const unit = Math.max(
    4,
    Math.min(width / (wide + behind * recedes[0]), height / (high + behind * recedes[1])),
  );
  const left = (width - unit * (wide + behind * recedes[0])) / 2;
  const foot = height - Math.max(0, (height - unit * (high + behind * recedes[1])) / 2);
  return {
    unit,
    cut,
    of: ([x, y, z]) => {
      const depth = cut + 1 - z;
      return [left + unit * (x + depth * recedes[0]), foot - unit * (y + depth * recedes[1])];
    },
    cellAt: ([px, py]) => [Math.floor((px - left) / unit), Math.floor((foot - py) / unit), cut],
  };
}
