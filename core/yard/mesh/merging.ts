import { directionStep, directions, type Direction, type Vec3 } from '../../space/index.ts';
import type { DrawnFace } from '../look/drawn.ts';
import type { Corner, FaceBuffer, FaceLook } from './buffer.ts';
import { shadeToward, type Shades } from './shades.ts';

interface Waiting {
  face: DrawnFace;
  look: FaceLook;
  shades: Shades;
}

/** Whole faces in one plane of a chunk: by the place on it, in rows, what is to be drawn there. */
interface Plane {
  side: Direction;
  depth: number;
  /** Faces of one key look alike; 0 where there is none. */
  keys: Float64Array;
  waiting: (Waiting | undefined)[];
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
const axisOf = (side: Direction): 0 | 1 | 2 =>
  directionStep(side).findIndex((part) => part !== 0) as 0 | 1 | 2;
const axes = Object.fromEntries(directions.map((side) => [side, axisOf(side)])) as Record<
  Direction,
  0 | 1 | 2
>;
/** Corners are shaded in so many steps of 0.11, none included. */
const shadeSteps = 4;
const levels = 16;

/**
 * Gathers whole faces of a chunk, and joins those that lie beside one another in one plane and look
 * alike to rectangles as great as they come: first along, then across.
 */
export class Merging {
  private readonly planes = new Map<number, Plane>();

  /** Of the chunk with that low corner and so many cells a side; places are told from its middle. */
  constructor(
    private readonly from: Vec3,
    private readonly side: number,
  ) {}

  add(face: DrawnFace, side: Direction, place: Vec3, look: FaceLook, shades: Shades): void {
    const axis = axes[side];
    const [a, b] = along[side];
    const plane = this.planeOf(side, place[axis]);
    const at = place[a] - this.from[a] + (place[b] - this.from[b]) * this.side;
    plane.keys[at] = keyOf(face, look, shades, at);
    plane.waiting[at] = { face, look, shades };
  }

  private planeOf(side: Direction, depth: number): Plane {
    const which = directions.indexOf(side) * this.side + depth - this.from[axes[side]];
    let plane = this.planes.get(which);
    if (!plane) {
      plane = { side, depth, keys: new Float64Array(this.side * this.side), waiting: [] };
      this.planes.set(which, plane);
    }
    return plane;
  }

  into(buffer: FaceBuffer): void {
    for (const plane of this.planes.values()) this.fill(plane, buffer);
  }

  private fill(plane: Plane, buffer: FaceBuffer): void {
    const { keys, waiting } = plane;
    const row = this.side;
    for (let at = 0; at < keys.length; at += 1) {
      const key = keys[at];
      if (!key) continue;
      let wide = 1;
      while ((at % row) + wide < row && keys[at + wide] === key) wide += 1;
      let high = 1;
      while (isRow(keys, at + high * row, wide, key)) high += 1;
      for (let b = 0; b < high; b += 1) keys.fill(0, at + b * row, at + b * row + wide);
      const first = waiting[at]!;
      buffer.add(this.stretched(first, plane, at, wide, high), first.look);
    }
  }

  /** The corners of a rectangle: the picture goes on beyond its own edge, once for each cell. */
  private stretched(
    { face, shades }: Waiting,
    { side, depth }: Plane,
    at: number,
    wide: number,
    high: number,
  ): Corner[] {
    const axis = axes[side];
    const [a, b] = along[side];
    const shade = shadeToward(face.normal);
    const { corners, uv } = face;
    const half = this.side / 2;
    // The picture's way along each axis, from the corner that lies at 0, 0.
    const find = (u: number, v: number) =>
      corners.findIndex((corner) => corner[a] === u && corner[b] === v);
    const [zero, one, other] = [uv[find(0, 0)]!, uv[find(1, 0)]!, uv[find(0, 1)]!];
    return corners.map((corner, i) => {
      const [u, v] = [corner[a] * wide, corner[b] * high];
      const point: [number, number, number] = [0, 0, 0];
      point[axis] = depth + corner[axis] - this.from[axis] - half;
      point[a] = (at % this.side) + u - half;
      point[b] = Math.floor(at / this.side) + v - half;
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

/**
 * Equal for faces that look alike. A face whose corners are shaded unlike one another is like none:
 * stretched, its shade would be too.
 */
function keyOf(
  { id }: DrawnFace,
  { block, sky }: FaceLook,
  [one, two, three, four]: Shades,
  at: number,
): number {
  if (one !== two || one !== three || one !== four) return -1 - at;
  const shade = Math.round(one / 0.11);
  return ((id * levels + block) * levels + sky) * shadeSteps + shade + 1;
}

function isRow(keys: Float64Array, at: number, wide: number, key: number): boolean {
  for (let a = 0; a < wide; a += 1) if (keys[at + a] !== key) return false;
  return true;
}
