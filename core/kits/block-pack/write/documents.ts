import type { Written } from '../../../mend/index.ts';
import { idOf, idOfShown, lookUp, type Mod, type ResolvedBlock } from '../../../mod/index.ts';
import { pathInPack } from '../format/index.ts';
import { writeBlock, writeLook, writeLoot, writeNewLook } from './block.ts';
import { writeFluid, writeFluidLook } from './fluid.ts';
import {
  writeGroups,
  writeItems,
  writeRegistry,
  writeTags,
  writeTools,
  writeWords,
} from './entries.ts';

/** The files that follow from one block alone. */
export const documentsOfBlock = (mod: Mod, block: ResolvedBlock): Written[] => [
  [pathInPack('block', block.name), writeBlock(mod, block)],
  [pathInPack('loot', block.name), writeLoot(block)],
  [pathInPack('look', block.name), writeLook(block)],
];

/** Every JSON file of a pack but `pack.json`, one after the other. */
export function* documentsOf(
  mod: Mod,
  blocks: readonly ResolvedBlock[],
  onProgress?: (done: number, total: number) => void,
): Generator<Written> {
  for (const [done, block] of blocks.entries()) {
    if (done % 64 === 0) onProgress?.(done, blocks.length);
    yield* documentsOfBlock(mod, block);
  }
  yield* documentsBeside(mod, blocks);
}

/** The JSON files that follow from more than one block, and from the other entries. */
export function* documentsBeside(mod: Mod, blocks: readonly ResolvedBlock[]): Generator<Written> {
  const { header, soundSets } = mod;
  for (const [name, tag] of writeTags(mod, 'blockTags')) yield [pathInPack('block tag', name), tag];
  for (const [name, tag] of writeTags(mod, 'itemTags')) yield [pathInPack('item tag', name), tag];
  for (const [name, { draws }] of Object.entries(mod.lootTables))
    yield [pathInPack('loot table', name), { id: idOf(header.namespace, name), draws }];
  for (const [name, fluid] of Object.entries(mod.fluids)) {
    yield [pathInPack('fluid', name), writeFluid(header.namespace, name, fluid)];
    yield [pathInPack('fluid look', name), writeFluidLook(header.namespace, name, fluid)];
  }
  yield [pathInPack('tools', 'tools'), writeTools(header)];
  yield [pathInPack('groups', 'groups'), writeGroups(header)];
  for (const [name, recipe] of Object.entries(mod.recipes))
    yield [pathInPack('recipe', name), recipe];
  for (const [name, look] of Object.entries(mod.newLooks))
    yield [pathInPack('new look', name), writeNewLook(idOfShown(header.namespace, name), look)];
  for (const [name, model] of Object.entries(mod.models)) yield [pathInPack('model', name), model];
  for (const [name, item] of writeItems(mod, blocks)) yield [pathInPack('item', name), item];
  for (const language of header.languages)
    yield [pathInPack('words', language), writeWords(mod, language)];
  for (const [name, { strip }] of Object.entries(mod.textures))
    if (strip) yield [pathInPack('strip', name), strip];
  const sets = Object.keys(soundSets).sort();
  yield [
    pathInPack('sound sets', 'sets'),
    Object.fromEntries(sets.map((name) => [idOf(header.namespace, name), lookUp(soundSets, name)])),
  ];
  yield [
    pathInPack('registry', 'registry'),
    writeRegistry(mod, new Map(blocks.map((block) => [block.name, block]))),
  ];
}
