import { lookUp } from '../json/index.ts';
import type { SoundFacts } from './facts.ts';
import { latin, SoundProblem, viewOf } from './problem.ts';

/** So many samples in a row at full scale count as clipping. */
const clippedRun = 3;

/**
 * What programs write into a pipe, where they cannot know how much will follow: sizes from here on,
 * and none at all.
 */
const unknownFrom = 0x7fff0000;

/**
 * How many bytes of samples there are: as many as are said or, where that is not known, the rest of
 * the file.
 */
function sampleBytes(said: number, left: number): number {
  if (said >= unknownFrom || said === 0) return left;
  if (said > left)
    throw new SoundProblem(
      `The WAV file is cut short: it promises ${said.toLocaleString('en')} bytes of samples ` +
        `and has ${left.toLocaleString('en')}.`,
    );
  return said;
}

/**
 * A WAV file: chunks of which "fmt " and "data" count (Multimedia Programming Interface 1.0, IBM
 * and Microsoft, 1991).
 */
export function readWav(bytes: Uint8Array): SoundFacts {
  const view = viewOf(bytes);
  let format: { kind: number; channels: number; rate: number; bits: number } | undefined;
  for (let at = 12; at + 8 <= bytes.length;) {
    const [id, size] = [latin(bytes, at, 4), view.getUint32(at + 4, true)];
    const from = at + 8;
    if (id === 'fmt ') {
      if (size < 16 || from + 16 > bytes.length)
        throw new SoundProblem('The WAV file is cut short in its description.');
      const kind = view.getUint16(from, true);
      // The extensible form keeps the real kind of samples further on.
      format = {
        kind:
          kind === 0xfffe && size >= 26 && from + 26 <= bytes.length
            ? view.getUint16(from + 24, true)
            : kind,
        channels: view.getUint16(from + 2, true),
        rate: view.getUint32(from + 4, true),
        bits: view.getUint16(from + 14, true),
      };
    } else if (id === 'data') {
      if (!format)
        throw new SoundProblem('The WAV file has samples but does not say first what they are.');
      return wavFacts(view, from, sampleBytes(size, bytes.length - from), format);
    }
    at = from + size + (size & 1);
  }
  throw new SoundProblem('The WAV file has no samples.');
}

function wavFacts(
  view: DataView,
  from: number,
  size: number,
  { kind, channels, rate, bits }: { kind: number; channels: number; rate: number; bits: number },
): SoundFacts {
  const wide = bits / 8;
  const read: Record<string, (at: number) => number> = {
    '1 8': (offset) => (view.getUint8(offset) - 128) / 127,
    '1 16': (offset) => view.getInt16(offset, true) / 32_767,
    '1 24': (offset) =>
      ((view.getInt8(offset + 2) << 16) | view.getUint16(offset, true)) / 8_388_607,
    '1 32': (offset) => view.getInt32(offset, true) / 2_147_483_647,
    '3 32': (offset) => view.getFloat32(offset, true),
    '3 64': (offset) => view.getFloat64(offset, true),
  };
  const sample = lookUp(read, `${kind} ${bits}`);
  if (!sample)
    throw new SoundProblem(
      `The WAV file holds samples of kind ${kind} with ${bits} bits; whole numbers of 8 to ` +
        '32 bits and fractions of 32 or 64 bits can be read.',
    );
  if (channels === 0 || rate === 0)
    throw new SoundProblem('The WAV file says that it has no channels or no rate.');
  const frames = Math.floor(size / (wide * channels));
  if (frames === 0) throw new SoundProblem('The WAV file has no samples.');
  let peak = 0;
  let clipped = false;
  for (let channel = 0; channel < channels; channel += 1) {
    let run = 0;
    for (let frame = 0; frame < frames; frame += 1) {
      const height = Math.abs(sample(from + (frame * channels + channel) * wide));
      if (height > peak) peak = height;
      run = height >= 1 ? run + 1 : 0;
      if (run >= clippedRun) clipped = true;
    }
  }
  return {
    format: 'wav',
    seconds: frames / rate,
    channels,
    rate,
    peak: Math.min(1, peak),
    clipped,
  };
}
