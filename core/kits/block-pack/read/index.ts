import type { z } from 'zod';
import {
  parseJson,
  pointer,
  withoutSchema,
  type JsonText,
  type Place,
} from '../../../json/index.ts';
import type { Model } from '../../../mod/entries.schema.ts';
import { schemaProblems } from '../../../mod/issues.ts';
import { decodePicture, pictureFacts, PictureProblem } from '../../../textures/png.ts';
import { unsafePath, type Files } from '../../../bytes/index.ts';
import { closest, didYouMean } from '../../../words/index.ts';
import {
  edition,
  formatName,
  layout,
  placeInPack,
  type BlockDocument,
  type FileKind,
  type GroupsDocument,
  type ItemDocument,
  type LookDocument,
  type LootDocument,
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
    | 'textures/unreadable'
    | 'pack/sound-unreadable';
  file: string;
  place: Place;
  message: string;
}

/** A file that was read: its value, and where each part of it stands. */
export interface ReadFile<T> {
  file: string;
  name: string;
  value: T;
  placeOf: (path: string) => Place;
}

export interface PictureRead {
  width: number;
  height: number;
  alpha: 'none' | 'holes' | 'partial';
}

/**
 * A pack as it lies on disk, read strictly: only what fits its schema is here; the rest is among
 * the problems.
 */
export interface ReadPack {
  files: Files;
  problems: ReadProblem[];
  pack?: ReadFile<PackDocument>;
  registry?: ReadFile<RegistryDocument>;
  blocks: Map<string, ReadFile<BlockDocument>>;
  looks: Map<string, ReadFile<LookDocument>>;
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
  textures: Map<string, ReadFile<PictureRead>>;
  sounds: Map<string, ReadFile<{ bytes: number }>>;
}

const start: Place = { line: 1, column: 1 };
type Listed = {
  [K in keyof ReadPack]: ReadPack[K] extends Map<string, ReadFile<infer _>> ? K : never;
}[keyof ReadPack];
const listOf: Partial<Record<FileKind, Listed>> = {
  block: 'blocks',
  look: 'looks',
  loot: 'loot',
  'loot table': 'lootTables',
  model: 'models',
  item: 'items',
  recipe: 'recipes',
  'block tag': 'blockTags',
  'item tag': 'itemTags',
  words: 'words',
  strip: 'strips',
  texture: 'textures',
  sound: 'sounds',
};

/**
 * Reads a Block Pack from its files alone. Never throws for what a file holds: every mistake
 * becomes a problem with line and column, and the rest is read all the same.
 */
export function readPack(files: Files): ReadPack {
  const pack: ReadPack = {
    files,
    problems: [],
    blocks: new Map(),
    looks: new Map(),
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
  for (const file of [...files.keys()].sort()) readFile(pack, file, files.get(file)!);
  for (const needed of ['pack.json', 'registry.json'])
    if (!files.has(needed))
      pack.problems.push({
        rule: 'files/missing',
        file: needed,
        place: start,
        message: `The pack has no ${needed}.`,
      });
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

function readFile(pack: ReadPack, file: string, bytes: Uint8Array): void {
  const problem = (rule: ReadProblem['rule'], message: string, place = start) =>
    pack.problems.push({ rule, file, place, message });
  const unsafe = unsafePath(file);
  if (unsafe) return void problem('files/unsafe-path', `This is ${unsafe}.`);
  const at = placeInPack(file);
  if (!at)
    return void problem(
      'files/unknown-file',
      `Nothing in a Block Pack is kept at this path.${nearPath(file)}`,
    );
  const { rule, name } = at;
  const put = (value: unknown, placeOf: (path: string) => Place = () => start) => {
    const list = listOf[rule.kind];
    if (list)
      (pack[list] as Map<string, ReadFile<unknown>>).set(name, { file, name, value, placeOf });
    else if (rule.kind === 'pack')
      pack.pack = { file, name, value: value as PackDocument, placeOf };
    else if (rule.kind === 'registry')
      pack.registry = { file, name, value: value as RegistryDocument, placeOf };
    else if (rule.kind === 'tools')
      pack.tools = { file, name, value: value as ToolsDocument, placeOf };
    else if (rule.kind === 'groups')
      pack.groups = { file, name, value: value as GroupsDocument, placeOf };
    else if (rule.kind === 'sound sets')
      pack.soundSets = { file, name, value: value as z.output<typeof SoundSetsFile>, placeOf };
  };
  if (rule.kind === 'texture') {
    try {
      const { width, height, alpha } = pictureFacts(decodePicture(bytes));
      put({ width, height, alpha });
    } catch (error) {
      if (!(error instanceof PictureProblem)) throw error;
      problem('textures/unreadable', error.message);
    }
  } else if (rule.kind === 'sound') {
    const head = new TextDecoder('latin1').decode(bytes.subarray(0, 12));
    if (
      rule.ending === '.wav'
        ? head.startsWith('RIFF') && head.endsWith('WAVE')
        : head.startsWith('OggS')
    )
      put({ bytes: bytes.length });
    else
      problem(
        'pack/sound-unreadable',
        `This is not ${rule.ending === '.wav' ? 'a WAV' : 'an Ogg'} file: its first bytes are ` +
          'those of another kind of file.',
      );
  } else if (rule.schema) {
    const text = readJson(bytes, problem);
    if (!text) return;
    const fits = rule.schema.safeParse(withoutSchema(text.value), { reportInput: true });
    if (fits.success) put(fits.data, text.placeOf);
    else if (
      rule.kind === 'pack' &&
      (text.value as { format?: unknown } | null)?.format !== formatName
    )
      problem(
        'pack/wrong-edition',
        `This is not the pack.json of a Block Pack: its "format" is not "${formatName}".`,
      );
    else
      for (const { path, message } of schemaProblems(fits.error))
        problem(
          'files/does-not-fit',
          path.length ? `${pointer(path)}: ${message}` : message,
          text.placeOf(pointer(path)),
        );
  }
}

function readJson(
  bytes: Uint8Array,
  problem: (rule: ReadProblem['rule'], message: string, place?: Place) => void,
): JsonText | undefined {
  let source: string;
  try {
    source = new TextDecoder('utf-8', { fatal: true, ignoreBOM: true }).decode(bytes);
  } catch {
    problem('files/malformed-json', 'The file is not UTF-8 text. Save it as UTF-8.');
    return undefined;
  }
  const text = parseJson(source);
  for (const one of text.problems)
    problem(
      one.kind === 'malformed' ? 'files/malformed-json' : 'files/key-twice',
      one.message,
      one.at,
    );
  return text.value === undefined ? undefined : text;
}

/**
 * The nearest path at which something is kept, when a folder or an ending is written a little
 * wrong.
 */
function nearPath(file: string): string {
  const lower = file.toLowerCase();
  if (lower !== file && placeInPack(lower)) return ` Names are lowercase.${didYouMean(lower)}`;
  const slash = file.lastIndexOf('/') + 1;
  const folder = closest(
    file.slice(0, slash),
    [...new Set(layout.map((rule) => rule.folder))].filter(Boolean),
  );
  const candidates = [
    ...(folder ? [folder + file.slice(slash)] : []),
    ...layout.flatMap((rule) =>
      typeof rule.named === 'string' ? [`${rule.folder}${rule.named}${rule.ending}`] : [],
    ),
  ];
  const fitting = candidates.filter((path) => path !== file && placeInPack(path));
  return didYouMean(closest(file, fitting));
}
