import { itemAt } from '../lists/index.ts';
import { cross, vector, type Vec3 } from '../space/index.ts';
import type { Face, Material, Part, Scene } from './scene.ts';

/** What glTF 2.0 calls these numbers: component types, targets, filters. */
const gl = { float: 5126, unsignedShort: 5123, array: 34962, elements: 34963, nearest: 9728 };

interface Accessor {
  bufferView: number;
  componentType: number;
  count: number;
  type: 'SCALAR' | 'VEC2' | 'VEC3';
  min?: number[];
  max?: number[];
}

/** The binary part of the file while it is put together, each piece at a multiple of four. */
class Binary {
  readonly views: { buffer: 0; byteOffset: number; byteLength: number; target?: number }[] = [];
  readonly accessors: Accessor[] = [];
  private readonly pieces: Uint8Array[] = [];
  length = 0;

  /** Adds bytes; gives the number of their view. */
  view(bytes: Uint8Array, target?: number): number {
    const byteOffset = this.length;
    this.views.push({
      buffer: 0,
      byteOffset,
      byteLength: bytes.length,
      ...(target !== undefined && { target }),
    });
    const padded = new Uint8Array(Math.ceil(bytes.length / 4) * 4);
    padded.set(bytes);
    this.pieces.push(padded);
    this.length += padded.length;
    return this.views.length - 1;
  }

  /** Adds vectors of numbers; gives the number of their accessor. */
  floats(values: readonly (readonly number[])[], isBounded = false): number {
    const data = new DataView(new ArrayBuffer(values.flat().length * 4));
    values.flat().forEach((value, i) => data.setFloat32(i * 4, value, true));
    const size = values[0]?.length ?? 0;
    const bound = (of: (...all: number[]) => number) =>
      Array.from({ length: size }, (_, i) =>
        Math.fround(of(...values.map((one) => itemAt(one, i)))),
      );
    this.accessors.push({
      bufferView: this.view(new Uint8Array(data.buffer), gl.array),
      componentType: gl.float,
      count: values.length,
      type: size === 2 ? 'VEC2' : 'VEC3',
      ...(isBounded && { min: bound(Math.min), max: bound(Math.max) }),
    });
    return this.accessors.length - 1;
  }

  indices(values: readonly number[]): number {
    const data = new DataView(new ArrayBuffer(values.length * 2));
    values.forEach((value, i) => data.setUint16(i * 2, value, true));
    this.accessors.push({
      bufferView: this.view(new Uint8Array(data.buffer), gl.elements),
      componentType: gl.unsignedShort,
      count: values.length,
      type: 'SCALAR',
    });
    return this.accessors.length - 1;
  }

  bytes(): Uint8Array {
    const all = new Uint8Array(this.length);
    let at = 0;
    for (const piece of this.pieces) {
      all.set(piece, at);
      at += piece.length;
    }
    return all;
  }
}

/**
 * A scene as a binary glTF 2.0 file (Khronos, *glTF 2.0 Specification*, 4.4): every part a node
 * with a mesh, groups as nodes around them, pictures inside, sampled without smoothing.
 */
export function writeGlb(scene: Scene): Uint8Array {
  const binary = new Binary();
  const pictures = scene.materials.flatMap(({ picture }) => picture ?? []);
  const images = pictures.map(({ name, bytes }) => ({
    name,
    mimeType: 'image/png',
    bufferView: binary.view(bytes),
  }));
  const meshes = scene.parts.map((part) => meshOf(part, binary));
  const { nodes, roots } = nodesOf(scene);
  const json = {
    asset: { version: '2.0', generator: 'Obrank' },
    scene: 0,
    scenes: [{ name: scene.name, ...(roots.length && { nodes: roots }) }],
    ...(nodes.length && { nodes }),
    ...(meshes.length && { meshes }),
    ...(scene.materials.length && { materials: materialsOf(scene.materials) }),
    ...(images.length && {
      images,
      textures: images.map((_, source) => ({ source, sampler: 0 })),
      samplers: [{ magFilter: gl.nearest, minFilter: gl.nearest }],
    }),
    ...(binary.accessors.length && { accessors: binary.accessors }),
    ...(binary.length && {
      bufferViews: binary.views,
      buffers: [{ byteLength: binary.length }],
    }),
  };
  return container(new TextEncoder().encode(JSON.stringify(json)), binary.bytes());
}

