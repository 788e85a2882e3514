import type { z } from 'zod';
import { namePattern, newLookPattern, pathPattern } from '../../../mod/names.ts';
import {
  BlockFile,
  FluidFile,
  FluidLookFile,
  GroupsFile,
  ItemFile,
  LookFile,
  NewLookFile,
  LootFile,
  LootTableFile,
  ModelFile,
  PackFile,
  RecipeFile,
  RegistryFile,
  SoundSetsFile,
  StripFile,
  TagFile,
  ToolsFile,
  WordsFile,
} from './schemas.ts';

/** The kinds of files in a pack. */
export type FileKind =
  | 'pack'
  | 'picture of the mod'
  | 'registry'
  | 'tools'
  | 'block'
  | 'fluid'
  | 'fluid look'
  | 'loot'
  | 'loot table'
  | 'groups'
  | 'block tag'
  | 'item tag'
  | 'recipe'
  | 'look'
  | 'new look'
  | 'model'
  | 'item'
  | 'texture'
  | 'strip'
  | 'sound sets'
  | 'sound'
  | 'words'
  | 'code';

/** One kind of file: where it lies, what it is called, and for JSON its schema. */
export interface FileRule {
  kind: FileKind;
  folder: string;
  ending: string;
  named: RegExp | string;
  schema?: z.ZodType;
  note: string;
}

const language = /^[A-Za-z]{2,3}(-[A-Za-z0-9]+)*$/;

/** The whole layout of a pack. The docs and the reader are made from this table. */
export const layout: readonly FileRule[] = [
  {
    kind: 'pack',
    folder: '',
    ending: '.json',
    named: 'pack',
    schema: PackFile,
    note: 'What the pack is, and the digest of every other file.',
  },
  {
    kind: 'picture of the mod',
    folder: '',
    ending: '.png',
    named: 'picture',
    note: 'What players see of the mod in lists: a square PNG, where there is one.',
  },
  {
    kind: 'registry',
    folder: '',
    ending: '.json',
    named: 'registry',
    schema: RegistryFile,
    note: 'The ledger: numbers, states and how state codes are laid out.',
  },
  {
    kind: 'tools',
    folder: 'rules/',
    ending: '.json',
    named: 'tools',
    schema: ToolsFile,
    note: 'The tool ladder: kinds with the tag of what they dig, grades with their paces.',
  },
  {
    kind: 'block',
    folder: 'rules/blocks/',
    ending: '.json',
    named: namePattern,
    schema: BlockFile,
    note: 'What the simulation needs of a block.',
  },
  {
    kind: 'fluid',
    folder: 'rules/fluids/',
    ending: '.json',
    named: namePattern,
    schema: FluidFile,
    note: 'How a fluid spreads, and what it does.',
  },
  {
    kind: 'loot',
    folder: 'rules/loot/',
    ending: '.json',
    named: namePattern,
    schema: LootFile,
    note: 'What a block drops.',
  },
  {
    kind: 'loot table',
    folder: 'rules/loot/tables/',
    ending: '.json',
    named: namePattern,
    schema: LootTableFile,
    note: 'A loot table that lots of several blocks draw from.',
  },
  {
    kind: 'block tag',
    folder: 'rules/tags/blocks/',
    ending: '.json',
    named: pathPattern,
    schema: TagFile,
    note:
      "Blocks under one name. Of another mod's tag, at `<namespace>/<name>`, the members " +
      'that this pack adds.',
  },
  {
    kind: 'item tag',
    folder: 'rules/tags/items/',
    ending: '.json',
    named: pathPattern,
    schema: TagFile,
    note: 'Items under one name, in the same way.',
  },
  {
    kind: 'recipe',
    folder: 'rules/recipes/',
    ending: '.json',
    named: namePattern,
    schema: RecipeFile,
    note: 'How something is made.',
  },
  {
    kind: 'look',
    folder: 'view/looks/',
    ending: '.json',
    named: namePattern,
    schema: LookFile,
    note: 'Which model each state of a block shows, and how it is drawn.',
  },
  {
    kind: 'new look',
    folder: 'view/looks/',
    ending: '.json',
    named: newLookPattern,
    schema: NewLookFile,
    note: 'The look that this pack gives a block of another mod, at `<namespace>/<name>`.',
  },
  {
    kind: 'fluid look',
    folder: 'view/fluids/',
    ending: '.json',
    named: namePattern,
    schema: FluidLookFile,
    note: 'What a fluid looks and sounds like.',
  },
  {
    kind: 'model',
    folder: 'view/models/',
    ending: '.json',
    named: pathPattern,
    schema: ModelFile,
    note: 'A template with its slots filled, or boxes.',
  },
  {
    kind: 'groups',
    folder: 'view/',
    ending: '.json',
    named: 'groups',
    schema: GroupsFile,
    note: 'The catalogue groups in their order.',
  },
  {
    kind: 'item',
    folder: 'view/items/',
    ending: '.json',
    named: namePattern,
    schema: ItemFile,
    note: 'How an item is held and where players find it.',
  },
  {
    kind: 'strip',
    folder: 'view/textures/',
    ending: '.strip.json',
    named: pathPattern,
    schema: StripFile,
    note: 'The timing of an animated texture.',
  },
  {
    kind: 'texture',
    folder: 'view/textures/',
    ending: '.png',
    named: pathPattern,
    note: 'A picture.',
  },
  {
    kind: 'sound sets',
    folder: 'view/sounds/',
    ending: '.json',
    named: 'sets',
    schema: SoundSetsFile,
    note: 'The sounds for place, step, dig, break and land.',
  },
  {
    kind: 'sound',
    folder: 'view/sounds/',
    ending: '.wav',
    named: pathPattern,
    note: 'A sound as WAV.',
  },
  {
    kind: 'sound',
    folder: 'view/sounds/',
    ending: '.ogg',
    named: pathPattern,
    note: 'A sound as Ogg.',
  },
  {
    kind: 'words',
    folder: 'view/words/',
    ending: '.json',
    named: language,
    schema: WordsFile,
    note: 'All texts in one language.',
  },
  {
    kind: 'code',
    folder: 'code/',
    ending: '.ts',
    named: 'ids',
    note: "Typed ids and state types for the mod's own code.",
  },
];

/**
 * The kind and name of a path in a pack, or undefined when nothing is kept there.
 * `view/models/lantern/lit.json` is the model `lantern/lit`.
 */
export function placeInPack(path: string): { rule: FileRule; name: string } | undefined {
  for (const rule of layout) {
    if (
      !path.startsWith(rule.folder) ||
      !path.endsWith(rule.ending) ||
      path.length <= rule.folder.length + rule.ending.length
    )
      continue;
    const name = path.slice(rule.folder.length, path.length - rule.ending.length);
    if (typeof rule.named === 'string' ? name === rule.named : rule.named.test(name))
      return { rule, name };
  }
  return undefined;
}

/** The path of a file in a pack: `pathInPack('look', 'brine')` is `view/looks/brine.json`. */
export function pathInPack(kind: FileKind, name: string, ending?: string): string {
  const rule = layout.find(
    (one) => one.kind === kind && (ending === undefined || one.ending === ending),
  )!;
  return `${rule.folder}${name}${rule.ending}`;
}
