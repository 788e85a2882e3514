import type { PackWorld, YardItem } from './pack-world.ts';

/** What the texts of a pack name. */
type Named = 'block' | 'item' | 'fluid' | 'group';

/**
 * What a thing is called, by the section Words of the format: its text, or the key of it where the
 * pack has none. What is not the pack's own is called by its id.
 *
 * @example nameIn(world, 'saltmarsh:tide_lantern') // 'Tide lantern'
 */
export function nameIn(world: PackWorld, id: string, kind: Named = 'block'): string {
  const at = id.indexOf(':');
  const name = id.slice(at + 1);
  if (id.slice(0, at) !== world.namespace) return inWords(name);
  const key = `${kind}.${name}`;
  return world.text(key) ?? key;
}

/** What an item is called: as its block is, where it places one of the same id. */
export function itemTitle(world: PackWorld, { id, tool }: YardItem): string {
  if (tool && id.startsWith('obrank:tool/'))
    return `${world.tools.grades[tool.grade]?.name ?? tool.grade} ${tool.kind}`;
  return nameIn(world, id, world.blocks.has(id) ? 'block' : 'item');
}

export const stockGroup = 'obrank:stock';
export const toolGroup = 'obrank:tools';

/** What a group of the catalogue is called. */
export function groupTitle(world: PackWorld, group: string | undefined): string {
  if (group === undefined) return 'Elsewhere';
  if (group === stockGroup) return 'Stock materials';
  return group === toolGroup ? 'Tools of the ladder' : nameIn(world, group, 'group');
}

/** A name as words that begin with a capital. */
function inWords(name: string): string {
  const words = name.replaceAll('_', ' ');
  return words.charAt(0).toUpperCase() + words.slice(1);
}
