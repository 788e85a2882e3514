import { headings, type Vec3 } from '../../space/index.ts';
import { open } from '../grid/numbers.ts';
import type { FaceBuffer, FaceLook } from './buffer.ts';
import { lightOf, stepTo, type Drawing } from './drawing.ts';
import { shadeToward, tintOf } from './shades.ts';
import { fluidsIn, runOf, surfaceOf, type FluidCell } from './surface.ts';

type Heights = readonly [number, number, number, number];
/** The corners of a surface as {@link surfaceOf} lists them: where they lie in the cell. */
const spots = [
  [0, 0],
  [0, 1],
  [1, 1],
  [1, 0],
] as const;
/** For each level side the two corners of its upper edge, left and right as seen from outside. */
const edges = { north: [3, 0], east: [2, 3], south: [1, 2], west: [0, 1] } as const;
const normals = { north: [0, 0, -1], east: [1, 0, 0], south: [0, 0, 1], west: [-1, 0, 0] } as const;

/** Adds the faces of a fluid's cell: its surface, its sides and its bottom, where they are seen. */
export function addFluid(
  drawing: Drawing,
  own: FluidCell,
  place: Vec3,
  middle: Vec3,
  buffer: FaceBuffer,
): void {
  const fluidAt = fluidsIn(drawing.cells, (number) => drawing.numbers.meant(number));
  const isOwn = (there: Vec3) => fluidAt(there)?.id === own.id;
  const heights = surfaceOf(fluidAt, place, own);
  const { still, flowing, tint = 'none' } = drawing.fluidLook(own.id);
  const run = runOf(fluidAt, place, own);
  const isRunning = run[0] !== 0 || run[1] !== 0;
  const lookFor = (picture: string | undefined, normal: Vec3): FaceLook => {
    const { block, sky } = lightOf(drawing, place, normal);
    return {
      picture: drawing.pictureNumber(picture ?? still),
      tint: tintOf(tint),
      block: Math.max(block, own.fluid.light ?? 0),
      sky,
      cutoff: 0,
    };
  };
  const rises = own.fluid.rises === true;
  const at = (x: number, y: number, z: number): Vec3 => [
    place[0] + x - middle[0],
    place[1] + (rises ? 1 - y : y) - middle[1],
    place[2] + z - middle[2],
  ];
  const add = (
    points: readonly { at: Vec3; uv: readonly [number, number] }[],
    look: FaceLook,
    normal: Vec3,
  ) => {
    const shade = shadeToward(normal);
    const seen = points.map((point) => ({ ...point, shade }));
    buffer.add(rises ? seen.reverse() : seen, look);
  };
  if (!isOwn(stepTo(place, rises ? 'down' : 'up')))
    add(
      spots.map(([x, z], i) => ({
        at: at(x, heights[i] ?? 0, z),
        uv: isRunning ? turned([x, z], run) : [x, z],
      })),
      lookFor(isRunning ? flowing : still, [0, 1, 0]),
      [0, 1, 0],
    );
  addSides(drawing, place, heights, isOwn, (points, heading) =>
    add(
      points.map(([x, y, z, u, v]) => ({ at: at(x, y, z), uv: [u, v] })),
      lookFor(flowing, normals[heading]),
      normals[heading],
    ),
  );
  const below = stepTo(place, rises ? 'up' : 'down');
  if (drawing.cells.at(below) === open)
    add(
      [...spots].reverse().map(([x, z]) => ({ at: at(x, 0, z), uv: [x, z] })),
      lookFor(still, [0, -1, 0]),
      [0, -1, 0],
    );
}

type SidePoint = readonly [x: number, y: number, z: number, u: number, v: number];

/** The sides that look into what is open, or into a block that is not whole. */
function addSides(
  { cells, facts }: Drawing,
  place: Vec3,
  heights: Heights,
  isOwn: (there: Vec3) => boolean,
  add: (points: SidePoint[], heading: (typeof headings)[number]) => void,
): void {
  for (const heading of headings) {
    const there = stepTo(place, heading);
    if (!cells.isInside(there) || isOwn(there) || facts(cells.at(there)).isTaken) continue;
    const [left, right] = edges[heading];
    const [from, to] = [spots[left], spots[right]];
    const [high, other] = [heights[left], heights[right]];
    add(
      [
        [from[0], high, from[1], 0, 1 - high],
        [from[0], 0, from[1], 0, 1],
        [to[0], 0, to[1], 1, 1],
        [to[0], other, to[1], 1, 1 - other],
      ],
      heading,
    );
  }
}

/** Where a point of the surface lies in the picture when its foot points where the fluid runs. */
function turned(
  [x, z]: readonly [number, number],
  [east, south]: readonly [number, number],
): [number, number] {
  const length = Math.hypot(east, south);
  const [dx, dz] = [east / length, south / length];
  const [a, b] = [x - 0.5, z - 0.5];
  return [0.5 + a * dz - b * dx, 0.5 + a * dx + b * dz];
}
