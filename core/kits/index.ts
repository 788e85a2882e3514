/** Targets: limits, writers, readers, rules. A new one is a folder here and a line in this file. */
import type { Files } from '../bytes/index.ts';
import { lookUp } from '../mod/index.ts';
import { listed } from '../words/index.ts';
import { blockPack, smallBlockPack } from './block-pack/index.ts';
import { fieldNotes } from './field-notes/index.ts';
import type { Engine, Kit } from './kit.ts';
import { minetest, minetestEngine } from './minetest/index.ts';

export {
  severities,
  type FileExample,
  type FileRule,
  type RuledReport,
  type RuleFacts,
  type Severity,
} from './file-rule.ts';
export type { Declared } from './declared.ts';
export type {
  AskedHow,
  BlobOf,
  Checked,
  Difference,
  Engine,
  Gallery,
  Heard,
  Kit,
  KitLimits,
  Laid,
  Shortfall,
  Storage,
} from './kit.ts';

const known: readonly Kit[] = [blockPack, smallBlockPack, fieldNotes, minetest];
const usual = blockPack;

/** All kits by name. */
export const kits: Readonly<Record<string, Kit>> = Object.fromEntries(
  known.map((kit) => [kit.name, kit]),
);

/** The kit of that name, or the usual one when there is none. */
export const kitNamed = (name: string): Kit => lookUp(kits, name) ?? usual;

/**
 * The kit whose target these files are meant for, by their paths; undefined when they are none of
 * ours.
 */
export const kitOf = (files: Files): Kit | undefined =>
  known.find((kit) => kit.recognises(files.keys()));

/** The kit whose engine is asked: the one that runs on this machine. */
export const engineKit: Kit & { engine: Engine } = { ...minetest, engine: minetestEngine };

/** The endings of builds as one file. */
export const endings: readonly string[] = [...new Set(known.map((kit) => kit.ending))];
/** The same in words: ".obpack, .notes or .zip". */
export const endingsInWords: string = listed(endings, 'or');
