import type { SoundFacts } from './facts.ts';
import { latin, SoundProblem, viewOf } from './problem.ts';

/** One page of an Ogg file (RFC 3533, 6). */
interface Page {
  isContinued: boolean;
  isFirst: boolean;
  isLast: boolean;
  position: number | undefined;
  serial: number;
  sequence: number;
  body: number;
  size: number;
  packetEnds: number;
  next: number;
}

/** What a stream says of itself in its first packet, and what is known of it so far. */
interface Stream {
  channels: number;
  rate: number;
  /** Samples before the sound begins, which are not heard. */
  skip: number;
  /** Packets that hold no sound. */
  headers: number;
  /** The most samples that one packet can stand for. */
  samplesPerPacket: number;
  serial: number;
  sequence: number;
  packets: number;
  position: number;
}

const polynomial = 0x04c11db7;
const table = Uint32Array.from({ length: 256 }, (_, byte) => {
  let rest = byte << 24;
  for (let bit = 0; bit < 8; bit += 1)
    rest = rest & 0x80000000 ? (rest << 1) ^ polynomial : rest << 1;
  return rest;
});

/** The checksum of a page, with its own four bytes taken as zero (RFC 3533, 6). */
export function pageChecksum(bytes: Uint8Array, from: number, to: number): number {
  let rest = 0;
  for (let at = from; at < to; at += 1) {
    const byte = at >= from + 22 && at < from + 26 ? 0 : (bytes[at] ?? 0);
    rest = (rest << 8) ^ (table[((rest >>> 24) ^ byte) & 255] ?? 0);
  }
  return rest >>> 0;
}

/**
 * The facts of an Ogg file of Vorbis or Opus: one stream, or several one after the other, whose
 * lengths are added. Every page is looked at: its checksum, its place in the sequence, and whether
 * the last one says that it is the last (RFC 3533; Vorbis I, 4.2.2 and A.2; RFC 7845). Throws a
 * {@link SoundProblem}.
 */
export function readOgg(bytes: Uint8Array): SoundFacts {
  let first: Stream | undefined;
  let stream: Stream | undefined;
  let seconds = 0;
  for (let at = 0; at < bytes.length;) {
    const page = pageAt(bytes, at);
    if (page.isFirst) {
      if (stream)
        throw new SoundProblem(
          'The Ogg file holds several streams at once; a sound is one after the other.',
        );
      stream = streamOf(bytes, page);
      first ??= stream;
      if (stream.channels !== first.channels || stream.rate !== first.rate)
        throw new SoundProblem('The Ogg file is made of parts with different channels or rates.');
    }
    if (!stream)
      throw new SoundProblem('The Ogg file goes on after its end, or begins in the middle.');
    follow(stream, page);
    if (page.isLast) {
      seconds += secondsOf(stream);
      stream = undefined;
    }
    at = page.next;
  }
  if (stream)
    throw new SoundProblem(
      'The Ogg file is cut short: its last page does not say that it is the last.',
    );
  if (!first || seconds <= 0) throw new SoundProblem('The Ogg file has no samples.');
  return { format: 'ogg', seconds, channels: first.channels, rate: first.rate };
}

function pageAt(bytes: Uint8Array, offset: number): Page {
  const view = viewOf(bytes);
  if (offset + 27 > bytes.length || latin(bytes, offset, 4) !== 'OggS')
    throw new SoundProblem('The Ogg file is cut short or damaged between its pages.');
  const segments = bytes[offset + 26] ?? 0;
  const body = offset + 27 + segments;
  const lengths = bytes.subarray(offset + 27, body);
  const size = lengths.reduce((sum, length) => sum + length, 0);
  if (body + size > bytes.length || lengths.length < segments)
    throw new SoundProblem('The Ogg file is cut short within its last page.');
  if (pageChecksum(bytes, offset, body + size) !== view.getUint32(offset + 22, true))
    throw new SoundProblem('The Ogg file is damaged: the checksum of a page is wrong.');
  const [low, high] = [view.getUint32(offset + 6, true), view.getUint32(offset + 10, true)];
  // A page on which no packet ends has no position: all bits set.
  const hasPosition = low !== 0xffffffff || high !== 0xffffffff;
  const flags = bytes[offset + 5] ?? 0;
  return {
    isContinued: (flags & 1) !== 0,
    isFirst: (flags & 2) !== 0,
    isLast: (flags & 4) !== 0,
    position: hasPosition ? high * 2 ** 32 + low : undefined,
    serial: view.getUint32(offset + 14, true),
    sequence: view.getUint32(offset + 18, true),
    body,
    size,
    packetEnds: lengths.filter((length) => length < 255).length,
    next: body + size,
  };
}

/** Takes one page of a stream. Throws when it is not the next one. */
function follow(stream: Stream, { serial, sequence, packetEnds, position }: Page): void {
  if (serial !== stream.serial)
    throw new SoundProblem(
      'The Ogg file holds several streams at once; a sound is one after the other.',
    );
  if (sequence !== stream.sequence)
    throw new SoundProblem('The Ogg file is damaged: a page is missing, or stands twice.');
  stream.sequence += 1;
  stream.packets += packetEnds;
  if (position !== undefined) stream.position = position;
}

function secondsOf({ packets, headers, samplesPerPacket, position, skip, rate }: Stream): number {
  const seconds = Math.max(0, position - skip) / rate;
  const sounding = Math.max(0, packets - headers);
  if (position > sounding * samplesPerPacket)
    throw new SoundProblem(
      `The Ogg file says that it lasts ${seconds.toFixed(1)} s, which its ${sounding} ` +
        'packets cannot hold.',
    );
  return seconds;
}

function streamOf(bytes: Uint8Array, { body, size, serial, sequence }: Page): Stream {
  const view = viewOf(bytes);
  const begun = { serial, sequence, packets: 0, position: 0 };
  if (size >= 30 && latin(bytes, body, 7) === '\u0001vorbis') {
    const [channels, rate, blocks] = [
      bytes[body + 11] ?? 0,
      view.getUint32(body + 12, true),
      bytes[body + 28] ?? 0,
    ];
    if (channels === 0 || rate === 0)
      throw new SoundProblem('The Ogg file says that it has no channels or no rate.');
    // Two long blocks overlap by half (Vorbis I, 1.3.2).
    return {
      ...begun,
      channels,
      rate,
      skip: 0,
      headers: 3,
      samplesPerPacket: 2 ** (blocks >> 4) / 2,
    };
  }
  if (size >= 19 && latin(bytes, body, 8) === 'OpusHead') {
    if (bytes[body + 9] === 0) throw new SoundProblem('The Ogg file says that it has no channels.');
    // A packet holds at most 120 ms (RFC 6716, 3.2.5).
    return {
      ...begun,
      channels: bytes[body + 9] ?? 0,
      rate: 48_000,
      skip: view.getUint16(body + 10, true),
      headers: 2,
      samplesPerPacket: 5760,
    };
  }
  throw new SoundProblem('The Ogg file holds neither Vorbis nor Opus.');
}
