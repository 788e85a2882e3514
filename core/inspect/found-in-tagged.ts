import { foundInEach } from '../lists/index.ts';
import { taggedEntry, type Taggable, type Tagged, type TagKind } from '../mod/index.ts';

/**
 * What is found in each block or item by the tags that it says it is in, remembered: after an edit
 * only who changed is looked at.
 *
 * @example foundInTagged(({ name, tags }) => (tags.length ? [] : [name]))(mod, 'blockTags')
 */
export function foundInTagged<R, G extends readonly unknown[]>(
  find: (tagged: Tagged, ...given: G) => readonly R[],
): (mod: Taggable, kind: TagKind, ...given: G) => R[] {
  const each = <E>(kind: TagKind, of: Tagged['kind']) =>
    foundInEach<E, R, G>((name, entry, ...given) =>
      find(taggedEntry(kind, of, name, entry as Parameters<typeof taggedEntry>[3]), ...given),
    );
  const blocks = {
    blockTags: each<Taggable['blocks'][string]>('blockTags', 'blocks'),
    itemTags: each<Taggable['blocks'][string]>('itemTags', 'blocks'),
  };
  const items = each<Taggable['items'][string]>('itemTags', 'items');
  return (mod, kind, ...given) => [
    ...blocks[kind](mod.blocks, ...given),
    ...(kind === 'itemTags' ? items(mod.items, ...given) : []),
  ];
}
