import type { Mod } from './mod.schema.ts';
import { idOf } from './names.ts';
import { titleOf } from './resolve.ts';

/** Something that players find in the catalogue: a block with an item form, or an item. */
export interface CatalogueEntry {
  kind: 'blocks' | 'items';
  name: string;
  id: string;
  title: string;
}

/** What is found in each catalogue group, by its name; under undefined what is in none. */
export function catalogueOf(mod: Mod): Map<string | undefined, CatalogueEntry[]> {
  const { namespace, groups } = mod.header;
  const found = new Map<string | undefined, CatalogueEntry[]>([[undefined, []]]);
  for (const { name } of groups) found.set(name, []);
  const add = (
    kind: CatalogueEntry['kind'],
    name: string,
    group: string | undefined,
    names: Readonly<Record<string, string>>,
  ) =>
    (found.get(group) ?? found.get(undefined))?.push({
      kind,
      name,
      id: idOf(namespace, name),
      title: titleOf(mod, name, names),
    });
  for (const [name, { identity, names }] of Object.entries(mod.blocks))
    if ((identity.item ?? 'none') !== 'none') add('blocks', name, identity.group, names);
  for (const [name, { group, names }] of Object.entries(mod.items))
    add('items', name, group, names);
  return found;
}
