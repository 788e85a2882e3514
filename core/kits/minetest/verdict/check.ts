import type { LuaValue } from '../write/lua.ts';

/** What the engine said, beside what was predicted. */
export interface Apart {
  ours: string;
  engine: string;
}

/** One thing that the engine is asked, and how its answer is judged. */
export interface Check {
  /** What it is about, in words: "Tide lantern, lit = true, light beside it". */
  about: string;
  /** The block or the item that it is about. */
  of?: { kind: 'block' | 'item' | 'recipe'; name: string };
  /** The part of the editor where a difference is mended. */
  facet?: 'identity' | 'traits' | 'states' | 'looks' | 'loot' | 'tags' | 'names';
  /** What the probe is told: a table whose `kind` names one of its questions. */
  ask: LuaValue;
  /** What is different; undefined where the answer is as predicted. */
  judge: (answer: unknown) => Apart | undefined;
}

/** Where an answer is one value that must be the predicted one. */
export const mustBe =
  (ours: string | number | boolean): Check['judge'] =>
  (answer) =>
    answer === ours ? undefined : { ours: String(ours), engine: inWords(answer) };

/** An answer of the engine as one reads it. */
export const inWords = (answer: unknown): string =>
  answer === null || answer === undefined
    ? 'nothing'
    : typeof answer === 'object'
      ? JSON.stringify(answer)
      : `${answer as string | number | boolean}`;
