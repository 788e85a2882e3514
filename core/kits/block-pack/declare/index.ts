import { pointer } from '../../../json/index.ts';
import {
  emptyMod,
  ownName,
  restingOn,
  traitFacts,
  traitNames,
  type Mod,
} from '../../../mod/index.ts';
import type { Declared } from '../../declared.ts';
import { pathInPack, type FileKind } from '../format/index.ts';
import type { ReadPack } from '../read/index.ts';
import { blocksOf, newLooksOf, standInModel, standInName } from './blocks.ts';
import { fluidLookParts, fluidsOf } from './fluids.ts';
import { headerOf, itemsOf, ledgerOf, soundsOf, tagsOf, texturesOf, wordsOf } from './entries.ts';
import { placesIn } from './places.ts';

/**
 * What a pack declares, as a mod: the same form that its author could have declared in Obrank.
 * Undefined without a `pack.json` that can be read, since nothing is known then of whose names are
 * whose.
 *
 * @example declaredBy(readPack(files))?.mod.blocks['brine']
 */
export function declaredBy(pack: ReadPack): Declared | undefined {
  if (!pack.pack) return undefined;
  const { namespace, title } = pack.pack.value;
  const values = <T>(list: Map<string, { value: T }>): Record<string, T> =>
    Object.fromEntries([...list].map(([name, { value }]) => [name, value]));
  const mod: Mod = {
    ...emptyMod(namespace, title),
    models: values(pack.models),
    textures: texturesOf(pack),
    sounds: soundsOf(pack),
    recipes: values(pack.recipes),
    lootTables: Object.fromEntries(
      [...pack.lootTables].map(([name, { value }]) => [name, { draws: value.draws }]),
    ),
    soundSets: Object.fromEntries(
      Object.entries(pack.soundSets?.value ?? {}).map(([id, set]) => [
        ownName(namespace, id) ?? id,
        set,
      ]),
    ),
    blocks: blocksOf(pack),
    newLooks: newLooksOf(pack),
    fluids: fluidsOf(pack),
    items: itemsOf(pack),
  };
  for (const { kind, name } of pack.unread.all()) standIn(mod, kind, name);
  if (Object.keys(mod.blocks).some((name) => !pack.looks.has(name)))
    mod.models[standInName] = standInModel;
  Object.assign(mod, tagsOf(pack, mod));
  mod.header = headerOf(pack);
  mod.words = wordsOf(pack, mod);
  mod.ledger = ledgerOf(pack, mod);
  return {
    mod,
    unread: unreadIn(pack, mod),
    unreadFiles: unreadFilesIn(pack),
    placeOf: placesIn(pack, mod),
  };
}

/** The files that could not be taken, and those that are missing although others rest on them. */
function unreadFilesIn(pack: ReadPack): string[] {
  if (pack.isForServers) return ['view/'];
  const looks = [...pack.blocks.keys()].filter((name) => !pack.looks.has(name));
  const files = [
    ...pack.unread.all().map(({ kind, name }) => pathInPack(kind, name)),
    ...looks.map((name) => pathInPack('look', name)),
  ];
  return [...new Set(files)].sort();
}

/** Puts something in the place of what is there and could not be read. */
function standIn({ models, lootTables }: Mod, kind: FileKind, name: string): void {
  if (kind === 'model') models[name] ??= standInModel;
  if (kind === 'loot table') lootTables[name] ??= { draws: [] };
}

/** The parts of the mod that are there, and of which nothing is known. */
function unreadIn(pack: ReadPack, { header, blocks, items, models }: Mod): Set<string> {
  // Nothing in a pack says what the world has by itself.
  const unread = new Set(['/natural']);
  const add = (...steps: string[]) => unread.add(pointer(steps));
  const addLook = (name: string) => {
    add('blocks', name, 'looks');
    for (const trait of traitNames)
      if (traitFacts(trait).pack === 'display') add('blocks', name, 'traits', trait);
  };
  const addFluidLook = (name: string) => {
    for (const part of [...fluidLookParts, 'names']) add('fluids', name, part);
  };
  for (const { kind, name } of pack.unread.all()) {
    const list = listOf[kind];
    if (list) add(list, name);
    else if (kind === 'item')
      add(...(blocks[name] ? ['blocks', name, 'identity'] : ['items', name]));
    else if (kind === 'loot') add('blocks', name, 'loot');
    else if (kind === 'look') addLook(name);
    else if (kind === 'fluid look') addFluidLook(name);
    else if (kind === 'strip') add('textures', name, 'strip');
    else if (kind === 'groups' || kind === 'tools') add('header', kind);
    else if (kind === 'sound sets') add('soundSets');
  }
  for (const name of restingOn(header.namespace, models, unread)) add('models', name);
  if (!pack.registry) add('ledger');
  for (const name of pack.blocks.keys()) if (!pack.looks.has(name)) addLook(name);
  for (const name of pack.fluids.keys()) if (!pack.fluidLooks.has(name)) addFluidLook(name);
  if (models[standInName]) add('models', standInName);
  if (pack.isForServers) {
    add('header', 'groups');
    for (const name of pack.blocks.keys()) {
      add('blocks', name, 'identity');
      add('blocks', name, 'names');
    }
    for (const name of Object.keys(items)) add('items', name);
  }
  return unread;
}

const listOf: Partial<Record<FileKind, string>> = {
  block: 'blocks',
  fluid: 'fluids',
  'loot table': 'lootTables',
  'block tag': 'blockTags',
  'item tag': 'itemTags',
  recipe: 'recipes',
  'new look': 'newLooks',
  model: 'models',
  texture: 'textures',
  sound: 'sounds',
  words: 'words',
};
