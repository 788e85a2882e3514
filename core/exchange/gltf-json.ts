import { z } from 'zod';
import { exchangeLimits, ExchangeProblem } from './scene.ts';

const index = z.number().int().min(0);
const vec = (size: number) => z.array(z.number()).length(size);
const point = z.tuple([z.number(), z.number(), z.number()]);
/** What we write beside a part. Extras of others are nothing to us. */
const Extras = z.object({
  box: z.object({ corner: point, edges: z.tuple([point, point, point]) }),
});

/** The parts of a glTF 2.0 file that are read (Khronos, *glTF 2.0 Specification*, 5). */
const Gltf = z.object({
  asset: z.object({ version: z.string() }),
  extensionsRequired: z.array(z.string()).optional(),
  scene: index.optional(),
  scenes: z.array(z.object({ nodes: z.array(index).optional() })).optional(),
  nodes: z
    .array(
      z.object({
        name: z.string().max(500).optional(),
        children: z.array(index).optional(),
        mesh: index.optional(),
        skin: index.optional(),
        matrix: vec(16).optional(),
        translation: vec(3).optional(),
        rotation: vec(4).optional(),
        scale: vec(3).optional(),
        extras: Extras.optional().catch(undefined),
      }),
    )
    .max(exchangeLimits.parts * 4)
    .optional(),
  meshes: z
    .array(
      z.object({
        name: z.string().max(500).optional(),
        primitives: z.array(
          z.object({
            attributes: z.record(z.string(), index),
            indices: index.optional(),
            material: index.optional(),
            mode: z.number().int().optional(),
            targets: z.array(z.unknown()).optional(),
          }),
        ),
      }),
    )
    .optional(),
  materials: z
    .array(
      z.object({
        name: z.string().max(500).optional(),
        pbrMetallicRoughness: z
          .object({
            baseColorTexture: z.object({ index, texCoord: index.optional() }).optional(),
            baseColorFactor: vec(4).optional(),
          })
          .optional(),
        alphaMode: z.enum(['OPAQUE', 'MASK', 'BLEND']).optional(),
        alphaCutoff: z.number().optional(),
      }),
    )
    .optional(),
  textures: z.array(z.object({ source: index.optional() })).optional(),
  images: z
    .array(
      z.object({
        name: z.string().max(500).optional(),
        uri: z.string().optional(),
        mimeType: z.string().optional(),
        bufferView: index.optional(),
      }),
    )
    .optional(),
  accessors: z
    .array(
      z.object({
        bufferView: index.optional(),
        byteOffset: index.optional(),
        componentType: z.number().int(),
        normalized: z.boolean().optional(),
        count: index,
        type: z.string(),
        sparse: z.unknown().optional(),
      }),
    )
    .optional(),
  bufferViews: z
    .array(
      z.object({
        buffer: index,
        byteOffset: index.optional(),
        byteLength: index,
        byteStride: index.optional(),
      }),
    )
    .optional(),
  buffers: z.array(z.object({ uri: z.string().optional(), byteLength: index })).optional(),
  animations: z.array(z.unknown()).optional(),
  skins: z.array(z.unknown()).optional(),
});
export type Gltf = z.output<typeof Gltf>;

/** A glTF file taken apart: what it says, and the binary part of a GLB. */
export interface GltfFile {
  gltf: Gltf;
  binary: Uint8Array | undefined;
}

/**
 * Takes a `.glb` or a `.gltf` apart. Throws an {@link ExchangeProblem} where it is neither, is cut
 * off, or does not say what the specification asks for.
 */
export function openGltf(bytes: Uint8Array): GltfFile {
  if (bytes.length > exchangeLimits.bytes)
    throw new ExchangeProblem('The file is larger than 32 MB.');
  const data = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const isBinary = bytes.length >= 12 && data.getUint32(0, true) === 0x46546c67;
  const { json, binary } = isBinary ? chunksOf(bytes, data) : { json: bytes, binary: undefined };
  let value: unknown;
  try {
    value = JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(json));
  } catch {
    throw new ExchangeProblem('The file is no glTF: what should be its description is no JSON.');
  }
  const read = Gltf.safeParse(value);
  if (!read.success) {
    const [issue] = read.error.issues;
    const place = issue?.path.join('/') ?? '';
    throw new ExchangeProblem(
      `The file is no glTF 2.0: ${place ? `at ${place}, ` : ''}${issue?.message ?? 'unreadable'}.`,
    );
  }
  if (!read.data.asset.version.startsWith('2.'))
    throw new ExchangeProblem(`It is glTF ${read.data.asset.version.slice(0, 20)}; 2.0 is read.`);
  return { gltf: read.data, binary };
}

function chunksOf(
  bytes: Uint8Array,
  data: DataView,
): { json: Uint8Array; binary: Uint8Array | undefined } {
  if (data.getUint32(4, true) !== 2)
    throw new ExchangeProblem(`It is glTF ${data.getUint32(4, true)}; 2.0 is read.`);
  if (data.getUint32(8, true) > bytes.length)
    throw new ExchangeProblem('The file is cut off: it says that it is longer than it is.');
  const chunks: Uint8Array[] = [];
  for (let at = 12; at + 8 <= bytes.length && chunks.length < 2;) {
    const length = data.getUint32(at, true);
    if (at + 8 + length > bytes.length)
      throw new ExchangeProblem('The file is cut off in the middle of a part.');
    chunks.push(bytes.subarray(at + 8, at + 8 + length));
    at += 8 + length + ((4 - (length % 4)) % 4);
  }
  const [json, binary] = chunks;
  if (!json) throw new ExchangeProblem('The file is cut off: it has no description.');
  return { json, binary };
}
