import { idOfShown, lookUp, titleOf, type Mod } from '../../../core/mod/index.ts';

const collators = new Map<string, Intl.Collator>();
/**
 * Comparing by the rules of a language; made once, since making one costs more than a thousand
 * comparisons.
 */
const collator = (language: string): Intl.Collator => {
  const known = collators.get(language) ?? new Intl.Collator(language, { numeric: true });
  collators.set(language, known);
  return known;
};

export interface ShelfBlock {
  name: string;
  title: string;
  id: string;
}
export interface ShelfGroup {
  title: string;
  blocks: ShelfBlock[];
}

/**
 * The blocks of a mod by catalogue group in the order of the catalogue, those without one last,
 * each sorted by title, and after them those that get a new look; filtered by title or id.
 */
export function shelfGroups(mod: Mod, filter = ''): ShelfGroup[] {
  const language = mod.header.languages[0] ?? 'en';
  const wanted = filter.trim().toLowerCase();
  const groups = new Map<string | undefined, ShelfBlock[]>(
    mod.header.groups.map((group) => [group.name, []]),
  );
  for (const [name, block] of Object.entries(mod.blocks)) {
    const one = {
      name,
      title: titleOf(mod, name, block.names),
      id: `${mod.header.namespace}:${name}`,
    };
    if (wanted && !one.title.toLowerCase().includes(wanted) && !one.id.includes(wanted)) continue;
    const group = groups.has(block.identity.group) ? block.identity.group : undefined;
    const list = groups.get(group);
    if (list) list.push(one);
    else groups.set(group, [one]);
  }
  const titles = new Map(
    mod.header.groups.map((group) => [group.name, lookUp(group.names, language) ?? group.name]),
  );
  return [
    ...[...groups]
      .filter(([, blocks]) => blocks.length)
      .map(([group, blocks]) => ({
        title: group === undefined ? 'In no group' : (titles.get(group) ?? group),
        blocks: blocks.sort((a, b) => collator(language).compare(a.title, b.title)),
      })),
    ...ofOthers(mod, wanted),
  ];
}

/** The blocks of other mods that have a new look, by id. */
function ofOthers(mod: Mod, wanted: string): ShelfGroup[] {
  const blocks = Object.keys(mod.newLooks)
    .map((name) => ({
      name,
      title: titleOf(mod, name, undefined),
      id: idOfShown(mod.header.namespace, name),
    }))
    .filter(({ title, id }) => !wanted || title.includes(wanted) || id.includes(wanted))
    .sort((a, b) => (a.id < b.id ? -1 : 1));
  return blocks.length ? [{ title: 'New looks for blocks of others', blocks }] : [];
}

/** A group as far as it is shown, and how many blocks it has in all. */
export interface ShownGroup extends ShelfGroup {
  total: number;
}

/**
 * The first so many blocks of all groups, group by group; groups of which nothing is left are left
 * out.
 */
export function firstOf(groups: readonly ShelfGroup[], most: number): ShownGroup[] {
  const shown: ShownGroup[] = [];
  let room = most;
  for (const { title, blocks } of groups) {
    const first = blocks.slice(0, room);
    room -= first.length;
    if (first.length) shown.push({ title, blocks: first, total: blocks.length });
  }
  return shown;
}
