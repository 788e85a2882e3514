import { readFiles } from './read-files.ts';
import { flattened } from '../../core/families/index.ts';
import { readModFolder } from '../../core/folder/index.ts';
import { loadPack } from '../../core/kits/index.ts';
import { writeBlockPack } from '../../core/kits/block-pack/write/index.ts';
import type { Files } from '../../core/bytes/index.ts';
import type { Mod } from '../../core/mod/index.ts';
import type { PackWorld } from '../../core/yard/index.ts';

let made: { mod: Mod; files: Files; world: PackWorld } | undefined;

/** The demo, its pack, and the world of that, made once for each file of tests. */
export function demoWorld(): { mod: Mod; files: Files; world: PackWorld } {
  if (made) return made;
  const folder = readModFolder(readFiles('demo/saltmarsh'));
  const mod = flattened(folder.mod);
  const files = writeBlockPack(mod, (sha256) => folder.blobs.get(sha256)!);
  made = { mod, files, world: loadPack(files).world };
  return made;
}
