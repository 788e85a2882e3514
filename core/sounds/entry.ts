import { digestOf } from '../bytes/index.ts';
import type { Sound } from '../mod/entries.schema.ts';
import { readSound, SoundProblem } from './facts.ts';

/**
 * What a mod says of a sound that comes in under such an ending: its facts, or why it cannot be
 * read; the rest of the mod can be worked on all the same.
 */
export const soundEntry = (bytes: Uint8Array, format: Sound['format']): Sound => ({
  sha256: digestOf(bytes),
  bytes: bytes.length,
  ...factsOr(bytes, format),
});

function factsOr(bytes: Uint8Array, format: Sound['format']): Omit<Sound, 'sha256' | 'bytes'> {
  try {
    const facts = readSound(bytes);
    if (facts.format === format) return facts;
    const other = facts.format === 'wav' ? 'a WAV' : 'an Ogg';
    return { format, problem: `It is named .${format}, but it is ${other} file.` };
  } catch (error) {
    if (error instanceof SoundProblem) return { format, problem: error.message };
    throw error;
  }
}