/** Nodes of parts, each in the node of its group, with the box that it is as an extra. */
function nodesOf({ parts }: Scene): { nodes: object[]; roots: number[] } {
  interface Node {
    name: string;
    mesh?: number;
    children?: number[];
    extras?: object;
  }
  const nodes: Node[] = parts.map(({ name, box }, mesh) => ({
    name,
    mesh,
    ...(box && { extras: { box } }),
  }));
  const roots: number[] = [];
  const groups = new Map<string, number[]>();
  parts.forEach(({ group }, i) => {
    if (group === undefined) return void roots.push(i);
    const known = groups.get(group);
    if (known) return void known.push(i);
    const children = [i];
    groups.set(group, children);
    roots.push(nodes.length);
    nodes.push({ name: group, children });
  });
  return { nodes, roots };
}

/** A part as a mesh, its faces of one material together. */
function meshOf({ name, faces }: Part, binary: Binary): object {
  const materials = [...new Set(faces.map(({ material }) => material))];
  return {
    name,
    primitives: materials.map((material) => {
      const own = faces.filter((face) => face.material === material);
      const corners = own.flatMap((face) =>
        face.corners.map(({ at, uv }) => ({ at, uv, normal: normalOf(face) })),
      );
      let first = 0;
      const indices = own.flatMap((face) => {
        const from = first;
        first += face.corners.length;
        return face.corners.slice(2).flatMap((_, i) => [from, from + i + 1, from + i + 2]);
      });
      return {
        attributes: {
          POSITION: binary.floats(
            corners.map(({ at }) => at),
            true,
          ),
          NORMAL: binary.floats(corners.map(({ normal }) => normal)),
          TEXCOORD_0: binary.floats(corners.map(({ uv }) => uv)),
        },
        indices: binary.indices(indices),
        material,
      };
    }),
  };
}

/** The unit normal of a face, by its first three corners. */
export function normalOf({ corners }: Face): Vec3 {
  const [a, b, c] = [0, 1, 2].map((i) => itemAt(corners, i).at) as [Vec3, Vec3, Vec3];
  const normal = cross(
    vector((axis) => b[axis] - a[axis]),
    vector((axis) => c[axis] - a[axis]),
  );
  const length = Math.hypot(...normal) || 1;
  return vector((axis) => normal[axis] / length);
}

function materialsOf(materials: readonly Material[]): object[] {
  let pictures = 0;
  return materials.map(({ name, picture, alphaMode, alphaCutoff, tint }) => ({
    name,
    pbrMetallicRoughness: {
      ...(picture && { baseColorTexture: { index: pictures++ } }),
      ...(tint.some((value) => value !== 1) && { baseColorFactor: [...tint, 1] }),
      metallicFactor: 0,
      roughnessFactor: 1,
    },
    ...(alphaMode !== 'opaque' && { alphaMode: alphaMode.toUpperCase() }),
    ...(alphaMode === 'mask' && alphaCutoff !== 0.5 && { alphaCutoff }),
  }));
}

/** The file around the two parts: a header, the JSON padded with blanks, the rest with zeros. */
function container(json: Uint8Array, binary: Uint8Array): Uint8Array {
  const text = new Uint8Array(Math.ceil(json.length / 4) * 4).fill(0x20);
  text.set(json);
  const chunks = binary.length ? [text, binary] : [text];
  const length = 12 + chunks.reduce((sum, chunk) => sum + 8 + chunk.length, 0);
  const file = new Uint8Array(length);
  const data = new DataView(file.buffer);
  data.setUint32(0, 0x46546c67, true);
  data.setUint32(4, 2, true);
  data.setUint32(8, length, true);
  let at = 12;
  chunks.forEach((chunk, i) => {
    data.setUint32(at, chunk.length, true);
    data.setUint32(at + 4, i === 0 ? 0x4e4f534a : 0x004e4942, true);
    file.set(chunk, at + 8);
    at += 8 + chunk.length;
  });
  return file;
}
