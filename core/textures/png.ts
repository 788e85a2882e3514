import { decode, encode } from 'fast-png';
import { Inflate } from 'fflate';
import type { Picture } from '../mod/entries.schema.ts';

/** A picture as RGBA, eight bits a channel, rows from the top. */
export interface Pixels { width: number; height: number; data: Uint8Array }

/** Why a file was refused as a picture, in one sentence. */
export class PictureProblem extends Error {
  override name = 'PictureProblem';
}

/** Larger pictures are refused before anything is unpacked. */
export const mostPictureSide = 4096;
const signature = [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a];
const channelsOf: Record<number, number> = { 0: 1, 2: 3, 3: 1, 4: 2, 6: 4 };

/**
 * Reads a PNG (ISO/IEC 15948) to RGBA. Size and unpacked length are checked before memory is taken.
 * Throws a {@link PictureProblem} that says why a file is refused.
 */
export function decodePicture(bytes: Uint8Array): Pixels {
  const { width, height } = checkHead(bytes);
  let png;
  try {
    png = decode(bytes, { checkCrc: true });
  } catch (error) {
    throw new PictureProblem(`The PNG is damaged: ${(error as Error).message.replace(/\.$/, '')}.`);
  }
  const data = new Uint8Array(width * height * 4);
  const scale = png.depth === 16 ? 257 : 255 / (2 ** Math.min(8, png.depth) - 1);
  const total = width * height;
  for (let i = 0; i < total; i += 1) {
    const from = i * png.channels;
    const at = (channel: number) => Math.round(png.depth === 16 ? png.data[from + channel]! / scale : png.data[from + channel]! * scale);
    let rgba: readonly number[];
    if (png.palette) {
      const colour = png.palette[sample(png.data, png.depth, i, width)] ?? [0, 0, 0];
      rgba = [colour[0]!, colour[1]!, colour[2]!, colour[3] ?? 255];
    } else if (png.channels >= 3) rgba = [at(0), at(1), at(2), png.channels === 4 ? at(3) : clearIf(png, from, 3)];
    else if (png.depth < 8) {
      const grey = Math.round(sample(png.data, png.depth, i, width) * scale);
      rgba = [grey, grey, grey, 255];
    } else rgba = [at(0), at(0), at(0), png.channels === 2 ? at(1) : clearIf(png, from, 1)];
    data.set(rgba, i * 4);
  }
  return { width, height, data };
}

/** One sample of a picture with fewer than eight bits a sample: rows begin on whole bytes. */
function sample(data: ArrayLike<number>, depth: number, index: number, width: number): number {
  if (depth >= 8) return data[index]!;
  const row = Math.floor(index / width);
  const bit = (index % width) * depth;
  const byte = data[row * Math.ceil((width * depth) / 8) + (bit >> 3)] ?? 0;
  return (byte >> (8 - depth - (bit & 7))) & (2 ** depth - 1);
}

/** The alpha of a sample where one colour is named as clear. */
function clearIf(png: { transparency?: Uint16Array; data: ArrayLike<number> }, from: number, channels: number): number {
  const clear = png.transparency;
  if (!clear) return 255;
  for (let i = 0; i < channels; i += 1) if (png.data[from + i] !== clear[i]) return 255;
  return 0;
}

function checkHead(bytes: Uint8Array): { width: number; height: number } {
  if (bytes.length < 8 || signature.some((byte, i) => bytes[i] !== byte)) throw new PictureProblem('This is not a PNG: its first bytes are those of another kind of file.');
  if (bytes.length < 33) throw new PictureProblem('The PNG is cut short: it ends inside its header.');
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const [width, height, depth, colour, interlaced] = [view.getUint32(16), view.getUint32(20), view.getUint8(24), view.getUint8(25), view.getUint8(28)];
  if (width === 0 || height === 0) throw new PictureProblem('The PNG has no width or no height.');
  if (width > mostPictureSide || height > mostPictureSide)
    throw new PictureProblem(`The PNG is ${width} × ${height} texels; at most ${mostPictureSide} × ${mostPictureSide} are read.`);
  const channels = channelsOf[colour];
  if (!channels || ![1, 2, 4, 8, 16].includes(depth)) throw new PictureProblem(`The PNG has colour type ${colour} with ${depth} bits, which the standard does not know.`);
  if (interlaced) throw new PictureProblem('The PNG is interlaced. Save it without interlacing.');
  checkLength(bytes, view, height * (1 + Math.ceil((width * channels * depth) / 8)));
  return { width, height };
}

/** Walks the chunks and unpacks the pixels without keeping them: refuses files cut short and those that unpack to more than their size says. */
function checkLength(bytes: Uint8Array, view: DataView, expected: number): void {
  let unpacked = 0;
  const inflate = new Inflate((chunk) => {
    unpacked += chunk.length;
    if (unpacked > expected) throw new PictureProblem('The PNG unpacks to more than its size allows.');
  });
  let first = true;
  try {
    for (let at = 8; ; ) {
      if (at + 12 > bytes.length) throw new PictureProblem('The PNG is cut short: its end is missing.');
      const length = view.getUint32(at);
      const kind = String.fromCharCode(...bytes.subarray(at + 4, at + 8));
      if (at + 12 + length > bytes.length) throw new PictureProblem('The PNG is cut short: its end is missing.');
      if (kind === 'IEND') break;
      if (kind === 'IDAT') {
        // The two bytes of the zlib header are not part of the deflate stream that fflate reads.
        const data = bytes.subarray(at + 8 + (first ? 2 : 0), at + 8 + length);
        for (let i = 0; i < data.length; i += 16_384) inflate.push(data.slice(i, i + 16_384));
        first = false;
      }
      at += 12 + length;
    }
  } catch (error) {
    if (error instanceof PictureProblem) throw error;
    throw new PictureProblem('The PNG is damaged: its pixels cannot be unpacked.');
  }
  if (unpacked < expected) throw new PictureProblem('The PNG is cut short: some of its pixels are missing.');
}

/** A picture as PNG, always as RGBA. */
export const encodePicture = ({ width, height, data }: Pixels): Uint8Array => encode({ width, height, data, channels: 4, depth: 8 });

/** What inspection and the desk want to know of a picture. Colours are compared as stored (sRGB). */
export function pictureFacts(pixels: Pixels): Omit<Picture, 'sha256' | 'bytes'> {
  const { width, height, data } = pixels;
  const sum = [0, 0, 0];
  let [seen, holes, partial, coloured] = [0, 0, 0, 0];
  for (let i = 0; i < data.length; i += 4) {
    const alpha = data[i + 3]!;
    if (alpha === 0) holes += 1;
    else if (alpha < 255) partial += 1;
    if (alpha === 0) continue;
    const [r, g, b] = [data[i]!, data[i + 1]!, data[i + 2]!];
    sum[0]! += r; sum[1]! += g; sum[2]! += b;
    seen += 1;
    if (Math.max(r, g, b) - Math.min(r, g, b) > 12) coloured += 1;
  }
  const mean = `#${sum.map((total) => Math.round(total / Math.max(1, seen)).toString(16).padStart(2, '0')).join('')}`;
  return { width, height, alpha: partial ? 'partial' : holes ? 'holes' : 'none', mean, grey: coloured === 0 };
}
