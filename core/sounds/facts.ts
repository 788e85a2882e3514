import { readOgg } from './ogg.ts';
import { latin, SoundProblem } from './problem.ts';
import { readWav } from './wav.ts';

export { SoundProblem } from './problem.ts';

/** What one wants to know of a sound before the game plays it. */
export interface SoundFacts {
  format: 'wav' | 'ogg';
  seconds: number;
  channels: number;
  /** Samples a second of each channel. */
  rate: number;
  /** The loudest sample, 0 to 1 of full scale; not told for Ogg, which would have to be decoded. */
  peak?: number;
  /**
   * True when samples stand at full scale three times running: the top of the wave has been cut
   * off.
   */
  clipped?: boolean;
}

/**
 * Reads the facts of a WAV or Ogg file (Vorbis or Opus). Throws a {@link SoundProblem} that says
 * what is wrong with anything else.
 *
 * @example readSound(bytes)
 * // { format: 'wav', seconds: 0.12, channels: 1, rate: 22050, peak: 0.7, clipped: false }
 */
export function readSound(bytes: Uint8Array): SoundFacts {
  const mark = latin(bytes, 0, 4);
  if (mark === 'RIFF' && latin(bytes, 8, 4) === 'WAVE') return readWav(bytes);
  if (mark === 'OggS') return readOgg(bytes);
  throw new SoundProblem('This is neither a WAV nor an Ogg file.');
}
