import { crc32 } from '../../bytes/index.ts';
import { isIn, wholeOf, type Area } from '../painting/index.ts';
import { encodePicture, type Pixels } from '../png.ts';
import { chunksOf, readPngParts, type PngParts } from '../png-chunks.ts';
import { pixelsOf } from '../png-pixels.ts';
import { PictureProblem } from '../problem.ts';
import type { Moving } from './moving.ts';

/** So many frames of a moving picture are read. */
export const mostFrames = 1024;
/** So many texels its frames have together, at most: what one picture can hold. */
export const mostTexels = 4096 * 4096;

/** What is said of a frame (PNG, third edition, 11.3.6.2): where it goes, and how. */
interface FrameSaid extends Area {
  seconds: number;
  /** What becomes of its area afterwards: it stays, is cleared, or is as it was before. */
  after: number;
  /** Whether it lies over what is there, instead of taking its place. */
  isOver: boolean;
  data: Uint8Array[];
}

/**
 * The frames of a PNG that moves (PNG, third edition, W3C 2025, 11.3.6), each as it is seen;
 * undefined for a still one. Throws a {@link PictureProblem}.
 */
export function readApng(bytes: Uint8Array): Moving | undefined {
  const parts = readPngParts(bytes);
  const said = framesSaid(bytes);
  if (!said) return undefined;
  const whole = wholeOf({ ...parts, data: new Uint8Array() });
  if (said.length > mostFrames || said.length * parts.width * parts.height > mostTexels)
    throw new PictureProblem(
      `The picture has ${said.length} frames of ${parts.width} × ${parts.height} texels: more ` +
        'than is read.',
    );
  let canvas = new Uint8Array(parts.width * parts.height * 4);
  const frames = said.map((frame): Pixels => {
    const last = { x: frame.left + frame.width - 1, y: frame.top + frame.height - 1 };
    if (!isIn(whole, [frame.left, frame.top]) || !isIn(whole, [last.x, last.y]))
      throw new PictureProblem('The PNG is damaged: one of its frames lies outside of it.');
    const before = canvas;
    canvas = Uint8Array.from(canvas);
    layFrame(canvas, parts, frame);
    const shown = { width: parts.width, height: parts.height, data: canvas };
    if (frame.after === 2) canvas = before;
    else if (frame.after === 1) {
      canvas = Uint8Array.from(canvas);
      for (let y = 0; y < frame.height; y += 1) {
        const from = ((frame.top + y) * parts.width + frame.left) * 4;
        canvas.fill(0, from, from + frame.width * 4);
      }
    }
    return shown;
  });
  return { frames, seconds: said.map(({ seconds }) => seconds) };
}

/** What the parts of a PNG say of its frames; undefined where it does not move. */
function framesSaid(bytes: Uint8Array): FrameSaid[] | undefined {
  const frames: FrameSaid[] = [];
  let moves = false;
  for (const { type, body } of chunksOf(bytes)) {
    if (type === 'IEND') break;
    if (type === 'acTL') moves = true;
    else if (type === 'fcTL') frames.push(saidIn(body));
    // Pixels that come before the first frame are a picture for those who cannot show it moving.
    else if (type === 'IDAT') frames.at(-1)?.data.push(body);
    else if (type === 'fdAT') frames.at(-1)?.data.push(body.subarray(4));
  }
  return moves && frames.length > 0 ? frames : undefined;
}

function saidIn(body: Uint8Array): FrameSaid {
  if (body.length < 26)
    throw new PictureProblem('The PNG is damaged: what it says of a frame is cut short.');
  const view = new DataView(body.buffer, body.byteOffset, body.byteLength);
  const parts = view.getUint16(22) || 100;
  return {
    width: view.getUint32(4),
    height: view.getUint32(8),
    left: view.getUint32(12),
    top: view.getUint32(16),
    seconds: view.getUint16(20) / parts,
    after: view.getUint8(24),
    isOver: view.getUint8(25) === 1,
    data: [],
  };
}

/** Lays a frame where it goes: in the place of what is there, or over it (13.16). */
function layFrame(canvas: Uint8Array, parts: PngParts, frame: FrameSaid): void {
  const { left, top, width, height, isOver, data } = frame;
  const pixels = pixelsOf({ ...parts, width, height, data });
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) {
      const from = (y * width + x) * 4;
      const to = ((top + y) * parts.width + left + x) * 4;
      const solid = pixels[from + 3]! / 255;
      if (!isOver || solid === 1 || canvas[to + 3] === 0) {
        canvas.set(pixels.subarray(from, from + 4), to);
        continue;
      }
      if (solid === 0) continue;
      const below = (canvas[to + 3]! / 255) * (1 - solid);
      const alpha = solid + below;
      for (let part = 0; part < 3; part += 1)
        canvas[to + part] = Math.round(
          (pixels[from + part]! * solid + canvas[to + part]! * below) / alpha,
        );
      canvas[to + 3] = Math.round(alpha * 255);
    }
}

/** A moving picture as a PNG that plays again and again. Throws a RangeError without frames. */
export function writeApng({ frames, seconds }: Moving): Uint8Array {
  const [first] = frames;
  if (!first) throw new RangeError('a moving picture has at least one frame');
  const { width, height } = first;
  const out: Uint8Array[] = [];
  let number = 0;
  frames.forEach((frame, i) => {
    for (const { type, body, all } of chunksOf(encodePicture(frame))) {
      if (i === 0 && type === 'IHDR')
        out.push(all, chunk('acTL', numbers(frames.length, 0)), control());
      else if (i > 0 && type === 'IHDR') out.push(control());
      else if (i === 0 && type === 'IDAT') out.push(all);
      else if (type === 'IDAT') out.push(chunk('fdAT', joined([numbers(number++), body])));
    }
    function control(): Uint8Array {
      const thousandths = Math.max(1, Math.min(65_535, Math.round((seconds[i] ?? 0) * 1000)));
      const tail = Uint8Array.of(thousandths >> 8, thousandths & 255, 1000 >> 8, 1000 & 255, 0, 0);
      return chunk('fcTL', joined([numbers(number++, width, height, 0, 0), tail]));
    }
  });
  const signature = Uint8Array.of(0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a);
  return joined([signature, ...out, chunk('IEND', new Uint8Array())]);
}

/** Whole numbers of four bytes each, the highest byte first. */
function numbers(...all: readonly number[]): Uint8Array {
  const bytes = new Uint8Array(all.length * 4);
  const view = new DataView(bytes.buffer);
  all.forEach((one, i) => view.setUint32(i * 4, one));
  return bytes;
}

/** A part of a PNG: its length, its name, what it holds, and a checksum of both. */
function chunk(type: string, body: Uint8Array): Uint8Array {
  const named = joined([new TextEncoder().encode(type), body]);
  return joined([numbers(body.length), named, numbers(crc32(named))]);
}

function joined(parts: readonly Uint8Array[]): Uint8Array {
  const all = new Uint8Array(parts.reduce((sum, part) => sum + part.length, 0));
  let at = 0;
  for (const part of parts) {
    all.set(part, at);
    at += part.length;
  }
  return all;
}
