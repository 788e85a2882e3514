/** Why a file was refused as a sound, in one sentence. */
import { lookUp } from '../mod/index.ts';
export class SoundProblem extends Error {
  override name = 'SoundProblem';
}

/** What one wants to know of a sound before the game plays it. */
export interface SoundFacts {
  format: 'wav' | 'ogg';
  seconds: number;
  channels: number;
  /** Samples a second of each channel. */
  rate: number;
  /** The loudest sample, 0 to 1 of full scale; not told for Ogg, which would have to be decoded. */
  peak?: number;
  /** True when samples stand at full scale three times running: the top of the wave has been cut off. */
  clipped?: boolean;
}

/** So many samples in a row at full scale count as clipping. */
const clippedRun = 3;

/**
 * Reads the facts of a WAV or Ogg file (Vorbis or Opus). Throws a {@link SoundProblem} that says what is wrong with anything else.
 *
 * @example readSound(bytes) // { format: 'wav', seconds: 0.12, channels: 1, rate: 22050, peak: 0.7, clipped: false }
 */
export function readSound(bytes: Uint8Array): SoundFacts {
  const mark = latin(bytes, 0, 4);
  if (mark === 'RIFF' && latin(bytes, 8, 4) === 'WAVE') return readWav(bytes);
  if (mark === 'OggS') return readOgg(bytes);
  throw new SoundProblem('This is neither a WAV nor an Ogg file.');
}

const latin = (bytes: Uint8Array, at: number, length: number): string => new TextDecoder('latin1').decode(bytes.subarray(at, at + length));
const viewOf = (bytes: Uint8Array) => new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);

/** A WAV file: chunks of which "fmt " and "data" count (Multimedia Programming Interface 1.0, IBM and Microsoft, 1991). */
function readWav(bytes: Uint8Array): SoundFacts {
  const view = viewOf(bytes);
  let format: { kind: number; channels: number; rate: number; bits: number } | undefined;
  for (let at = 12; at + 8 <= bytes.length;) {
    const [id, size] = [latin(bytes, at, 4), view.getUint32(at + 4, true)];
    const from = at + 8;
    if (id === 'fmt ') {
      if (size < 16 || from + 16 > bytes.length) throw new SoundProblem('The WAV file is cut short in its description.');
      const kind = view.getUint16(from, true);
      // The extensible form keeps the real kind of samples further on.
      format = { kind: kind === 0xfffe && size >= 26 && from + 26 <= bytes.length ? view.getUint16(from + 24, true) : kind, channels: view.getUint16(from + 2, true), rate: view.getUint32(from + 4, true), bits: view.getUint16(from + 14, true) };
    } else if (id === 'data') {
      if (!format) throw new SoundProblem('The WAV file has samples but does not say first what they are.');
      if (from + size > bytes.length) throw new SoundProblem(`The WAV file is cut short: it promises ${size.toLocaleString('en')} bytes of samples and has ${(bytes.length - from).toLocaleString('en')}.`);
      return wavFacts(view, from, size, format);
    }
    at = from + size + (size & 1);
  }
  throw new SoundProblem('The WAV file has no samples.');
}

function wavFacts(view: DataView, from: number, size: number, { kind, channels, rate, bits }: { kind: number; channels: number; rate: number; bits: number }): SoundFacts {
  const wide = bits / 8;
  const read: Record<string, (at: number) => number> = {
    '1 8': (at) => (view.getUint8(at) - 128) / 127,
    '1 16': (at) => view.getInt16(at, true) / 32_767,
    '1 24': (at) => ((view.getInt8(at + 2) << 16) | view.getUint16(at, true)) / 8_388_607,
    '1 32': (at) => view.getInt32(at, true) / 2_147_483_647,
    '3 32': (at) => view.getFloat32(at, true),
    '3 64': (at) => view.getFloat64(at, true),
  };
  const sample = lookUp(read, `${kind} ${bits}`);
  if (!sample) throw new SoundProblem(`The WAV file holds samples of kind ${kind} with ${bits} bits; whole numbers of 8 to 32 bits and fractions of 32 or 64 bits can be read.`);
  if (channels === 0 || rate === 0) throw new SoundProblem('The WAV file says that it has no channels or no rate.');
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
  return { format: 'wav', seconds: frames / rate, channels, rate, peak: Math.min(1, peak), clipped };
}

/** An Ogg file (RFC 3533): the first page names the codec, the last one how many samples there are (Vorbis I, 4.2.2 and A.2; RFC 7845 for Opus). */
function readOgg(bytes: Uint8Array): SoundFacts {
  const view = viewOf(bytes);
  let about: { channels: number; rate: number; skip: number } | undefined;
  let samples = 0;
  for (let at = 0; at < bytes.length;) {
    if (at + 27 > bytes.length || latin(bytes, at, 4) !== 'OggS') throw new SoundProblem('The Ogg file is cut short or damaged between its pages.');
    const segments = bytes[at + 26]!;
    const body = at + 27 + segments;
    const size = bytes.subarray(at + 27, body).reduce((sum, length) => sum + length, 0);
    if (body + size > bytes.length) throw new SoundProblem('The Ogg file is cut short within its last page.');
    if (!about) about = codecOf(bytes, view, body, size);
    // A page on which no packet ends has no position: all bits set.
    if (view.getUint32(at + 6, true) !== 0xffffffff || view.getUint32(at + 10, true) !== 0xffffffff) samples = view.getUint32(at + 10, true) * 2 ** 32 + view.getUint32(at + 6, true);
    at = body + size;
  }
  if (!about || samples <= about.skip) throw new SoundProblem('The Ogg file has no samples.');
  return { format: 'ogg', seconds: (samples - about.skip) / about.rate, channels: about.channels, rate: about.rate };
}

function codecOf(bytes: Uint8Array, view: DataView, body: number, size: number): { channels: number; rate: number; skip: number } {
  if (size >= 16 && latin(bytes, body, 7) === '\u0001vorbis') {
    const [channels, rate] = [bytes[body + 11]!, view.getUint32(body + 12, true)];
    if (channels === 0 || rate === 0) throw new SoundProblem('The Ogg file says that it has no channels or no rate.');
    return { channels, rate, skip: 0 };
  }
  if (size >= 12 && latin(bytes, body, 8) === 'OpusHead') {
    if (bytes[body + 9] === 0) throw new SoundProblem('The Ogg file says that it has no channels.');
    return { channels: bytes[body + 9]!, rate: 48_000, skip: view.getUint16(body + 10, true) };
  }
  throw new SoundProblem('The Ogg file holds neither Vorbis nor Opus.');
}
