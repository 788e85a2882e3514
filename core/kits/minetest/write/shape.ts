import { itemAt } from '../../../lists/index.ts';
import { pictureFrame } from '../../../models/index.ts';
import { cross, directionStep, sideStep, sides, vector, type Vec3 } from '../../../space/index.ts';
import { faceKey, type Body, type BodyBox, type BodyFace } from '../states/body.ts';
import { tileOrder } from '../format/turns.ts';

/** The most materials of a mesh, and tiles of a node. */
export const mostTiles = 6;

/** The faces of a whole cube with whole pictures, by the direction that each looks. */
const wholeFaces = tileOrder.map((direction) => {
  const side = sides.find((one) => sideStep(one).join() === directionStep(direction).join())!;
  const { up, right } = pictureFrame[side];
  const normal = sideStep(side);
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
