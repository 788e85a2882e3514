import path from 'node:path';
import { tally } from '../../core/inspect/index.ts';
import type { Plan } from '../../core/api/index.ts';
import { findKit, kitsFor, type Kit } from '../../core/kits/index.ts';
import { kitsOf } from '../../core/mod/kits-of.ts';
import { lookUp, type Mod } from '../../core/mod/index.ts';
import { closest, didYouMean } from '../../core/words/index.ts';
import { expandFamilies } from '../../core/families/index.ts';
import { onlyBlocks } from '../../core/take-over/index.ts';
import { readModFolder } from '../../core/folder/index.ts';
import {
  DiskProblem,
  DiskQuestion,
  readModOrPack,
  shown,
  standingAt,
  targetOf,
  writeBuild,
} from '../../disk/index.ts';
import { inspectTree } from '../inspect-tree.ts';
import { whenever } from '../whenever.ts';

export interface BuildCommandOptions {
  out: string;
  kit?: string;
  each?: boolean;
  mine: string[];
  overwrite?: boolean;
  into?: boolean;
  block: string[];
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
    const out = wholePath(options.each ? path.join(options.out, kit.name) : options.out);
    const blocks = await blocksToBuild(mod, out, { ...options, ending: kit.ending });
    const files = kit.write(blocks ? onlyBlocks(mod, blocks) : mod, (sha256) => blobs.get(sha256)!);
    const { overwrite, mine: alsoKeep, into: joins } = options;
    const how = { alsoKeep, overwrite, joins, blocks };
    const plan = await writeBuild(out, { files, kit }, how).catch(withWays);
    console.log(inSum(plan, files.size));
  }
  return 0;
}

/**
 * The blocks that are built: those that are named, and those that were built at the target by their
 * names before. Undefined for the whole mod. Throws a {@link DiskProblem} for one that there is
 * not, and where the whole mod was built: its other blocks would go.
 */
async function blocksToBuild(
  mod: Mod,
  out: string,
  { ending, block, into }: Pick<Kit, 'ending'> & BuildCommandOptions,
): Promise<string[] | undefined> {
  if (block.length === 0) return undefined;
  for (const name of block) {
    if (lookUp(mod.blocks, name)) continue;
    const near = closest(name, Object.keys(mod.blocks));
    throw new DiskProblem(`There is no block called ${shown(name)}.${didYouMean(near)}`);
  }
  const { record, files } = await standingAt(await targetOf(out, ending));
  if (record ? !record.blocks : files.size > 0 && !into)
    throw new DiskProblem(
      record
        ? `The whole mod was built in ${shown(out)}, and its other blocks would go. Choose ` +
            'another folder for some of its blocks.'
        : `${shown(out)} holds files that were not built block by block. Say --into and the ` +
            'block is put among them.',
    );
  const before = (record?.blocks ?? []).filter((name) => lookUp(mod.blocks, name));
  return [...new Set([...before, ...block])];
}

/** What is asked, with the ways to answer it. */
function withWays(error: unknown): never {
  if (!(error instanceof DiskQuestion)) throw error;
  throw new DiskQuestion(
    `${error.message} Keep a file as it is with --mine and its path, or let everything be as it ` +
      'is built with --overwrite.',
  );
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
function inSum({ target, files, joins }: Plan, many: number): string {
  const count = (...fates: Plan['files'][number]['fate'][]) =>
    files.filter((file) => fates.includes(file.fate)).length;
  const byHand = count('merged', 'clash', 'mine');
  return (
    `${many} files in ${shown(target)}: ${count('new')} new, ` +
    `${count('changed', 'edited', 'foreign')} changed, ${count('same')} the same, ` +
    `${count('gone')} gone${byHand ? `, ${byHand} ${joins ? 'put together' : 'kept by hand'}` : ''}.`
  );
}

/**
 * A path as the shell means it: from the working folder, unless it begins at home or at the root.
 */
const wholePath = (given: string): string =>
  given.trim() === '' || /^~(?=[/\\]|$)/.test(given) ? given : path.resolve(given);
