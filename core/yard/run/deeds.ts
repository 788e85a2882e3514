import type { State } from '../../states/index.ts';
import type { Direction, Vec3 } from '../../space/index.ts';
import type { Because } from '../block/place.ts';
import type { KeptWorld } from './saved.ts';
import type { Drop } from '../block/loot.ts';

/** What somebody holds: an item, and the values that it carries. */
export interface Held {
  item: string;
  carries?: State | undefined;
}

/** What somebody does in the Yard, as data: a run is what was done at which tick. */
export type Deed =
  /** From now on the legs go so; each −1, 0 or 1. */
  | { do: 'walk'; forward: number; right: number; up: number; crouches: boolean }
  /** In hundredths of a degree, clockwise from north and upward. */
  | { do: 'look'; yaw: number; pitch: number }
  | { do: 'fly'; flies: boolean }
  | { do: 'hold'; held?: Held | undefined }
  /** From now on the hand digs, or rests. */
  | { do: 'dig'; digs: boolean }
  /** Uses what one looks at, or, crouching and where it does not answer, places what one holds. */
  | { do: 'act' }
  | { do: 'place' }
  | { do: 'use' }
  /** Share of a day from midnight, in thousandths. */
  | { do: 'hour'; hour: number }
  /** In slow motion its front takes many ticks. */
  | { do: 'blast'; strength: number; slow?: boolean | undefined }
  | { do: 'kindle' }
  /** Places what is held on the ground a little ahead. */
  | { do: 'bring' }
  /** Breaks what one looks at so many times for its drops alone. */
  | { do: 'break'; times: number }
  /** Acts on a cell by its place, as from a list rather than by aiming. */
  | { do: 'place at'; place: Vec3; side: Direction }
  | { do: 'dig at'; place: Vec3 }
  | { do: 'use at'; place: Vec3 }
  /** Turns or mirrors what lies between two corners. */
  | { do: 'move'; moving: 'turned' | 'mirrored'; from: Vec3; to: Vec3 };

/** What came of a tick, to be shown, heard and said. */
export type Told =
  | { told: 'placed'; place: Vec3; block: string; state: number; because: readonly Because[] }
  | { told: 'broken'; place: Vec3; block: string; seconds: number; drops: readonly Drop[] }
  | { told: 'sound'; place: Vec3; event: SoundEvent; set: string }
  | { told: 'heard'; place: Vec3; sound: string }
  | { told: 'collected'; drop: Drop }
  /** A second of touching something cost this share of a life. */
  | { told: 'harmed'; place: Vec3; share: number }
  /** A bucket was poured out, or filled: this is in the hand now. */
  | { told: 'poured' | 'filled'; place: Vec3; item: string; of: string }
  | { told: 'note'; text: string };

export type SoundEvent = 'place' | 'step' | 'dig' | 'break' | 'land';

/** A run that may be played again: from which scene and seed, and what was done at which tick. */
export interface RecordedRun {
  scene: string;
  seed: number;
  /** The world in which it began, where that was not as the scene has it. */
  kept?: KeptWorld | undefined;
  ticks: number;
  deeds: readonly (readonly [tick: number, deed: Deed])[];
  /** The digest of the world and of whoever is in it, at the end. */
  digest: string;
}
