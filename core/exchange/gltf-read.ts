import { itemAt } from '../lists/index.ts';
import { vector, type Vec3 } from '../space/index.ts';
import { Buffers } from './gltf-buffers.ts';
import { openGltf, type Gltf } from './gltf-json.ts';
import type { Beside } from './obj-read.ts';
import {
  exchangeLimits,
  ExchangeProblem,
  type Corner,
  type Face,
  type Material,
  type Part,
  type PartBox,
  type ReadScene,
} from './scene.ts';

/** A matrix of four columns, as glTF writes it. */
type Matrix = readonly number[];
const identity: Matrix = [1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1];

interface Reading {
  gltf: Gltf;
  buffers: Buffers;
  parts: Part[];
  notes: Set<string>;
  triangles: number;
  /** How many nodes were walked; one may be reached by many ways. */
  walked: number;
}

/**
 * A scene out of a glTF 2.0 file, binary or with files beside it. Nodes with a mesh are parts, where
 * they stand after all that turns and moves them. Animations, skins, points and lines are left out
 * and said. Throws an {@link ExchangeProblem} in one sentence when it is damaged, too large, leads
 * back to itself, or needs something that is not read.
 */
export function readGltf(bytes: Uint8Array, name: string, beside: Beside): ReadScene {
  const file = openGltf(bytes);
  const { gltf } = file;
  const [needed] = (gltf.extensionsRequired ?? []).filter((one) => !harmless.has(one));
  if (needed !== undefined)
    throw new ExchangeProblem(
      `It cannot be read without ${needed.slice(0, 80)}, which is not known. Export it without.`,
    );
  const buffers = new Buffers(file, beside);
  const reading: Reading = { gltf, buffers, parts: [], notes: new Set(), triangles: 0, walked: 0 };
  if (gltf.animations?.length) reading.notes.add('Animations are left out.');
  if (gltf.skins?.length) reading.notes.add('Skins are left out: it stands as it was modelled.');
  for (const root of rootsOf(gltf)) readNode(root, identity, undefined, [], reading);
  if (!reading.parts.length)
    throw new ExchangeProblem('The file holds no faces, so there is nothing to take over.');
  return {
    name,
    parts: reading.parts,
    materials: readMaterials(reading),
    notes: [...reading.notes],
  };
}

/** Extensions that change nothing of what is read. */
const harmless = new Set(['KHR_materials_unlit', 'KHR_mesh_quantization']);

function rootsOf(gltf: Gltf): number[] {
  const scene = gltf.scenes?.[gltf.scene ?? 0];
  if (scene) return scene.nodes ?? [];
  const children = new Set((gltf.nodes ?? []).flatMap((node) => node.children ?? []));
  return [...(gltf.nodes ?? []).keys()].filter((node) => !children.has(node));
}

function readNode(
  index: number,
  above: Matrix,
  group: string | undefined,
  path: readonly number[],
  reading: Reading,
): void {
  const node = reading.gltf.nodes?.[index];
  if (!node) throw new ExchangeProblem(`It names node ${index}, which is not there.`);
  if (path.includes(index)) throw new ExchangeProblem('Its nodes lead back to themselves.');
  if (path.length > 64) throw new ExchangeProblem('Its nodes lie deeper than 64 in each other.');
  reading.walked += 1;
  if (reading.walked > exchangeLimits.parts * 4 || reading.parts.length > exchangeLimits.parts)
    throw new ExchangeProblem(`It has more than ${exchangeLimits.parts} parts.`);
  const matrix = times(above, node.matrix ?? matrixOf(node));
  if (node.mesh !== undefined)
    readMesh(node.mesh, { ...node, group, box: boxOf(node.extras?.box, matrix) }, matrix, reading);
  const here = node.mesh === undefined ? node.name : group;
  for (const child of node.children ?? []) readNode(child, matrix, here, [...path, index], reading);
}

