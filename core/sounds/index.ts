/** Sounds: what is in a WAV or Ogg file, and what the game plays of a set. */
export { readSound, SoundProblem, type SoundFacts } from './facts.ts';
export { playedFor, type Played } from './play.ts';
export { soundEntry } from './entry.ts';
