import { itemAt } from '../../../core/lists/index.ts';
import type { Box } from '../../../core/mod/index.ts';
import { cornersOf } from '../../../core/models/index.ts';
import {
  sides,
  sideStep,
  type AxisIndex,
  type Side,
  type Vec3,
} from '../../../core/space/index.ts';
import type { Pixel } from '../../stage/view.tsx';

/** A dimension line of a box on a picture: along one edge, set off outward, with its two ends. */
export interface DimensionLine {
  axis: AxisIndex;
  length: number;
  /** The ends of the edge, and of the line beside it; the low end first. */
  edge: readonly [Pixel, Pixel];
  line: readonly [Pixel, Pixel];
  /** The side of the box that each end moves. */
  moves: readonly [Side, Side];
  /** CSS pixels a texel along it. */
  scale: number;
}

/** How far a dimension line stands off its edge, in CSS pixels. */
const off = 30;
/** An edge that is shorter than this on the picture is seen from its end and not measured. */
const shortest = 4;

const minus = (a: Pixel, b: Pixel): Pixel => [a[0] - b[0], a[1] - b[1]];
const plus = (a: Pixel, b: Pixel, by = 1): Pixel => [a[0] + b[0] * by, a[1] + b[1] * by];
const half = (a: Pixel, b: Pixel): Pixel => [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
const long = (a: Pixel): number => Math.hypot(a[0], a[1]);

/** The side at the low or at the high end of an axis. */
export const sideAt = (axis: AxisIndex, end: -1 | 1): Side =>
  sides.find((side) => sideStep(side)[axis] === end) ?? 'top';

/**
 * Dimension lines for the three axes of a box: the height beside it, away from `centre`, width and
 * depth below it, as on a drawing. Axes that one looks along have none.
 */
export function dimensionLines(
  box: Box,
  project: (point: Vec3) => Pixel,
  centre: Pixel,
): DimensionLine[] {
  const corners = cornersOf(box).map(project);
  const middle = corners.reduce<Pixel>(
    (sum, corner) => plus(sum, corner, 1 / corners.length),
    [0, 0],
  );
  return ([0, 1, 2] as const).flatMap((axis) => {
    const edges = [0, 1, 2, 3, 4, 5, 6, 7]
      .filter((i) => ((i >> axis) & 1) === 0)
      .map((i): [Pixel, Pixel] => [itemAt(corners, i), itemAt(corners, i | (1 << axis))]);
    const beside = middle[0] > centre[0] + 2 ? 1 : -1;
    const wanted: Pixel = axis === 1 ? [beside, 0.1] : [0, 1];
    const far = ([a, b]: [Pixel, Pixel]) => {
      const [x, y] = minus(half(a, b), middle);
      return x * wanted[0] + y * wanted[1];
    };
    const [edge] = edges.sort((a, b) => far(b) - far(a));
    if (!edge) return [];
    const along = minus(edge[1], edge[0]);
    const length = box.size[axis];
    const seen = long(along);
    if (seen < shortest && length > 0) return [];
    const away = outward(along, minus(half(...edge), middle), wanted);
    return [
      {
        axis,
        length,
        edge,
        line: [plus(edge[0], away, off), plus(edge[1], away, off)] as const,
        moves: [sideAt(axis, -1), sideAt(axis, 1)] as const,
        scale: length > 0 ? seen / length : 8,
      },
    ];
  });
}

/** The direction across an edge that leads away from the middle. */
function outward(along: Pixel, from: Pixel, wanted: Pixel): Pixel {
  const across: Pixel =
    long(along) > 0 ? [-along[1] / long(along), along[0] / long(along)] : wanted;
  const way = across[0] * from[0] + across[1] * from[1];
  return way < 0 ? [-across[0], -across[1]] : across;
}

/** The faces of a box that look at the viewer, as polygons. */
export function facesSeen(box: Box, project: (point: Vec3) => Pixel): Pixel[][] {
  const corners = cornersOf(box).map(project);
  return faces
    .map((face) => face.map((i) => itemAt(corners, i)))
    .filter((face) => areaOf(face) < 0);
}

/** One face of a box as a polygon, whether it looks at the viewer or not. */
export function faceOf(box: Box, side: Side, project: (point: Vec3) => Pixel): Pixel[] {
  const corners = cornersOf(box).map(project);
  return itemAt(faces, sides.indexOf(side)).map((i) => itemAt(corners, i));
}

/** The corners of the six faces in the order of the sides, anticlockwise as seen from outside. */
const faces: readonly (readonly number[])[] = [
  [6, 4, 5, 7],
  [3, 1, 0, 2],
  [7, 5, 1, 3],
  [2, 0, 4, 6],
  [2, 6, 7, 3],
  [4, 0, 1, 5],
];

/** Twice the area of a polygon; below 0 where it runs anticlockwise, y pointing down. */
const areaOf = (points: readonly Pixel[]): number =>
  points.reduce((sum, [x, y], i) => {
    const [nextX, nextY] = itemAt(points, (i + 1) % points.length);
    return sum + (x * nextY - nextX * y);
  }, 0);

export const asPoints = (points: readonly Pixel[]): string =>
  points.map(([x, y]) => `${x.toFixed(1)},${y.toFixed(1)}`).join(' ');
