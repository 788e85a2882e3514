import type { Beside } from './obj-read.ts';
import { exchangeLimits, ExchangeProblem } from './scene.ts';
import type { Gltf, GltfFile } from './gltf-json.ts';

const componentBytes: Readonly<Record<number, number>> = {
  5120: 1,
  5121: 1,
  5122: 2,
  5123: 2,
  5125: 4,
  5126: 4,
};
const typeSizes: Readonly<Record<string, number>> = { SCALAR: 1, VEC2: 2, VEC3: 3, VEC4: 4 };

/** Reads numbers and bytes out of the buffers of a glTF file. */
export class Buffers {
  private readonly known = new Map<number, Uint8Array>();
  private readonly gltf: Gltf;
  private readonly binary: Uint8Array | undefined;
  private readonly beside: Beside;

  constructor({ gltf, binary }: GltfFile, beside: Beside) {
    this.gltf = gltf;
    this.binary = binary;
    this.beside = beside;
  }

  /** The bytes of an address in the file: data in the address itself, or a file beside it. */
  bytesOf(uri: string): Uint8Array | undefined {
    const data = /^data:[^,]*;base64,/.exec(uri);
    if (!data) return this.beside(safeName(uri));
    try {
      return Uint8Array.from(atob(uri.slice(data[0].length)), (letter) => letter.charCodeAt(0));
    } catch {
      throw new ExchangeProblem('Data inside the file is not well-formed base64.');
    }
  }

  /** The bytes that a view shows of its buffer. */
  view(index: number): Uint8Array {
    const view = this.gltf.bufferViews?.[index];
    if (!view) throw new ExchangeProblem(`It names view ${index}, which is not there.`);
    const bytes = this.buffer(view.buffer);
    const from = view.byteOffset ?? 0;
    if (from + view.byteLength > bytes.length)
      throw new ExchangeProblem('A view reaches beyond its data: the file is cut off or damaged.');
    return bytes.subarray(from, from + view.byteLength);
  }

  /** The vectors of an accessor; normalised whole numbers become 0 to 1. */
  vectors(index: number, size: number): number[][] {
    const accessor = this.gltf.accessors?.[index];
    if (!accessor) throw new ExchangeProblem(`It names accessor ${index}, which is not there.`);
    const { componentType, count, normalized = false } = accessor;
    const width = componentBytes[componentType];
    if (width === undefined || typeSizes[accessor.type] !== size)
      throw new ExchangeProblem(`Accessor ${index} is not of a kind that glTF allows there.`);
    if (count > exchangeLimits.vertices * 3)
      throw new ExchangeProblem(`It has more than ${exchangeLimits.vertices} corners.`);
    if (accessor.sparse !== undefined)
      throw new ExchangeProblem(
        'It stores numbers sparsely, which is not read. Export it plainly.',
      );
    // Without a view all numbers are zero (5.1.1).
    if (accessor.bufferView === undefined)
      return Array.from({ length: count }, () => new Array<number>(size).fill(0));
    const bytes = this.view(accessor.bufferView);
    const stride = this.gltf.bufferViews?.[accessor.bufferView]?.byteStride || width * size;
    const from = accessor.byteOffset ?? 0;
    if (count > 0 && from + stride * (count - 1) + width * size > bytes.length)
      throw new ExchangeProblem('Numbers reach beyond their data: the file is cut off or damaged.');
    const data = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
    return Array.from({ length: count }, (_, i) =>
      Array.from({ length: size }, (__, n) => {
        const value = readNumber(data, from + i * stride + n * width, componentType);
        return normalized ? unit(value, componentType) : value;
      }),
    );
  }

  private buffer(index: number): Uint8Array {
    const before = this.known.get(index);
    if (before) return before;
    const buffer = this.gltf.buffers?.[index];
    if (!buffer) throw new ExchangeProblem(`It names buffer ${index}, which is not there.`);
    const bytes = buffer.uri === undefined ? this.binary : this.bytesOf(buffer.uri);
    if (!bytes)
      throw new ExchangeProblem(
        buffer.uri === undefined
          ? 'The file is cut off: its binary part is missing.'
          : `The file ${safeName(buffer.uri)} belongs to it and is not beside it.`,
      );
    this.known.set(index, bytes);
    return bytes;
  }
}

/** The last part of an address: files beside a model, never elsewhere. */
const safeName = (uri: string): string => {
  try {
    return decodeURIComponent(uri).split(/[\\/]/).at(-1)?.slice(0, 200) ?? '';
  } catch {
    return '';
  }
};

function readNumber(data: DataView, at: number, type: number): number {
  switch (type) {
    case 5120:
      return data.getInt8(at);
    case 5121:
      return data.getUint8(at);
    case 5122:
      return data.getInt16(at, true);
    case 5123:
      return data.getUint16(at, true);
    case 5125:
      return data.getUint32(at, true);
    default:
      return data.getFloat32(at, true);
  }
}

/** A whole number as a share of the largest of its kind (3.6.2.2). */
function unit(value: number, type: number): number {
  const most = { 5120: 127, 5121: 255, 5122: 32_767, 5123: 65_535 }[type] ?? 1;
  return Math.max(-1, value / most);
}