function readMesh(
  index: number,
  { name, group, box }: { name?: string; group?: string; box?: PartBox },
  matrix: Matrix,
  reading: Reading,
): void {
  const mesh = reading.gltf.meshes?.[index];
  if (!mesh) throw new ExchangeProblem(`It names mesh ${index}, which is not there.`);
  const faces = mesh.primitives.flatMap((primitive) => {
    if (primitive.targets?.length) reading.notes.add('Morph targets are left out.');
    const mode = primitive.mode ?? 4;
    if (mode < 4 || mode > 6) {
      reading.notes.add('Points and lines are left out.');
      return [];
    }
    return facesOf(primitive, mode, matrix, reading);
  });
  if (!faces.length) return;
  reading.parts.push({
    name: name ?? mesh.name ?? `part ${reading.parts.length + 1}`,
    ...(group !== undefined && { group }),
    faces,
    ...(box && { box }),
  });
}

/** A box that stands beside a part, where the part stands. */
function boxOf(box: PartBox | undefined, matrix: Matrix): PartBox | undefined {
  if (!box) return undefined;
  const corner = moved(matrix, box.corner);
  const edge = (by: Vec3): Vec3 => {
    const to = moved(
      matrix,
      vector((axis) => box.corner[axis] + by[axis]),
    );
    return vector((axis) => to[axis] - corner[axis]);
  };
  const [a, b, c] = box.edges;
  return { corner, edges: [edge(a), edge(b), edge(c)] };
}

type Primitive = NonNullable<Gltf['meshes']>[number]['primitives'][number];

function facesOf(
  { attributes, indices, material }: Primitive,
  mode: number,
  matrix: Matrix,
  reading: Reading,
): Face[] {
  const { buffers, notes, gltf } = reading;
  const position = attributes['POSITION'];
  if (position === undefined) return [];
  const points = buffers.vectors(position, 3).map((point) => moved(matrix, point));
  const texCoord = gltf.materials?.[material ?? -1]?.pbrMetallicRoughness?.baseColorTexture;
  const uv = attributes[`TEXCOORD_${texCoord?.texCoord ?? 0}`];
  const uvs = uv === undefined ? undefined : buffers.vectors(uv, 2);
  if (points.length > exchangeLimits.vertices)
    throw new ExchangeProblem(`It has more than ${exchangeLimits.vertices} corners.`);
  const order =
    indices === undefined
      ? [...points.keys()]
      : buffers.vectors(indices, 1).map((one) => itemAt(one, 0));
  const corner = (i: number): Corner => {
    const at = points[i];
    if (!at) throw new ExchangeProblem('A face names a corner that is not there.');
    const [u = 0, v = 0] = uvs?.[i] ?? [];
    return { at, uv: [u, v] };
  };
  const triangles = trianglesOf(order, mode);
  reading.triangles += triangles.length;
  if (reading.triangles > exchangeLimits.triangles)
    throw new ExchangeProblem(`It has more than ${exchangeLimits.triangles} triangles.`);
  if (uvs === undefined) notes.add('Some faces do not say where they lie on a picture.');
  // What is mirrored by its matrix shows its inside unless it is turned round (3.7.4).
  const isMirrored = determinant(matrix) < 0;
  return triangles.map((three) => {
    const corners = three.map(corner);
    return { corners: isMirrored ? corners.reverse() : corners, material: (material ?? -1) + 1 };
  });
}

/** Triangles of a list (4), a strip (5) or a fan (6), by the order of their corners (3.7.2.1). */
function trianglesOf(order: readonly number[], mode: number): [number, number, number][] {
  const at = (i: number) => itemAt(order, i);
  if (mode === 4)
    return Array.from({ length: Math.floor(order.length / 3) }, (_, i) => [
      at(i * 3),
      at(i * 3 + 1),
      at(i * 3 + 2),
    ]);
  return Array.from({ length: Math.max(0, order.length - 2) }, (_, i) =>
    mode === 6
      ? [at(0), at(i + 1), at(i + 2)]
      : i % 2
        ? [at(i + 1), at(i), at(i + 2)]
        : [at(i), at(i + 1), at(i + 2)],
  );
}

