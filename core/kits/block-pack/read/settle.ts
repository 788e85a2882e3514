import { splitId } from '../../../mod/names.ts';
import { pathInPack, type FileKind } from '../format/index.ts';
import type { ReadFile, ReadPack } from './index.ts';

/** The lists of files that say themselves what they are about, and under which key. */
const speaking = [
  ['blocks', 'block', 'id'],
  ['items', 'item', 'id'],
  ['looks', 'look', 'block'],
  ['fluids', 'fluid', 'id'],
  ['fluidLooks', 'fluid look', 'fluid'],
  ['loot', 'loot', 'block'],
  ['lootTables', 'loot table', 'id'],
] as const;

/**
 * Puts each file where it says that it belongs when nothing else is there, so that a file that was
 * misnamed is one mistake and not also a missing one. A copy that still speaks of its original is
 * taken for neither.
 */
export function settleNames(pack: ReadPack): void {
  for (const [list, kind, key] of speaking) {
    const files = pack[list] as Map<string, ReadFile<Record<string, unknown>>>;
    for (const [name, file] of [...files]) {
      const meant = splitId(String(file.value[key])).name;
      if (meant === name) continue;
      files.delete(name);
      if (files.has(meant)) {
        pack.copies.push({ file, id: String(file.value[key]), at: `/${key}` });
        pack.unread.add(kind, name);
      } else files.set(meant, { ...file, name: meant });
    }
  }
}

/**
 * Files that are not there although another one rests on them. Each is told once, and what rests on
 * it is not told besides.
 */
export function tellMissing(pack: ReadPack): void {
  const gone = (kind: FileKind, name: string, by: ReadFile<unknown>, at: string, why: string) => {
    if (pack.unread.has(kind, name)) return;
    const path = pathInPack(kind, name);
    pack.missing.add(path);
    pack.unread.add(kind, name);
    pack.problems.push({
      rule: 'files/missing',
      file: by.file,
      place: by.placeOf(at),
      message: `${why}, but ${path} is not there.`,
    });
  };
  pack.registry?.value.entries.forEach(({ kind, id }, i) => {
    const { name } = splitId(id);
    const isThere =
      kind === 'fluid'
        ? pack.fluids.has(name)
        : pack.blocks.has(name) || (kind === 'item' && pack.items.has(name));
    if (kind === 'group' || isThere || (kind === 'item' && pack.isForServers)) return;
    gone(kind, name, pack.registry!, `/entries/${i}`, `registry.json lists the ${kind} ${id}`);
  });
  const dug = [...pack.blocks.values()].find(({ value }) => value.tool);
  if (!pack.tools && dug)
    gone('tools', 'tools', dug, '/tool', `${dug.value.id} is dug with a tool`);
  const grouped = [...pack.items.values()].find(({ value }) => value.group !== undefined);
  if (!pack.groups && grouped)
    gone('groups', 'groups', grouped, '/group', `${grouped.value.id} is in a catalogue group`);
  const own = `${pack.pack?.value.namespace}:`;
  const heard = [...pack.looks.values()].find(({ value }) =>
    value.display.soundSet.startsWith(own),
  );
  if (!pack.soundSets && heard)
    gone(
      'sound sets',
      'sets',
      heard,
      '/display/soundSet',
      `${heard.value.block} has a sound set of this pack`,
    );
}
