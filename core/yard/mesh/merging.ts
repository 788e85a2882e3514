import { directionStep, type Direction, type Vec3 } from '../../space/index.ts';
import type { DrawnFace } from '../look/drawn.ts';
import type { Corner, FaceBuffer, FaceLook } from './buffer.ts';
import { shadeToward } from './chunk.ts';

interface Waiting {
  face: DrawnFace;
  look: FaceLook;
  shades: readonly number[];
}

/** Whole faces in one plane: by the place on it, what is to be drawn there. */
interface Plane {
  side: Direction;
  depth: number;
  cells: Map<number, { key: string; waiting: Waiting }>;
}

/** The two axes along a side. */
const along: Record<Direction, readonly [0 | 1 | 2, 0 | 1 | 2]> = {
  north: [0, 1],
  south: [0, 1],
  east: [2, 1],
  west: [2, 1],
  up: [0, 2],
  down: [0, 2],
};
/** Places on a plane are numbered by rows of so many, more than any world is wide. */
const row = 1 << 16;

/**
 * Gathers whole faces of a chunk, and joins those that lie beside one another in one plane and look
 * alike to rectangles as great as they come: first along, then across.
 */
export class Merging {
  private readonly planes = new Map<string, Plane>();

  constructor(private readonly middle: Vec3) {}

  add(
    face: DrawnFace,
    side: Direction,
    place: Vec3,
    look: FaceLook,
    shades: readonly number[],
  ): void {
    const axis = directionStep(side).findIndex((part) => part !== 0) as 0 | 1 | 2;
    const [a, b] = along[side];
    const planeKey = `${side} ${place[axis]}`;
    let plane = this.planes.get(planeKey);
    if (!plane) this.planes.set(planeKey, (plane = { side, depth: place[axis], cells: new Map() }));
    // A face whose corners are shaded unlike one another is not stretched: its shade would be too.
    const isEven = shades.every((shade) => shade === shades[0]);
    const at = place[a] + place[b] * row;
    const alone = isEven ? '' : ` at ${at}`;
    const key = `${face.id} ${look.block} ${look.sky} ${shades[0] ?? 0}${alone}`;
    plane.cells.set(at, { key, waiting: { face, look, shades } });
  }

  into(buffer: FaceBuffer): void {
    for (const plane of this.planes.values()) this.fill(plane, buffer);
  }

  private fill({ side, depth, cells }: Plane, buffer: FaceBuffer): void {
    for (const at of [...cells.keys()].sort((one, other) => one - other)) {
      const found = cells.get(at);
      if (!found) continue;
      const { key, waiting } = found;
      let wide = 1;
      while (cells.get(at + wide)?.key === key) wide += 1;
      let high = 1;
      while (isRow(cells, at + high * row, wide, key)) high += 1;
      for (let b = 0; b < high; b += 1)
        for (let a = 0; a < wide; a += 1) cells.delete(at + a + b * row);
      buffer.add(this.stretched(waiting, side, depth, at, wide, high), waiting.look);
    }
  }

  /** The corners of a rectangle: the picture goes on beyond its own edge, once for each cell. */
  private stretched(
    { face, shades }: Waiting,
    side: Direction,
    depth: number,
    at: number,
    wide: number,
    high: number,
  ): Corner[] {
    const axis = directionStep(side).findIndex((part) => part !== 0) as 0 | 1 | 2;
    const [a, b] = along[side];
    const shade = shadeToward(face.normal);
    const { corners, uv } = face;
    // The picture's way along each axis, from the corner that lies at 0, 0.
    const find = (u: number, v: number) =>
      corners.findIndex((corner) => corner[a] === u && corner[b] === v);
    const [zero, one, other] = [uv[find(0, 0)]!, uv[find(1, 0)]!, uv[find(0, 1)]!];
    return corners.map((corner, i) => {
      const [u, v] = [corner[a] * wide, corner[b] * high];
      const point: [number, number, number] = [0, 0, 0];
      point[axis] = depth + corner[axis] - this.middle[axis];
      point[a] = (at % row) + u - this.middle[a];
      point[b] = Math.floor(at / row) + v - this.middle[b];
      return {
        at: point,
        uv: [
          zero[0] + (one[0] - zero[0]) * u + (other[0] - zero[0]) * v,
          zero[1] + (one[1] - zero[1]) * u + (other[1] - zero[1]) * v,
        ],
        shade: shade * (1 - (shades[i] ?? 0)),
      };
    });
  }
}

function isRow(cells: Plane['cells'], at: number, wide: number, key: string): boolean {
  for (let a = 0; a < wide; a += 1) if (cells.get(at + a)?.key !== key) return false;
  return true;
}