/** The materials, the first one for faces without any. */
function readMaterials({ gltf, buffers, notes }: Reading): Material[] {
  const plain: Material = { name: 'face', alphaMode: 'opaque', alphaCutoff: 0.5, tint: [1, 1, 1] };
  return [
    plain,
    ...(gltf.materials ?? []).map((material, i): Material => {
      const { baseColorTexture, baseColorFactor } = material.pbrMetallicRoughness ?? {};
      const source = gltf.textures?.[baseColorTexture?.index ?? -1]?.source;
      const image = source === undefined ? undefined : gltf.images?.[source];
      const name = material.name ?? `material ${i + 1}`;
      const picture = image && readPicture(image, name, buffers, notes);
      const [red = 1, green = 1, blue = 1] = baseColorFactor ?? [];
      return {
        name,
        ...(picture && { picture }),
        alphaMode: ({ OPAQUE: 'opaque', MASK: 'mask', BLEND: 'blend' } as const)[
          material.alphaMode ?? 'OPAQUE'
        ],
        alphaCutoff: material.alphaCutoff ?? 0.5,
        tint: [red, green, blue],
      };
    }),
  ];
}

function readPicture(
  image: NonNullable<Gltf['images']>[number],
  material: string,
  buffers: Buffers,
  notes: Set<string>,
): Material['picture'] {
  const bytes =
    image.bufferView === undefined
      ? buffers.bytesOf(image.uri ?? '')
      : buffers.view(image.bufferView);
  const name = image.name ?? material;
  if (!bytes) notes.add(`The picture of ${material} is not beside it, so its slot is open.`);
  else if (bytes.length > exchangeLimits.pictureBytes)
    notes.add(`The picture of ${material} is larger than 8 MB, so its slot is open.`);
  else if (bytes[0] !== 0x89 || bytes[1] !== 0x50)
    notes.add(`The picture of ${material} is no PNG, so its slot is open.`);
  else return { name, bytes };
  return undefined;
}

/** Translation, rotation and scale as one matrix (3.5.2). */
function matrixOf({
  translation: [tx = 0, ty = 0, tz = 0] = [],
  rotation: [x = 0, y = 0, z = 0, w = 1] = [],
  scale: [sx = 1, sy = 1, sz = 1] = [],
}: {
  translation?: readonly number[];
  rotation?: readonly number[];
  scale?: readonly number[];
}): Matrix {
  return [
    (1 - 2 * (y * y + z * z)) * sx,
    2 * (x * y + z * w) * sx,
    2 * (x * z - y * w) * sx,
    0,
    2 * (x * y - z * w) * sy,
    (1 - 2 * (x * x + z * z)) * sy,
    2 * (y * z + x * w) * sy,
    0,
    2 * (x * z + y * w) * sz,
    2 * (y * z - x * w) * sz,
    (1 - 2 * (x * x + y * y)) * sz,
    0,
    tx,
    ty,
    tz,
    1,
  ];
}

const times = (a: Matrix, b: Matrix): Matrix =>
  Array.from({ length: 16 }, (_, i) => {
    const [row, column] = [i % 4, Math.floor(i / 4)];
    let sum = 0;
    for (let k = 0; k < 4; k += 1) sum += itemAt(a, k * 4 + row) * itemAt(b, column * 4 + k);
    return sum;
  });

function moved(matrix: Matrix, [x = 0, y = 0, z = 0]: readonly number[]): Vec3 {
  const at = (row: number) =>
    itemAt(matrix, row) * x +
    itemAt(matrix, 4 + row) * y +
    itemAt(matrix, 8 + row) * z +
    itemAt(matrix, 12 + row);
  return [at(0), at(1), at(2)];
}

function determinant(m: Matrix): number {
  const at = (column: number, row: number) => itemAt(m, column * 4 + row);
  return (
    at(0, 0) * (at(1, 1) * at(2, 2) - at(2, 1) * at(1, 2)) -
    at(1, 0) * (at(0, 1) * at(2, 2) - at(2, 1) * at(0, 2)) +
    at(2, 0) * (at(0, 1) * at(1, 2) - at(1, 1) * at(0, 2))
  );
}
