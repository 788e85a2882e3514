import { applyPalette, GIFEncoder, quantize } from 'gifenc';
import type { Moving } from '../../core/textures/frames/index.ts';
import type { Pixels } from '../../core/textures/index.ts';

type Rgba = [number, number, number, number];
/** So many colours a frame of a GIF has, the clear one included. */
const mostColours = 256;

/**
 * A moving picture as a GIF that plays again and again. A frame of up to 255 colours keeps each of
 * them; of more, those that are nearest. What is half clear is clear or solid: a GIF knows no other.
 */
export function writeGif({ frames, seconds }: Moving): Uint8Array {
  const gif = GIFEncoder();
  frames.forEach((frame, i) => {
    const { index, palette } = indexed(frame);
    const clear = palette.findIndex(([, , , alpha]) => alpha === 0);
    gif.writeFrame(index, frame.width, frame.height, {
      palette,
      delay: (seconds[i] ?? 0) * 1000,
      transparent: clear >= 0,
      transparentIndex: Math.max(0, clear),
      // Each frame stands alone: what was there before it is cleared.
      dispose: 2,
    });
  });
  gif.finish();
  return gif.bytes();
}

/** A frame as numbers of a palette. */
function indexed({ data }: Pixels): { index: Uint8Array; palette: Rgba[] } {
  const rgba = data.map((byte, at) => {
    const isSolid = data[at | 3]! >= 128;
    return at % 4 === 3 ? (isSolid ? 255 : 0) : isSolid ? byte : 0;
  });
  const numbers = new Map<number, number>();
  const palette: Rgba[] = [];
  const index = new Uint8Array(rgba.length / 4);
  const words = new Uint32Array(rgba.buffer);
  for (const [i, word] of words.entries()) {
    let number = numbers.get(word);
    if (number === undefined) {
      if (palette.length === mostColours) return quantized(rgba);
      number = palette.length;
      numbers.set(word, number);
      const at = i * 4;
      palette.push([rgba[at]!, rgba[at + 1]!, rgba[at + 2]!, rgba[at + 3]!]);
    }
    index[i] = number;
  }
  return { index, palette };
}

function quantized(rgba: Uint8Array): { index: Uint8Array; palette: Rgba[] } {
  const palette = quantize(rgba, mostColours, { format: 'rgba4444', oneBitAlpha: true });
  return { index: applyPalette(rgba, palette, 'rgba4444'), palette };
}
