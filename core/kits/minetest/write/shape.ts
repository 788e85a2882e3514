import { itemAt } from '../../../lists/index.ts';
import { pictureFrame } from '../../../models/index.ts';
import {
  cross,
  directionStep,
  dot,
  sideStep,
  sides,
  vector,
  type Direction,
  type Vec3,
} from '../../../space/index.ts';
import { faceKey, type Body, type BodyBox, type BodyFace } from '../states/body.ts';
import { tileOrder } from '../format/turns.ts';

/** The most materials of a mesh, and tiles of a node. */
export const mostTiles = 6;

/** How a picture lies on the side of a cube that looks one way. */
function frameOf(direction: Direction): { up: Vec3; right: Vec3; normal: Vec3 } {
  const side = sides.find((one) => sideStep(one).join() === directionStep(direction).join())!;
  return { ...pictureFrame[side], normal: sideStep(side) };
}

/** The faces of a whole cube with whole pictures, by the direction that each looks. */
const wholeFaces = tileOrder.map((direction) => {
  const { up, right, normal } = frameOf(direction);
  const corner = (across: number, upward: number): Vec3 =>
    vector((axis) => (normal[axis] + right[axis] * across + up[axis] * upward) / 2);
  return {
    corners: [corner(-1, 1), corner(-1, -1), corner(1, -1), corner(1, 1)] as const,
    uv: [
      [0, 0],
      [0, 1],
      [1, 1],
      [1, 0],
    ] as const,
  };
});

/**
 * What the six tiles of a node show, in the engine's order, where a body is a whole cube with whole
 * pictures that lie as the engine lays them; undefined where it is anything else.
 */
export function cubeFaces({ faces }: Body): BodyFace[] | undefined {
  if (faces.length !== tileOrder.length) return undefined;
  const found = wholeFaces.flatMap(
    ({ corners, uv }) =>
      faces.find((face) => faceKey(face) === faceKey({ ...face, corners, uv })) ?? [],
  );
  return found.length === tileOrder.length ? found : undefined;
}

/** Boxes that the engine draws by itself, and what its six tiles show, in its order. */
export interface DrawnBoxes {
  boxes: BodyBox[];
  tiles: BodyFace[];
}

/**
 * A body as boxes that the engine draws itself: each whole, along the axes, inside the cell, its
 * sides showing the part of a block-sized picture that they cover, the same picture on all sides
 * that look one way. Undefined for any other body.
 */
export function drawnBoxes({ faces }: Body): DrawnBoxes | undefined {
  const groups = new Map<number, BodyFace[]>();
  for (const face of faces) {
    if (face.box === undefined) return undefined;
    groups.set(face.box, [...(groups.get(face.box) ?? []), face]);
  }
  const tiles: BodyFace[] = [];
  const boxes: BodyBox[] = [];
  for (const group of groups.values()) {
    const [low, high] = [Math.min, Math.max].map((most) =>
      vector((axis) => most(...group.flatMap(({ corners }) => corners.map((one) => one[axis])))),
    ) as [Vec3, Vec3];
    if (group.length !== tileOrder.length || !isInCell([low, high])) return undefined;
    for (const [i, direction] of tileOrder.entries()) {
      const face = group.find((one) => isLaidOn(one, direction, [low, high]));
      const tile = tiles[i];
      if (!face || (tile && (tile.texture !== face.texture || tile.tinted !== face.tinted)))
        return undefined;
      tiles[i] = face;
    }
    boxes.push([low, high]);
  }
  return boxes.length ? { boxes, tiles } : undefined;
}

const isInCell = ([low, high]: BodyBox): boolean =>
  low.every((value) => value >= -0.5) && high.every((value) => value <= 0.5);

const isNear = (a: number, b: number): boolean => Math.abs(a - b) < 1e-4;

/** True for the side of a box that looks one way, with the part of the picture that it covers. */
function isLaidOn(face: BodyFace, direction: Direction, [low, high]: BodyBox): boolean {
  const { up, right, normal } = frameOf(direction);
  const looks = normalOf(face);
  if (!looks || !isNear(dot(looks, normal), 1)) return false;
  const far = dot(
    normal,
    vector((axis) => (normal[axis] > 0 ? high[axis] : low[axis])),
  );
  return face.corners.every((corner, i) => {
    const [u, v] = itemAt(face.uv, i);
    return (
      isNear(dot(corner, normal), far) &&
      isNear(u, dot(corner, right) + 0.5) &&
      isNear(v, 0.5 - dot(corner, up))
    );
  });
}

const cell: BodyBox = [
  [-0.5, -0.5, -0.5],
  [0.5, 0.5, 0.5],
];

/** True for one box that is the whole cell. */
export const isWholeCell = (boxes: readonly BodyBox[]): boolean =>
  boxes.length === 1 && itemAt(boxes, 0).flat().join() === cell.flat().join();

/** A box in the engine's numbers: its two corners in one row. */
export const engineBox = ([low, high]: BodyBox): number[] => [
  low[0],
  low[1],
  -high[2] + 0,
  high[0],
  high[1],
  -low[2] + 0,
];

/** What faces of a mesh show, each once, in the order in which they come. */
export function materialsOf(faces: readonly BodyFace[]): BodyFace[] {
  const found = new Map<string, BodyFace>();
  for (const face of faces) {
    const key = `${face.texture} ${face.tinted}`;
    if (!found.has(key)) found.set(key, face);
  }
  return [...found.values()];
}

const short = (value: number): string => String(Math.round(value * 1e6) / 1e6 + 0);
/** The engine reads the numbers of an OBJ with x the other way round; the file has z so, too. */
const inFile = ([x, y, z]: Vec3): string => [-x, y, -z].map(short).join(' ');

/**
 * A body as Wavefront OBJ, one unit a block and the middle of the cell at nothing, with one group
 * and material for each picture, in the order of its tiles. Faces without an area are left out.
 */
export function meshText(name: string, { faces }: Body): string {
  const materials = materialsOf(faces);
  const lines = [`# ${name}, one unit a block`, `o ${name}`];
  let corner = 1;
  let normals = 1;
  materials.forEach(({ texture, tinted }, number) => {
    lines.push(`g tile_${number + 1}`, `usemtl tile_${number + 1}`);
    for (const face of faces) {
      if (face.texture !== texture || face.tinted !== tinted) continue;
      const normal = normalOf(face);
      if (!normal) continue;
      for (const point of face.corners) lines.push(`v ${inFile(point)}`);
      for (const [u, v] of face.uv) lines.push(`vt ${short(u)} ${short(1 - v)}`);
      lines.push(`vn ${inFile(normal)}`);
      const corners = face.corners.map((_, i) => `${corner + i}/${corner + i}/${normals}`);
      lines.push(`f ${corners.join(' ')}`);
      corner += face.corners.length;
      normals += 1;
    }
  });
  return `${lines.join('\n')}\n`;
}

/** The direction that a face looks; undefined where it has no area. */
function normalOf({ corners: [a, b, , d] }: BodyFace): Vec3 | undefined {
  const from = (to: Vec3): Vec3 => vector((axis) => to[axis] - a[axis]);
  const across = cross(from(b), from(d));
  const length = Math.hypot(...across);
  return length < 1e-9 ? undefined : vector((axis) => across[axis] / length);
}
