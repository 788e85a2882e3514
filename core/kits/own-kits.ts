import type { Mod } from '../mod/index.ts';
import { kitFrom, type WrittenKit } from './own/index.ts';

type Keeping = Pick<Mod, 'kits' | 'kitFiles'>;
type Texts = ReadonlyMap<string, string>;

const known = new WeakMap<Mod['kits'], { files: Mod['kitFiles']; kits: readonly WrittenKit[] }>();
const made = new WeakMap<Mod['kits'][string], { name: string; texts: Texts; kit: WrittenKit }>();

/**
 * The kits that are kept with a mod. The same as before for as long as neither a kit nor one of its
 * texts changes.
 */
export function ownKitsOf({ kits, kitFiles }: Keeping): readonly WrittenKit[] {
  const before = known.get(kits);
  if (before?.files === kitFiles) return before.kits;
  const list = Object.keys(kits)
    .sort()
    .map((name) => ownKit(name, kits[name]!, textsOfKit(kitFiles, name)));
  known.set(kits, { files: kitFiles, kits: list });
  return list;
}

/** The texts of a kit by their paths in its folder. */
export function textsOfKit(kitFiles: Mod['kitFiles'], kit: string): Map<string, string> {
  const folder = `${kit}/`;
  return new Map(
    Object.entries(kitFiles).flatMap(([name, { text }]) =>
      name.startsWith(folder) ? [[name.slice(folder.length), text] as const] : [],
    ),
  );
}

function ownKit(name: string, own: Mod['kits'][string], texts: Texts): WrittenKit {
  const before = made.get(own);
  if (before?.name === name && sameTexts(before.texts, texts)) return before.kit;
  const kit = kitFrom(name, own, texts);
  made.set(own, { name, texts, kit });
  return kit;
}

const sameTexts = (a: Texts, b: Texts): boolean =>
  a.size === b.size && [...a].every(([path, text]) => b.get(path) === text);
