import { FlateErrorCode, Inflate, inflateSync, type FlateError } from 'fflate';

/** Why compressed bytes were not unpacked: they hold more or less than they say, or are damaged. */
export class InflateProblem extends Error {
  override name = 'InflateProblem';

  constructor(readonly kind: 'more' | 'less' | 'damaged') {
    super(`the bytes are ${kind === 'damaged' ? 'damaged' : `${kind} than they say`}`);
  }
}

/** So many bytes are unpacked at a time: what comes of one piece is far from filling the memory. */
const pieceLength = 16_384;

/**
 * A stream up to this long is unpacked at once, beyond its bounds if need be without keeping what is
 * too much: deflate unpacks a byte to 1,032 at most, so that it takes no more than a moment.
 */
const shortStream = 65_536;

/**
 * Unpacks a deflate stream (RFC 1951), given in parts, to exactly so many bytes. Stops as soon as
 * there are more: a small file cannot fill the memory. Throws an {@link InflateProblem}.
 */
export function inflateWithin(parts: readonly Uint8Array[], length: number): Uint8Array {
  const packed = parts.reduce((sum, part) => sum + part.length, 0);
  return packed <= shortStream
    ? inflateShort(joined(parts, packed), length)
    : inflateLong(parts, length);
}

function joined(parts: readonly Uint8Array[], length: number): Uint8Array {
  const [only] = parts;
  if (only && parts.length === 1) return only;
  const whole = new Uint8Array(length);
  let at = 0;
  for (const part of parts) {
    whole.set(part, at);
    at += part.length;
  }
  return whole;
}

function inflateShort(packed: Uint8Array, length: number): Uint8Array {
  // One byte more than there may be: what fills it is too long.
  const room = new Uint8Array(length + 1);
  let unpacked: Uint8Array;
  try {
    unpacked = inflateSync(packed, { out: room });
  } catch (error) {
    const isCut = (error as Partial<FlateError>).code === FlateErrorCode.UnexpectedEOF;
    throw new InflateProblem(isCut ? 'less' : error instanceof RangeError ? 'more' : 'damaged');
  }
  if (unpacked.length > length) throw new InflateProblem('more');
  if (unpacked.length < length) throw new InflateProblem('less');
  return unpacked;
}

/** The same piece by piece, as long as there is room. */
function inflateLong(parts: Iterable<Uint8Array>, length: number): Uint8Array {
  const unpacked = new Uint8Array(length);
  let filled = 0;
  const inflate = new Inflate((piece) => {
    if (filled + piece.length > length) throw new InflateProblem('more');
    unpacked.set(piece, filled);
    filled += piece.length;
  });
  try {
    for (const part of parts)
      for (let at = 0; at < part.length; at += pieceLength)
        inflate.push(part.slice(at, at + pieceLength));
  } catch (error) {
    throw error instanceof InflateProblem ? error : new InflateProblem('damaged');
  }
  if (filled < length) throw new InflateProblem('less');
  return unpacked;
}
