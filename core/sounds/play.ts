import type { SoundSet } from '../mod/index.ts';

/**
 * One sound as the game plays it: which file, how loud (1 is as recorded) and how fast (2 is an
 * octave up).
 */
export interface Played {
  sound: string;
  volume: number;
  pitch: number;
}

/**
 * What the game plays for an event of a sound set: one of its files evenly, with a volume and a
 * pitch evenly from their ranges. `draw` gives numbers from 0 up to but without 1. Undefined when
 * the event has no files.
 *
 * @example playedFor(set, 'step', Math.random)
 * // { sound: 'saltmarsh:crust/step', volume: 0.41, pitch: 1.03 }
 */
export function playedFor(
  set: SoundSet,
  event: keyof SoundSet,
  draw: () => number,
): Played | undefined {
  const files = set[event] ?? [];
  const file = files[Math.floor(draw() * files.length)];
  if (!file) return undefined;
  const within = ([low, high]: readonly [number, number]) => low + draw() * (high - low);
  return {
    sound: file.sound,
    volume: within(file.volume ?? [1, 1]),
    pitch: within(file.pitch ?? [1, 1]),
  };
}
