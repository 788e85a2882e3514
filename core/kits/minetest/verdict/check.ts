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
  of?: { kind: 'block' | 'item' | 'recipe' | 'fluid'; name: string };
  /** The part of the editor where a difference is mended. */
  facet?: 'identity' | 'traits' | 'states' | 'looks' | 'loot' | 'tags' | 'names';
  /** What the probe is told: a table whose `kind` names one of its questions. */
  ask: { readonly kind: AskKind; readonly [key: string]: LuaValue };
  /** What is different; undefined where the answer is as predicted. */
  judge: (answer: unknown) => Apart | undefined;
}

/** What each question of the probe is about, in words, in the order in which they are asked. */
export const sorts = {
  node: 'Nodes, as they are registered',
  item: 'Names, groups and pictures of items',
  state: 'States, each kept as a node and a byte',
  light: 'Light beside a node and through it',
  rays: 'Outlines, met by rays from six sides',
  turned: 'States turned with a structure',
  placed: 'Placings, from all sides and headings',
  digging: 'Dig times, with every tool',
  recipe: 'Recipes',
  drops: 'Drops, counted over many diggings',
  reaction: 'Reactions, by what happens',
  fluid: 'Fluids, poured and taken away',
} as const;
export type AskKind = keyof typeof sorts;

/** An answer of the engine as one reads it. */
export const inWords = (answer: unknown): string =>
  answer === null || answer === undefined
    ? 'nothing'
    : typeof answer === 'object'
      ? JSON.stringify(answer)
      : `${answer as string | number | boolean}`;

/** A node with its byte, as the probe tells it, in words: `saltmarsh:salt_oven, byte 3`. */
export const nodeInWords = (answer: unknown): string =>
  Array.isArray(answer) && answer.length === 2
    ? `${inWords(answer[0])}, byte ${inWords(answer[1])}`
    : inWords(answer);

/** Where the answer is a node with its byte. */
export const mustBeNode =
  (ours: readonly [name: string, byte: number]): Check['judge'] =>
  (answer) =>
    JSON.stringify(answer) === JSON.stringify(ours)
      ? undefined
      : { ours: nodeInWords(ours), engine: nodeInWords(answer) };
