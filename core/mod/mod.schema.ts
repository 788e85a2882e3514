import { z } from 'zod';
import { BlockSchema } from './block.schema.ts';
import {
  foldered,
  HeaderSchema,
  ItemSchema,
  ModelSchema,
  named,
  SoundSchema,
  SoundSetSchema,
  TagSchema,
  TextureSchema,
  WordsSchema,
} from './entries.schema.ts';
import { LedgerSchema } from './ledger.schema.ts';
import { LootTableSchema } from './loot.schema.ts';
import { currentEdition } from './migrations/index.ts';
import { RecipeSchema } from './recipe.schema.ts';
import { Language, languagePattern, namePattern, pathPattern, recordOf } from './names.ts';

/** The whole declaration under one namespace: the header, the ledger, and named entries by kind. */
export const ModSchema = z.strictObject({
  header: HeaderSchema,
  ledger: LedgerSchema,
  blocks: named(BlockSchema),
  items: named(ItemSchema),
  models: foldered(ModelSchema),
  textures: foldered(TextureSchema),
  blockTags: named(TagSchema),
  itemTags: named(TagSchema),
  recipes: named(RecipeSchema),
  lootTables: named(LootTableSchema),
  words: recordOf(Language, WordsSchema),
  sounds: foldered(SoundSchema),
  soundSets: named(SoundSetSchema),
});
export type Mod = z.output<typeof ModSchema>;

/** The kinds of named entries, in the order in which they are listed. */
export const entryKinds = [
  'blocks',
  'items',
  'models',
  'textures',
  'blockTags',
  'itemTags',
  'recipes',
  'lootTables',
  'words',
  'sounds',
  'soundSets',
] as const;
export type EntryKind = (typeof entryKinds)[number];

/** The schema of one entry of each kind, and of the two single documents. */
export const entrySchemas = {
  header: HeaderSchema,
  ledger: LedgerSchema,
  blocks: BlockSchema,
  items: ItemSchema,
  models: ModelSchema,
  textures: TextureSchema,
  blockTags: TagSchema,
  itemTags: TagSchema,
  recipes: RecipeSchema,
  lootTables: LootTableSchema,
  words: WordsSchema,
  sounds: SoundSchema,
  soundSets: SoundSetSchema,
} as const;

/** What the names of entries of a kind must match. */
export const namePatternOf = (kind: string): RegExp =>
  kind === 'models' || kind === 'textures' || kind === 'sounds'
    ? pathPattern
    : kind === 'words'
      ? languagePattern
      : namePattern;

/** A mod with nothing in it but its header: where a new one starts. */
export function emptyMod(namespace: string, title: string): Mod {
  return {
    header: {
      edition: currentEdition,
      namespace,
      title,
      version: '0.1.0',
      authors: [],
      license: 'All rights reserved',
      texels: 16,
      tickRate: 20,
      languages: ['en'],
      kit: 'block-pack',
      groups: [{ name: 'general', names: { en: 'General' } }],
      tools: {
        kinds: Object.fromEntries(
          ['pick', 'axe', 'spade', 'sickle', 'shears', 'hammer'].map((kind) => [
            kind,
            { tag: `${namespace}:${kind}_dug` },
          ]),
        ),
        grades: [
          { name: 'flint', pace: 2 },
          { name: 'bronze', pace: 3.4 },
          { name: 'steel', pace: 5 },
        ],
      },
    },
    ledger: { entries: [{ number: 0, kind: 'group', name: 'general' }], retired: [] },
    blocks: {},
    items: {},
    models: {},
    textures: {},
    blockTags: {},
    itemTags: {},
    recipes: {},
    lootTables: {},
    words: {},
    sounds: {},
    soundSets: {},
  };
}
