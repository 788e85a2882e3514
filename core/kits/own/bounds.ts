/**
 * What writing with a kit may cost at most. A kit may come from anybody, so nothing in it runs
 * without an end. Steps are counted, so that the same kit stops at the same place on every machine;
 * the time is for what takes long in a single step.
 */
export const bounds = {
  /** Parts of templates that are carried out for one file. */
  steps: 1_000_000,
  /** Values and letters that filters make for one file. */
  values: 8_000_000,
  /** Letters of one written file. */
  letters: 8_000_000,
  /** Templates within templates. */
  depth: 48,
  /** Milliseconds for one file. */
  time: 10_000,
  /** Files of one build. */
  files: 200_000,
  /** Letters of all written files of one build. */
  allLetters: 512_000_000,
  /** Letters of a path. */
  path: 400,
} as const;
