import type { z } from 'zod';
import type { Place } from '../../../json/index.ts';
import type { Model, Picture, Sound } from '../../../mod/entries.schema.ts';
import type { Files } from '../../../bytes/index.ts';
import type { FileFix } from '../../../mend/index.ts';
import {
  edition,
  type BlockDocument,
  type FluidDocument,
  type FluidLookDocument,
  type GroupsDocument,
  type ItemDocument,
  type LookDocument,
  type LootDocument,
  type NewLookDocument,
  type LootTableDocument,
  type PackDocument,
  type RecipeFile,
  type RegistryDocument,
  type SoundSetsFile,
  type StripFile,
  type TagDocument,
  type ToolsDocument,
  type WordsDocument,
} from '../format/index.ts';
import { readFile } from './file.ts';
import { UnreadFiles } from './unread.ts';
import { settleNames, tellMissing } from './settle.ts';

/**
 * Something that the reader could not take: under which rule inspection reports it, where, and in
 * words.
 */
export interface ReadProblem {
  rule:
    | 'files/malformed-json'
    | 'files/key-twice'
    | 'files/does-not-fit'
    | 'files/unknown-file'
    | 'files/missing'
    | 'files/unsafe-path'
    | 'pack/wrong-edition'
    | 'textures/unreadable';
  file: string;
  place: Place;
  message: string;
  fix?: FileFix;
}

/** A file that was read: its value, and where each part of it stands. */
export interface ReadFile<T> {
  file: string;
  name: string;
  value: T;
  placeOf: (path: string) => Place;
}

/**
 * A pack as it lies on disk, read strictly: only what fits its schema is here; the rest is among
 * the problems.
 */
export interface ReadPack {
  files: Files;
  /** Whether it has only what a server needs: nothing is missing then of what players see. */
  isForServers: boolean;
  problems: ReadProblem[];
  unread: UnreadFiles;
  /** Files that speak of what another file is about. */
  copies: { file: ReadFile<unknown>; id: string; at: string }[];
  /** The paths of files that are not there although others rest on them. */
  missing: Set<string>;
  pack?: ReadFile<PackDocument>;
  registry?: ReadFile<RegistryDocument>;
  blocks: Map<string, ReadFile<BlockDocument>>;
  looks: Map<string, ReadFile<LookDocument>>;
  newLooks: Map<string, ReadFile<NewLookDocument>>;
  fluids: Map<string, ReadFile<FluidDocument>>;
  fluidLooks: Map<string, ReadFile<FluidLookDocument>>;
  loot: Map<string, ReadFile<LootDocument>>;
  lootTables: Map<string, ReadFile<LootTableDocument>>;
  groups?: ReadFile<GroupsDocument>;
  tools?: ReadFile<ToolsDocument>;
  models: Map<string, ReadFile<Model>>;
  items: Map<string, ReadFile<ItemDocument>>;
  recipes: Map<string, ReadFile<z.output<typeof RecipeFile>>>;
  blockTags: Map<string, ReadFile<TagDocument>>;
  itemTags: Map<string, ReadFile<TagDocument>>;
  words: Map<string, ReadFile<WordsDocument>>;
  strips: Map<string, ReadFile<z.output<typeof StripFile>>>;
  soundSets?: ReadFile<z.output<typeof SoundSetsFile>>;
  /** The picture of the mod. */
  picture?: ReadFile<Picture>;
  textures: Map<string, ReadFile<Picture>>;
  sounds: Map<string, ReadFile<Sound>>;
}

const start: Place = { line: 1, column: 1 };
/**
 * Reads a Block Pack from its files alone. Never throws for what a file holds: every mistake
 * becomes a problem with line and column, and the rest is read all the same. `onProgress` is told of
 * files read; what it throws stops the work.
 */
export function readPack(
  files: Files,
  onProgress?: (done: number, total: number) => void,
): ReadPack {
  const pack: ReadPack = {
    files,
    isForServers: ![...files.keys()].some((file) => file.startsWith('view/')),
    problems: [],
    unread: new UnreadFiles(),
    copies: [],
    missing: new Set(),
    blocks: new Map(),
    looks: new Map(),
    newLooks: new Map(),
    fluids: new Map(),
    fluidLooks: new Map(),
    loot: new Map(),
    lootTables: new Map(),
    models: new Map(),
    items: new Map(),
    recipes: new Map(),
    blockTags: new Map(),
    itemTags: new Map(),
    words: new Map(),
    strips: new Map(),
    textures: new Map(),
    sounds: new Map(),
  };
  for (const [done, file] of [...files.keys()].sort().entries()) {
    if (done % 256 === 0) onProgress?.(done, files.size);
    readFile(pack, file, files.get(file)!);
  }
  for (const needed of ['pack.json', 'registry.json'])
    if (!files.has(needed))
      pack.problems.push({
        rule: 'files/missing',
        file: needed,
        place: start,
        message: `The pack has no ${needed}.`,
      });
  settleNames(pack);
  tellMissing(pack);
  const found = pack.pack;
  if (found && found.value.edition !== edition)
    pack.problems.push({
      rule: 'pack/wrong-edition',
      file: found.file,
      place: found.placeOf('/edition'),
      message:
        `The pack says edition ${found.value.edition}; this version of Obrank reads edition ` +
        `${edition}.`,
    });
  return pack;
}
