import { Inflate } from 'fflate';

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
 * Unpacks a deflate stream (RFC 1951), given in parts, to exactly so many bytes. Stops as soon as
 * there are more: a small file cannot fill the memory. Throws an {@link InflateProblem}.
 */
export function inflateWithin(parts: Iterable<Uint8Array>, length: number): Uint8Array {
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
