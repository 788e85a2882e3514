import { inspectModFolder, tally } from '../../core/inspect/index.ts';
import { kitNamed } from '../../core/kits/index.ts';
import { readModFolder } from '../../core/folder/index.ts';
import { DiskProblem, readModOrPack, writeBuild } from '../../disk/index.ts';

export interface BuildCommandOptions { out: string; overwrite?: boolean }

/** Builds a mod folder into a pack folder or an `.obpack`. A mod with errors is not built. */
export async function build(folder: string, { out, overwrite }: BuildCommandOptions): Promise<number> {
  const { kind, files } = await readModOrPack(folder);
  if (kind !== 'mod') throw new DiskProblem(`${folder} is a pack already. Give the folder of a mod, the one with mod.json.`);
  const { error } = tally(inspectModFolder(files));
  if (error) {
    console.error(`The mod has ${error} ${error === 1 ? 'error' : 'errors'}, so nothing was built. See them with: npm run -s obrank -- check ${folder}`);
    return 1;
  }
  const { mod, blobs } = readModFolder(files);
  const built = kitNamed(mod.header.kit).write(mod, (sha256) => blobs.get(sha256)!);
  const plan = await writeBuild(out, built, { overwrite });
  const count = (fate: string) => plan.files.filter((file) => file.fate === fate).length;
  console.log(`${built.size} files in ${plan.target}: ${count('new')} new, ${count('changed') + count('edited') + count('foreign')} changed, ${count('same')} the same, ${count('gone')} gone.`);
  return 0;
}
