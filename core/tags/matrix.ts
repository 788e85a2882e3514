import { Id, idOf, ownName, resolveBlocks, titleOf, type Mod, type TagKind } from '../mod/index.ts';
import type { Who } from './edit.ts';
import { needsOf } from './needs.ts';
import { circleProblem, directMembers, membersOf } from './members.ts';

/** One line of the matrix: something that can be in tags, or a tag that can be in other tags. */
export interface TagEntry extends Who {
  key: string;
  id: string;
  title: string;
}

/**
 * What stands in a cell: in the tag outright, through another tag, asked for by a trait, not allowed
 * since it would close a circle, or nothing.
 */
export type TagMark = 'in' | 'through' | 'wanted' | 'no' | '';

/**
 * Everything that can be in tags of a kind, by title, and then the mod's own tags; of these what
 * holds a text in its id or title.
 */
export function tagEntries(
  mod: Mod,
  kind: TagKind,
  tags: readonly string[],
  filter: string,
): TagEntry[] {
  const { namespace } = mod.header;
  const wanted = filter.trim().toLowerCase();
  const entry = (what: Who['what'], name: string, id: string, title: string): TagEntry => ({
    key: `${what} ${what === 'tag' ? id : name}`,
    what,
    name,
    id,
    title,
  });
  const blocks = Object.entries(mod.blocks)
    .filter(([, block]) => kind === 'blockTags' || (block.identity.item ?? 'none') !== 'none')
    .map(([name, { names }]) =>
      entry('blocks', name, idOf(namespace, name), titleOf(mod, name, names)),
    );
  const items = Object.entries(kind === 'itemTags' ? mod.items : {}).map(([name, { names }]) =>
    entry('items', name, idOf(namespace, name), titleOf(mod, name, names)),
  );
  const own = tags.flatMap((tag) => {
    const name = ownName(namespace, tag);
    return name === undefined ? [] : [entry('tag', name, tag, `#${name}`)];
  });
  const things = [...items, ...blocks].sort((a, b) => a.title.localeCompare(b.title, 'en'));
  return [...things, ...own].filter(
    ({ id, title }) => id.includes(wanted) || title.toLowerCase().includes(wanted),
  );
}

/**
 * The tags of a kind that are worth a column: the mod's own first, then others that something is in
 * or that somebody needs.
 */
export function tagsShown(mod: Mod, kind: TagKind): string[] {
  const { namespace } = mod.header;
  const direct = directMembers(mod, kind);
  const isForeign = (tag: string) => ownName(namespace, tag) === undefined;
  // A kind of tool that digs nothing of the mod asks for a tag that nobody misses.
  const isThere = (tag: string) =>
    kind === 'itemTags' ||
    direct.has(tag) ||
    Object.hasOwn(mod[kind], ownName(namespace, tag) ?? '');
  return [...new Set([...direct.keys(), ...needsOf(mod, kind).keys()])]
    .filter(isThere)
    .sort((a, b) => Number(isForeign(a)) - Number(isForeign(b)) || (a < b ? -1 : 1));
}

/**
 * Members of a tag that other mods bring, each once: what is typed, trimmed, without what can be no
 * id and what is the mod's own.
 */
export const foreignMembers = (namespace: string, members: readonly string[]): string[] =>
  [...new Set(members.map((member) => member.trim()))].filter((member) => {
    const id = member.replace('#', '');
    return Id.safeParse(id).success && ownName(namespace, id) === undefined;
  });

/** The id under which an entry is a member of a tag: a tag stands there with a `#`. */
export const memberOf = ({ what, id }: TagEntry): string => (what === 'tag' ? `#${id}` : id);

/** What stands in each cell of the matrix of a kind of tags. */
export function tagMarks(mod: Mod, kind: TagKind): (entry: TagEntry, tag: string) => TagMark {
  const direct = directMembers(mod, kind);
  const all = membersOf(mod, kind);
  const asked = kind === 'blockTags' ? tagsByTools(mod) : new Map<string, string>();
  const ofTag = (entry: TagEntry, tag: string): TagMark =>
    ownName(mod.header.namespace, tag) === undefined || circleProblem(mod, kind, tag, entry.id)
      ? 'no'
      : '';
  return (entry, tag) => {
    const member = memberOf(entry);
    if (direct.get(tag)?.has(member)) return 'in';
    if (entry.what === 'tag') return ofTag(entry, tag);
    if (all.get(tag)?.has(member)) return 'through';
    return asked.get(entry.id) === tag ? 'wanted' : '';
  };
}

/** For each block the tag that its trait asks for: what is dug with a pick is in that of the pick. */
function tagsByTools(mod: Mod): Map<string, string> {
  const { kinds } = mod.header.tools;
  return new Map(
    resolveBlocks(mod).flatMap(({ id, traits: { toolKind } }) => {
      const tag = toolKind === 'none' ? undefined : kinds[toolKind]?.tag;
      return tag === undefined ? [] : [[id, tag] as const];
    }),
  );
}
