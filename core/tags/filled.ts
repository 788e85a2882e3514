import { moving } from '../lists/index.ts';
import {
  idOf,
  lookUp,
  ownName,
  taggedEntry,
  type Mod,
  type Taggable,
  type Tagged,
  type TagKind,
} from '../mod/index.ts';

/** By the id of a tag how many say that they are in it. */
type Counts = Map<string, number>;

const counted = (kind: TagKind, of: Tagged['kind']) =>
  moving<Parameters<typeof taggedEntry>[3], Counts, []>(
    () => new Map(),
    (counts, name, entry, before) => {
      const add = (one: typeof entry, by: number) => {
        if (one)
          for (const tag of taggedEntry(kind, of, name, one).tags)
            counts.set(tag, (counts.get(tag) ?? 0) + by);
      };
      add(before, -1);
      add(entry, 1);
    },
  );
const sayings = {
  blockTags: [counted('blockTags', 'blocks')],
  itemTags: [counted('itemTags', 'blocks'), counted('itemTags', 'items')],
} as const;

/**
 * Tells whether anything is in a tag, tags in tags followed; what another mod's tag holds counts as
 * something. After an edit only who changed is counted anew.
 *
 * @example isFilled(mod, 'blockTags')('saltmarsh:shore')
 */
export function isFilled(
  mod: Pick<Mod, 'header' | TagKind> & Taggable,
  kind: TagKind,
): (tag: string) => boolean {
  const { namespace } = mod.header;
  const entries = [mod.blocks, mod.items] as const;
  const counts = sayings[kind].map((of, i) => of(entries[i] as Parameters<typeof of>[0]));
  const isSaid = (tag: string) => counts.some((of) => (of.get(tag) ?? 0) > 0);
  const declared = (tag: string) => lookUp(mod[kind], ownName(namespace, tag) ?? '');
  return (tag) => {
    const inside = new Set([tag]);
    for (const id of inside) {
      if (isSaid(id)) return true;
      for (const member of declared(id)?.members ?? []) {
        const other = member.startsWith('#') ? member.slice(1) : undefined;
        if (other === undefined || !(declared(other) ?? isSaid(other))) return true;
        inside.add(other);
      }
    }
    return false;
  };
}

/** The tags that a tag of the mod holds whole. */
export const tagsInside = (mod: Pick<Mod, 'header' | TagKind>, kind: TagKind, tag: string) =>
  (lookUp(mod[kind], ownName(mod.header.namespace, tag) ?? '')?.members ?? [])
    .filter((member) => member.startsWith('#'))
    .map((member) => member.slice(1));

/** The ids of the tags that the mod declares. */
export const declaredTags = (mod: Pick<Mod, 'header' | TagKind>, kind: TagKind): string[] =>
  Object.keys(mod[kind]).map((name) => idOf(mod.header.namespace, name));
