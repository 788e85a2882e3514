import { useEffect, useState } from 'react';
import { decodePicture, type Pixels } from '../../core/textures/index.ts';
import { messageOf } from '../../core/words/index.ts';
import { blobAddress } from './address.ts';

/** So many pictures are kept unpacked. */
const most = 32;
const known = new Map<string, Pixels>();

/** Keeps the pixels of a picture by its digest, so that they need not be fetched. */
export function keepPixels(sha256: string, pixels: Pixels): void {
  known.set(sha256, pixels);
  const [oldest] = known.keys();
  if (known.size > most && oldest !== undefined) known.delete(oldest);
}

/** The pixels of a picture by its digest, if one is asked for; undefined, or why not, until then. */
export function useKnownPixels(sha256: string | undefined): { pixels?: Pixels; problem?: string } {
  const [answer, setAnswer] = useState<{ sha256: string; problem?: string }>();
  const pixels = sha256 === undefined ? undefined : known.get(sha256);
  // It may have been let go for others meanwhile, and is then read again.
  const isMissing = pixels === undefined;
  useEffect(() => {
    if (!isMissing || sha256 === undefined) return;
    let isWanted = true;
    const answered = (problem?: string) => isWanted && setAnswer({ sha256, problem });
    readPixels(sha256).then(
      () => answered(),
      (error: unknown) => answered(messageOf(error)),
    );
    return () => {
      isWanted = false;
    };
  }, [sha256, isMissing]);
  if (pixels) return { pixels };
  return answer && answer.sha256 === sha256 ? { problem: answer.problem } : {};
}

/** The pixels of a picture by its digest. Throws with a sentence where they cannot be read. */
export async function readPixels(sha256: string): Promise<Pixels> {
  const before = known.get(sha256);
  if (before) return before;
  const answer = await fetch(blobAddress(sha256));
  if (!answer.ok) throw new Error('The picture could not be read from the server.');
  const pixels = decodePicture(new Uint8Array(await answer.arrayBuffer()));
  keepPixels(sha256, pixels);
  return pixels;
}
