/** Something of a pattern that one may have more or less of. */
export interface Amount {
  name: string;
  title: string;
  least: number;
  most: number;
  step: number;
  usual: number;
  /** Whether it is counted in sixteenths of a side. */
  isLength?: boolean;
}

/** A share of something, from none to all. */
export const share = (name: string, title: string, usual: number): Amount => ({
  name,
  title,
  least: 0,
  most: 1,
  step: 0.05,
  usual,
});

type Bounds = readonly [least: number, most: number, usual: number];

/** A number of things. */
export const number = (name: string, title: string, [least, most, usual]: Bounds): Amount => ({
  name,
  title,
  least,
  most,
  step: 1,
  usual,
});

/** A length in sixteenths of a side, whatever texels that is. */
export const sixteenths = (name: string, title: string, bounds: Bounds): Amount => ({
  ...number(name, title, bounds),
  isLength: true,
});

/**
 * What a pattern says of a texel: a place on the ramp of tones, 0 the darkest and 1 the lightest,
 * and how solid it is; or that what lies below shows, lighter or darker by a share.
 */
export type Dab =
  { tone: number; alpha?: number; below?: undefined } | { below: number; tone?: undefined };

/** What a pattern is drawn from. */
export interface Drawing {
  /** Texels along each side. */
  texels: number;
  seed: number;
  amount: (name: string) => number;
}

/** Gives the dab of a texel of a frame; `time` runs from 0 up to but without 1 over its frames. */
export type Draw = (x: number, y: number, time: number) => Dab;

/** A way of making pictures: one file, one line in the list. */
export interface Pattern {
  title: string;
  /** What it is good for, in a few words. */
  says: string;
  /** The tones it has at first, from dark to light. */
  tones: readonly string[];
  amounts: readonly Amount[];
  /** Whether it is laid on another picture. */
  isLaidOn?: boolean;
  /** How many frames it has at first, where it moves. */
  frames?: number;
  draw: (given: Drawing) => Draw;
}

/** What is clear. */
export const clear: Dab = { tone: 0, alpha: 0 };
