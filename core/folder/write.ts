import type { Files } from '../bytes/index.ts';
import { printJson } from '../json/index.ts';
import type { Written } from '../mend/index.ts';
import { besidePictures, inOrder, jsonFolders, type Mod } from '../mod/index.ts';
import { keptFolder, pictureFile } from './kept.ts';
import { fileOfKit } from './kits.ts';

/** Every JSON file of a mod folder, one after the other. */
export function* documentsOfFolder(mod: Mod): Generator<Written> {
  // What lies in kept/ says itself what it is, as pictures do.
  const { kept: _, picture: __, ...header } = mod.header;
  yield ['mod.json', header];
  yield ['ledger.json', mod.ledger];
  for (const [kind, folder] of jsonFolders)
    for (const [name, entry] of Object.entries(mod[kind])) yield [`${folder}/${name}.json`, entry];
  for (const [name, texture] of Object.entries(mod.textures))
    for (const part of besidePictures)
      if (texture[part]) yield [`textures/${name}.${part}.json`, texture[part]];
  for (const [name, kit] of Object.entries(mod.kits))
    yield [fileOfKit({ kind: 'kits', name }), kit];
}

/**
 * A mod as the files of its folder: one JSON file an entry, pictures and sounds beside. Throws when
 * a blob is not given.
 */
export function writeModFolder(given: Mod, blob: (sha256: string) => Uint8Array): Files {
  const mod = inOrder(given);
  const files: Files = new Map();
  for (const [path, document] of documentsOfFolder(mod))
    files.set(path, new TextEncoder().encode(printJson(document)));
  for (const [name, { picture }] of Object.entries(mod.textures))
    files.set(`textures/${name}.png`, blob(picture.sha256));
  for (const [name, sound] of Object.entries(mod.sounds))
    files.set(`sounds/${name}.${sound.format}`, blob(sound.sha256));
  for (const [name, { text }] of Object.entries(mod.kitFiles))
    files.set(fileOfKit({ kind: 'kitFiles', name }), new TextEncoder().encode(text));
  if (mod.header.picture) files.set(pictureFile, blob(mod.header.picture.sha256));
  for (const [path, { sha256 }] of Object.entries(mod.header.kept ?? {}))
    files.set(`${keptFolder}${path}`, blob(sha256));
  return new Map([...files].sort(([a], [b]) => (a < b ? -1 : 1)));
}
