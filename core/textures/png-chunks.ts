import { crc32 } from '../bytes/index.ts';
import { PictureProblem } from './problem.ts';

/** The kinds of pixels that a PNG may hold. */
export const pngKinds = { grey: 0, colour: 2, palette: 3, greyAlpha: 4, colourAlpha: 6 } as const;
const depthsOf: Readonly<Record<number, readonly number[]>> = {
  0: [1, 2, 4, 8, 16],
  2: [8, 16],
  3: [1, 2, 4, 8],
  4: [8, 16],
  6: [8, 16],
};

/** The parts of a PNG that make its pixels; everything else in the file is left unread. */
export interface PngParts {
  width: number;
  height: number;
  /** Bits of a sample. */
  depth: number;
  kind: number;
  isInterlaced: boolean;
  /** Colours of the palette, three bytes each. */
  palette?: Uint8Array;
  /**
   * What is clear: an alpha for each colour of the palette, or one colour in samples of two bytes.
   */
  clear?: Uint8Array;
  /** The compressed pixels, in pieces. */
  data: Uint8Array[];
}

/** Larger pictures are refused before anything is unpacked. */
export const maxPictureSide = 4096;
const signature = [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a];
const cutShort = 'The PNG is cut short: its end is missing.';

/**
 * Walks the chunks of a PNG (ISO/IEC 15948, 5.3) without unpacking any. Profiles, texts and other
 * additions are passed over, however large they claim to be; a part that is marked as needed and is
 * not known is refused. Throws a {@link PictureProblem}.
 */
export function readPngParts(bytes: Uint8Array): PngParts {
  if (bytes.length < 8 || signature.some((byte, i) => bytes[i] !== byte))
    throw new PictureProblem(
      'This is not a PNG: its first bytes are those of another kind of file.',
    );
  if (bytes.length < 33)
    throw new PictureProblem('The PNG is cut short: it ends inside its header.');
  let parts: PngParts | undefined;
  for (const { type, body, isWhole } of chunksOf(bytes)) {
    if (!parts) parts = headOf(type, body);
    else if (type === 'IEND') return finished(parts);
    else if (type === 'PLTE') parts.palette = body;
    else if (type === 'tRNS') parts.clear = body;
    else if (type === 'IDAT') parts.data.push(body);
    else if (isNeeded(type))
      throw new PictureProblem(
        `The PNG holds a part called ${type}, without which it cannot be shown and which is ` +
          'not known here.',
      );
    else continue;
    if (!isWhole())
      throw new PictureProblem(`The PNG is damaged: the checksum of its part ${type} is wrong.`);
  }
  throw new PictureProblem(cutShort);
}

/** A part whose name begins with a capital is needed (5.4). */
const isNeeded = (type: string): boolean => /^[A-Z]/.test(type);

/** A part of a PNG: its name, what it holds, and all of its bytes. */
export interface PngChunk {
  type: string;
  body: Uint8Array;
  all: Uint8Array;
  /** Whether its checksum is right. */
  isWhole: () => boolean;
}

/** The parts of a PNG after its signature, one after the other. Throws a {@link PictureProblem}. */
export function* chunksOf(bytes: Uint8Array): Generator<PngChunk> {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  for (let at = 8; at + 12 <= bytes.length;) {
    const [start, length] = [at, view.getUint32(at)];
    const type = String.fromCharCode(...bytes.subarray(at + 4, at + 8));
    if (!/^[A-Za-z]{4}$/.test(type))
      throw new PictureProblem('The PNG is damaged: one of its parts has no name.');
    if (at + 12 + length > bytes.length) throw new PictureProblem(cutShort);
    yield {
      type,
      body: bytes.subarray(at + 8, at + 8 + length),
      all: bytes.subarray(at, at + 12 + length),
      isWhole: () =>
        crc32(bytes.subarray(start + 4, start + 8 + length)) === view.getUint32(start + 8 + length),
    };
    at += 12 + length;
  }
}

function headOf(type: string, body: Uint8Array): PngParts {
  if (type !== 'IHDR' || body.length !== 13)
    throw new PictureProblem('The PNG is damaged: it does not begin with its header.');
  const view = new DataView(body.buffer, body.byteOffset, body.byteLength);
  const [width, height] = [view.getUint32(0), view.getUint32(4)];
  const [depth = 0, kind = 0, compression, filter, interlace = 0] = body.subarray(8);
  if (width === 0 || height === 0) throw new PictureProblem('The PNG has no width or no height.');
  if (width > maxPictureSide || height > maxPictureSide)
    throw new PictureProblem(
      `The PNG is ${width} × ${height} texels; at most ${maxPictureSide} × ` +
        `${maxPictureSide} are read.`,
    );
  if (!depthsOf[kind]?.includes(depth))
    throw new PictureProblem(
      `The PNG has colour type ${kind} with ${depth} bits, which the standard does not know.`,
    );
  if (compression !== 0 || filter !== 0 || interlace > 1)
    throw new PictureProblem('The PNG is packed in a way that the standard does not know.');
  return { width, height, depth, kind, isInterlaced: interlace === 1, data: [] };
}

function finished(parts: PngParts): PngParts {
  const { kind, depth, palette, clear } = parts;
  if (kind === pngKinds.palette) {
    if (!palette) throw new PictureProblem('The PNG counts its colours by a palette and has none.');
    if (palette.length === 0 || palette.length % 3 !== 0 || palette.length / 3 > 2 ** depth)
      throw new PictureProblem('The PNG is damaged: its palette has a length that cannot be.');
    if (clear && clear.length > palette.length / 3)
      throw new PictureProblem(
        'The PNG is damaged: it makes more colours clear than its palette has.',
      );
  }
  const isShort = (clear?.length ?? 0) < (kind === pngKinds.grey ? 2 : 6);
  if (clear && isShort && (kind === pngKinds.grey || kind === pngKinds.colour))
    throw new PictureProblem('The PNG is damaged: it does not say which colour is clear.');
  return parts;
}
