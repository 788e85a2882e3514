/**
 * Targets: limits, writers, readers, rules. A new one is a folder here and a line in this file, or a
 * kit that somebody writes and keeps with a mod.
 */
import type { Files } from '../bytes/index.ts';
import { heldUnder } from '../lists/index.ts';
import { lookUp, OwnKitSchema, type Mod, type OwnKit } from '../mod/index.ts';
import { kitsOf } from '../mod/kits-of.ts';
import { listed } from '../words/index.ts';
import { blockPack } from './block-pack/index.ts';
import { fieldNotes } from './field-notes/index.ts';
import type { Engine, Kit } from './kit.ts';
import { minetest, minetestEngine } from './minetest/index.ts';
import { ownKitsOf } from './own-kits.ts';
import { kitFrom } from './own/index.ts';
import examples from './examples.json' with { type: 'json' };

export {
  severities,
  type FileExample,
  type FileRule,
  type RuledReport,
  type RuleFacts,
  type Severity,
} from './file-rule.ts';
export { ownKitsOf, textsOfKit } from './own-kits.ts';
export * from './own/index.ts';
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

/** A kit as it lies in a folder. */
interface Example {
  own: OwnKit;
  texts: ReadonlyMap<string, string>;
}

/** Kits that are written as people write theirs, from which one's own may begin, by name. */
export const exampleKits: Readonly<Record<string, Example>> = Object.fromEntries(
  Object.entries(examples).map(([name, { own, texts }]) => [
    name,
    { own: OwnKitSchema.parse(own), texts: new Map(Object.entries(texts)) },
  ]),
);

/** One of these comes with Obrank as a target of its own. */
const small = 'block-pack-small';
const smallBlockPack = kitFrom(
  small,
  heldUnder(exampleKits, small).own,
  heldUnder(exampleKits, small).texts,
);
const known: readonly Kit[] = [blockPack, smallBlockPack, fieldNotes, minetest];
const usual = blockPack;

/** The kits that Obrank brings along, by name. */
export const kits: Readonly<Record<string, Kit>> = Object.fromEntries(
  known.map((kit) => [kit.name, kit]),
);

/** The kit of that name that Obrank brings along, or the usual one when there is none. */
export const kitNamed = (name: string): Kit => lookUp(kits, name) ?? usual;

type Keeping = Pick<Mod, 'kits' | 'kitFiles'>;

/** Every kit that a mod can be built for: those that Obrank brings along, and the mod's own. */
export const kitsFor = (mod: Keeping): Kit[] => [
  ...known,
  ...ownKitsOf(mod).filter(({ name }) => !Object.hasOwn(kits, name)),
];

/** The kit of that name that a mod can be built for; undefined when there is none. */
export const findKit = (mod: Keeping, name: string): Kit | undefined =>
  lookUp(kits, name) ?? ownKitsOf(mod).find((kit) => kit.name === name);

/**
 * The kit of that name that a mod can be built for, or the usual one when there is none; where no
 * name is given, the one that the mod asks first.
 */
export const kitFor = (mod: Keeping & Pick<Mod, 'header'>, name = mod.header.kit): Kit =>
  findKit(mod, name) ?? usual;

/** A Block Pack as the Yard loads it. */
export { loadPack, type LoadedPack } from './block-pack/load/index.ts';

/** Every kit that a mod is built for, the one that it asks first before the others. */
export const builtKits = (mod: Keeping & Pick<Mod, 'header'>): readonly Kit[] =>
  kitsOf(mod.header).map((name) => kitFor(mod, name));

/**
 * Of the kits that a mod is built for the one that holds least of something: what fits there fits
 * all of them.
 *
 * @example tightestKit(mod, ({ limits }) => limits.stateCodeBits).title
 */
export const tightestKit = (mod: Keeping & Pick<Mod, 'header'>, room: (kit: Kit) => number): Kit =>
  builtKits(mod).reduce((least, kit) => (room(kit) < room(least) ? kit : least));

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
