import type { Block } from './block.schema.ts';
import type { Item } from './entries.schema.ts';

export type TagKind = 'blockTags' | 'itemTags';

/** The parts of a mod in which blocks and items say which tags they are in. */
export interface Taggable {
  blocks: Readonly<
    Record<string, Partial<Pick<Block, 'tags'>> & Pick<Block, 'itemTags' | 'identity'>>
  >;
  items: Readonly<Record<string, Pick<Item, 'tags'>>>;
}

/** Something that is in tags: its name, the entry that says so, and the tags. */
export interface Tagged {
  name: string;
  kind: 'blocks' | 'items';
  at: string[];
  tags: readonly string[];
}

/** A block or an item with the tags of a kind that it says it is in. */
export function taggedEntry(
  kind: TagKind,
  of: Tagged['kind'],
  name: string,
  entry: Taggable['blocks'][string] | Taggable['items'][string],
): Tagged {
  if (of === 'items' || !('identity' in entry))
    return { name, kind: of, at: ['items', name, 'tags'], tags: entry.tags ?? [] };
  if (kind === 'blockTags')
    return { name, kind: of, at: ['blocks', name, 'tags'], tags: entry.tags ?? [] };
  const isHeld = (entry.identity.item ?? 'none') !== 'none';
  const tags = isHeld ? (entry.itemTags ?? []) : [];
  return { name, kind: of, at: ['blocks', name, 'itemTags'], tags };
}

const known = new WeakMap<
  Taggable['blocks'],
  Partial<Record<TagKind, { items: Taggable['items']; list: readonly Tagged[] }>>
>();

/**
 * Every block (of block tags) or everything that can be held (of item tags), by name, with the tags
 * that it says it is in.
 */
export function taggedIn(mod: Taggable, kind: TagKind): readonly Tagged[] {
  const before = known.get(mod.blocks);
  const kept = before?.[kind];
  if (kept && (kept.items === mod.items || kind === 'blockTags')) return kept.list;
  const blocks = Object.entries(mod.blocks).map(([name, block]) =>
    taggedEntry(kind, 'blocks', name, block),
  );
  const items =
    kind === 'blockTags'
      ? []
      : Object.entries(mod.items).map(([name, item]) => taggedEntry(kind, 'items', name, item));
  const list = [...blocks, ...items].sort((a, b) => (a.name < b.name ? -1 : 1));
  known.set(mod.blocks, { ...before, [kind]: { items: mod.items, list } });
  return list;
}
