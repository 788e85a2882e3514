import { z } from 'zod';
import { BlockSchema } from './block.schema.ts';
import {
  HeaderSchema,
  ItemSchema,
  ModelSchema,
  SoundSchema,
  SoundSetSchema,
  TagSchema,
  TextureSchema,
  WordsSchema,
} from './entries.schema.ts';
import { FamilySchema } from './family.schema.ts';
import { FluidSchema } from './flow.schema.ts';
import {
  KitFileName,
  kitFilePattern,
  KitFileSchema,
  KitName,
  kitNamePattern,
  OwnKitSchema,
} from './kit.schema.ts';
import { LedgerSchema } from './ledger.schema.ts';
import { LootTableSchema } from './loot.schema.ts';
import { currentEdition } from './migrations/index.ts';
import { NewLookSchema } from './new-look.schema.ts';
import { RecipeSchema } from './recipe.schema.ts';
import {
  Language,
  languagePattern,
  Name,
  namePattern,
  NewLookName,
  newLookPattern,
  PathName,
  pathPattern,
  recordOf,
} from './names.ts';

/** What is known of a kind of named entries. */
interface EntryFacts<Schema extends z.ZodType> {
  /** The schema of one entry. */
  schema: Schema;
  /** What a name must be: plain, with folders, another mod's block, or the tag of a language. */
  name: z.ZodType<string, string>;
  pattern: RegExp;
  /**
   * The folder of a mod folder in which its JSON files lie, one an entry; a kind that is not kept
   * as JSON has none.
   */
  folder?: string;
}

const plain = <S extends z.ZodType>(schema: S, folder: string): EntryFacts<S> => ({
  schema,
  name: Name,
  pattern: namePattern,
  folder,
});
const foldered = <S extends z.ZodType>(schema: S, folder?: string): EntryFacts<S> => ({
  schema,
  name: PathName,
  pattern: pathPattern,
  folder,
});

/**
 * All kinds of named entries, in the order in which they are listed. The schema of a mod, of each
 * entry, an empty mod, names and the folders of a mod follow from this table.
 */
const entryTable = {
  blocks: plain(BlockSchema, 'blocks'),
  newLooks: {
    schema: NewLookSchema,
    name: NewLookName,
    pattern: newLookPattern,
    folder: 'looks',
  },
  families: plain(FamilySchema, 'families'),
  fluids: plain(FluidSchema, 'fluids'),
  items: plain(ItemSchema, 'items'),
  models: foldered(ModelSchema, 'models'),
  textures: foldered(TextureSchema),
  blockTags: plain(TagSchema, 'tags/blocks'),
  itemTags: plain(TagSchema, 'tags/items'),
  recipes: plain(RecipeSchema, 'recipes'),
  lootTables: plain(LootTableSchema, 'loot'),
  words: { ...plain(WordsSchema, 'words'), name: Language, pattern: languagePattern },
  sounds: foldered(SoundSchema),
  soundSets: plain(SoundSetSchema, 'soundSets'),
  kits: { schema: OwnKitSchema, name: KitName, pattern: kitNamePattern },
  kitFiles: { schema: KitFileSchema, name: KitFileName, pattern: kitFilePattern },
} as const;
export type EntryKind = keyof typeof entryTable;

/** The kinds of named entries, in the order in which they are listed. */
export const entryKinds = Object.keys(entryTable) as EntryKind[];

type SchemaOf<Kind extends EntryKind> = (typeof entryTable)[Kind]['schema'];
type RecordSchema<V extends z.ZodType> = z.ZodRecord<z.ZodType<string, string>, V>;

/** Something made for every kind of entries. */
const forKinds = (make: (kind: EntryKind) => unknown): Record<string, unknown> =>
  Object.fromEntries(entryKinds.map((kind) => [kind, make(kind)]));

/** The whole declaration under one namespace: the header, the ledger, and named entries by kind. */
export const ModSchema = z.strictObject({
  header: HeaderSchema,
  ledger: LedgerSchema,
  ...(forKinds((kind) => recordOf(entryTable[kind].name, entryTable[kind].schema)) as {
    [Kind in EntryKind]: RecordSchema<SchemaOf<Kind>>;
  }),
});
export type Mod = z.output<typeof ModSchema>;

/** The schema of one entry of each kind, and of the two single documents. */
export const entrySchemas = {
  header: HeaderSchema,
  ledger: LedgerSchema,
  ...(forKinds((kind) => entryTable[kind].schema) as { [Kind in EntryKind]: SchemaOf<Kind> }),
} as const;

/** What the names of entries of a kind must match. */
export const namePatternOf = (kind: string): RegExp =>
  Object.hasOwn(entryTable, kind) ? entryTable[kind as EntryKind].pattern : namePattern;

/** Where in a mod folder the JSON files of each kind lie, for the kinds that are kept as JSON. */
export const jsonFolders: readonly (readonly [kind: EntryKind, folder: string])[] =
  entryKinds.flatMap((kind) => {
    const { folder }: EntryFacts<z.ZodType> = entryTable[kind];
    return folder === undefined ? [] : [[kind, folder] as const];
  });

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
    ...(forKinds(() => ({})) as Pick<Mod, EntryKind>),
  };
}
