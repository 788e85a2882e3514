import path from 'node:path';
import { tally } from '../../core/inspect/index.ts';
import { kitFor } from '../../core/kits/index.ts';
import { expandFamilies } from '../../core/families/index.ts';
import { readModFolder } from '../../core/folder/index.ts';
import { DiskProblem, readModOrPack, shown, writeBuild } from '../../disk/index.ts';
import { inspectTree } from '../inspect-tree.ts';

export interface BuildCommandOptions {
  out: string;
  overwrite?: boolean;
}

/** Builds a mod folder into a pack folder or one file. A mod with errors is not built. */
export async function build(
  folder: string,
  { out, overwrite }: BuildCommandOptions,
): Promise<number> {
  const tree = await readModOrPack(folder);
  if (tree.kind !== 'mod')
    throw new DiskProblem(
      `${shown(folder)} is a pack already. Give the folder of a mod, the one with mod.json.`,
    );
  const { error } = tally(inspectTree(tree));
  if (error) {
    console.error(
      `The mod has ${error} ${error === 1 ? 'error' : 'errors'}, so nothing was built. See ` +
        `them with: npm run -s obrank -- check ${shown(folder)}`,
    );
    return 1;
  }
  const { mod: declared, blobs } = readModFolder(tree.files);
  const mod = expandFamilies(declared);
  const kit = kitFor(mod);
  const files = kit.write(mod, (sha256) => blobs.get(sha256)!);
  const plan = await writeBuild(wholePath(out), { files, kit }, { overwrite });
  const count = (fate: string) => plan.files.filter((file) => file.fate === fate).length;
  console.log(
    `${files.size} files in ${shown(plan.target)}: ${count('new')} new, ` +
      `${count('changed') + count('edited') + count('foreign')} changed, ${count('same')} ` +
      `the same, ${count('gone')} gone.`,
  );
  return 0;
}

/**
 * A path as the shell means it: from the working folder, unless it begins at home or at the root.
 */
const wholePath = (given: string): string =>
  given.trim() === '' || /^~(?=[/\\]|$)/.test(given) ? given : path.resolve(given);
