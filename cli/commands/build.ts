import path from 'node:path';
import { tally } from '../../core/inspect/index.ts';
import type { Plan } from '../../core/api/index.ts';
import { findKit, kitsFor, type Kit } from '../../core/kits/index.ts';
import { kitsOf } from '../../core/mod/kits-of.ts';
import type { Mod } from '../../core/mod/index.ts';
import { closest, didYouMean } from '../../core/words/index.ts';
import { expandFamilies } from '../../core/families/index.ts';
import { readModFolder } from '../../core/folder/index.ts';
import { DiskProblem, readModOrPack, shown, writeBuild } from '../../disk/index.ts';
import { inspectTree } from '../inspect-tree.ts';
import { whenever } from '../whenever.ts';

export interface BuildCommandOptions {
  out: string;
  kit?: string;
  each?: boolean;
  mine: string[];
  overwrite?: boolean;
  watch?: boolean;
}

/**
 * Builds a mod folder into a pack folder or one file: for the kit that it asks first, for the one
 * that is named, or for each of its kits into a folder of its own. A mod with errors is not built.
 */
export async function build(folder: string, options: BuildCommandOptions): Promise<number> {
  const once = async (): Promise<number> => buildOnce(folder, options);
  return options.watch ? whenever(folder, once) : once();
}

async function buildOnce(folder: string, options: BuildCommandOptions): Promise<number> {
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
  for (const kit of kitsToBuild(mod, options)) {
    const files = kit.write(mod, (sha256) => blobs.get(sha256)!);
    const out = wholePath(options.each ? path.join(options.out, kit.name) : options.out);
    const { overwrite } = options;
    const plan = await writeBuild(out, { files, kit }, { alsoKeep: options.mine, overwrite });
    console.log(inSum(plan, files.size));
  }
  return 0;
}

function kitsToBuild(mod: Mod, { kit, each }: BuildCommandOptions): Kit[] {
  if (each && kit !== undefined)
    throw new DiskProblem('Say either --kit and a name, or --each for all kits of the mod.');
  const names = each ? kitsOf(mod.header) : [kit ?? mod.header.kit];
  return names.map((name) => {
    const found = findKit(mod, name);
    if (found) return found;
    const near = closest(
      name,
      kitsFor(mod).map((one) => one.name),
    );
    throw new DiskProblem(`There is no kit called ${shown(name)}.${didYouMean(near)}`);
  });
}

/** What a build did, in a line. */
function inSum({ target, files }: Plan, many: number): string {
  const count = (...fates: Plan['files'][number]['fate'][]) =>
    files.filter((file) => fates.includes(file.fate)).length;
  const byHand = count('merged', 'clash', 'mine');
  return (
    `${many} files in ${shown(target)}: ${count('new')} new, ` +
    `${count('changed', 'edited', 'foreign')} changed, ${count('same')} the same, ` +
    `${count('gone')} gone${byHand ? `, ${byHand} kept by hand` : ''}.`
  );
}

/**
 * A path as the shell means it: from the working folder, unless it begins at home or at the root.
 */
const wholePath = (given: string): string =>
  given.trim() === '' || /^~(?=[/\\]|$)/.test(given) ? given : path.resolve(given);
