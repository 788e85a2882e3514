import type { Made, Strip } from '../../core/mod/index.ts';
import type { Pixels } from '../../core/textures/index.ts';
import { makePicture } from '../../core/textures/making/index.ts';

const brine = ['#1f6a70', '#2a7d80', '#3a9190', '#57a9a2', '#8cc8bb'];

/** What pictures of the demo mod are made from, by the path of their names, and their timing. */
export const recipes: Readonly<Record<string, { made: Made; strip?: Strip }>> = {
  'gauge/water': {
    made: {
      pattern: 'liquid',
      texels: 16,
      seed: 12,
      tones: brine,
      amounts: { frames: 8, waves: 3, solid: 1 },
    },
    strip: { ticks: 6, blend: true },
  },
  'gate/brine': {
    made: {
      pattern: 'stream',
      texels: 16,
      seed: 5,
      tones: brine,
      amounts: { frames: 16, streaks: 7, solid: 1, foam: 0.5 },
    },
    strip: { ticks: 2 },
  },
  'brine/still': {
    made: {
      pattern: 'liquid',
      texels: 16,
      seed: 31,
      tones: brine,
      amounts: { frames: 12, waves: 3, solid: 0.78 },
    },
    strip: { ticks: 5, blend: true },
  },
  'brine/flowing': {
    made: {
      pattern: 'stream',
      texels: 16,
      seed: 8,
      tones: brine,
      amounts: { frames: 16, streaks: 6, solid: 0.78, foam: 0.3 },
    },
    strip: { ticks: 2 },
  },
  'kelp/pane': {
    made: {
      pattern: 'pane',
      texels: 16,
      seed: 19,
      tones: ['#857c6f', '#9b9284', '#b0a798', '#4f7140', '#66884c', '#8fae6c'],
      amounts: { frame: 1, bars: 0, solid: 0.47, glint: 0.25, bubbles: 0.5 },
    },
  },
};

/** The pictures that are made from them. */
export const madeTextures: Readonly<Record<string, () => Pixels>> = Object.fromEntries(
  Object.entries(recipes).map(([name, { made }]) => [name, () => makePicture(made)]),
);
