import type { Files } from '../bytes/index.ts';
import { printJson } from '../json/index.ts';
import { inOrder, jsonFolders, type Mod } from '../mod/index.ts';

/**
 * A mod as the files of its folder: one JSON file an entry, pictures and sounds beside. Throws when
 * a blob is not given.
 */
export function writeModFolder(given: Mod, blob: (sha256: string) => Uint8Array): Files {
  const mod = inOrder(given);
  const files: Files = new Map();
  const text = (path: string, value: unknown) =>
    files.set(path, new TextEncoder().encode(printJson(value)));
  text('mod.json', mod.header);
  text('ledger.json', mod.ledger);
  for (const [kind, folder] of jsonFolders)
    for (const [name, entry] of Object.entries(mod[kind])) text(`${folder}/${name}.json`, entry);
  for (const [name, { picture, strip }] of Object.entries(mod.textures)) {
    files.set(`textures/${name}.png`, blob(picture.sha256));
    if (strip) text(`textures/${name}.strip.json`, strip);
  }
  for (const [name, sound] of Object.entries(mod.sounds))
    files.set(`sounds/${name}.${sound.format}`, blob(sound.sha256));
  return new Map([...files].sort(([a], [b]) => (a < b ? -1 : 1)));
}
