import { existsSync } from 'node:fs';
import { chmod, copyFile, link, mkdir, mkdtemp, readdir, readlink, rename, rm, stat, symlink, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { unsafePath, writeZip, type Files } from '../core/bytes/index.ts';
import { planBuild, targetOf, type BuildPlan } from './plan.ts';
import { DiskProblem, inWords } from './problem.ts';

export interface BuildOptions {
  /** The id of the plan that was shown and agreed to. Needed only when the plan asks something. */
  agreed?: string;
  /** Agree to whatever the plan asks. */
  overwrite?: boolean;
  onProgress?: (done: number, total: number) => void;
  signal?: AbortSignal;
}

const asideMark = '.obrank-old';
const newMark = '.obrank-new-';

/**
 * Writes a built pack to a folder or an `.obpack`. The whole pack is written beside the target and then renamed into its place, so a
 * build that dies leaves the old pack whole. Files that are not the pack's stay. Throws a {@link DiskProblem} when the plan asks
 * something that was not agreed to.
 */
export async function writeBuild(given: string, built: Files, options: BuildOptions = {}): Promise<BuildPlan> {
  await recover(await targetOf(given));
  const plan = await planBuild(given, built);
  if (plan.ask && !options.overwrite && options.agreed !== plan.id) throw new DiskProblem(`${plan.ask} Nothing was written.`);
  for (const file of built.keys()) {
    const why = unsafePath(file);
    if (why) throw new DiskProblem(`"${file}" is ${why}. Nothing was written.`);
  }
  const parent = path.dirname(plan.target);
  let made: string | undefined;
  try {
    await makeFolders(parent);
    made = await mkdtemp(path.join(parent, `${path.basename(plan.target)}${newMark}`));
    if (plan.kind === 'file') {
      const part = path.join(made, 'pack');
      await writeFile(part, writeZip(built));
      options.signal?.throwIfAborted();
      await rename(part, plan.target);
    } else {
      await fill(made, plan, built, options);
      await swap(made, plan.target);
    }
    options.onProgress?.(built.size, built.size);
  } catch (error) {
    if (options.signal?.aborted) throw new DiskProblem('The build was cancelled. What was there before is untouched.');
    throw inWords(error, plan.target);
  } finally {
    if (made) await rm(made, { recursive: true, force: true });
  }
  return plan;
}

/** Makes a folder and those above it, one by one: in places such as /proc Node's recursive way never comes to an end. */
async function makeFolders(folder: string): Promise<void> {
  if (existsSync(folder)) return;
  await makeFolders(path.dirname(folder));
  await mkdir(folder);
}

/** Writes the new folder whole: the pack's files, and other people's files taken over unchanged. */
async function fill(made: string, plan: BuildPlan, built: Files, { onProgress, signal }: BuildOptions): Promise<void> {
  const kept = plan.files.filter((file) => file.fate === 'kept').map((file) => file.path);
  for (const folder of new Set([...built.keys(), ...kept].map((file) => path.posix.dirname(file)))) await mkdir(path.join(made, folder), { recursive: true });
  for (const file of kept) await takeOver(path.join(plan.target, file), path.join(made, file));
  if (existsSync(plan.target)) await carryOver(plan.target, made, false);
  // A temporary folder is for its owner alone; the pack is as open as the folder that it replaces, or as any new folder.
  await chmod(made, existsSync(plan.target) ? (await stat(plan.target)).mode & 0o7777 : 0o777 & ~process.umask());
  let done = 0;
  const queue = [...built];
  const worker = async () => {
    for (let next = queue.shift(); next; next = queue.shift()) {
      signal?.throwIfAborted();
      await writeFile(path.join(made, next[0]), next[1]);
      done += 1;
      if (done % 25 === 0) onProgress?.(done, built.size);
    }
  };
  await Promise.all(Array.from({ length: 8 }, worker));
  signal?.throwIfAborted();
}

/**
 * Takes over what is no part of any plan, at every depth: hidden files and folders whole, links as links, folders that are empty.
 * In a hidden folder (`all`) that is everything; elsewhere plain files are the plan's. Throws for what cannot be carried, such as a socket.
 */
async function carryOver(from: string, to: string, all: boolean): Promise<void> {
  const entries = await readdir(from, { withFileTypes: true });
  for (const entry of entries) {
    const [here, there] = [path.join(from, entry.name), path.join(to, entry.name)];
    const hidden = all || entry.name.startsWith('.');
    if (entry.isFile() && !hidden) continue;
    await mkdir(to, { recursive: true });
    if (entry.isSymbolicLink()) await symlink(await readlink(here), there);
    else if (entry.isFile()) await takeOver(here, there);
    else if (!entry.isDirectory()) throw new DiskProblem(`${here} is neither a file nor a folder nor a link, so a build cannot carry it over. Choose a folder of its own for the pack.`);
    else {
      if ((await readdir(here)).length === 0) await mkdir(there, { recursive: true });
      await carryOver(here, there, hidden);
    }
  }
}

async function takeOver(from: string, to: string): Promise<void> {
  await link(from, to).catch(() => copyFile(from, to));
}

/** Puts the new folder in the place of the old one with two renames; the old one is whole until the end. */
async function swap(made: string, target: string): Promise<void> {
  const aside = `${target}${asideMark}`;
  const had = existsSync(target);
  if (had) await rename(target, aside);
  try {
    await rename(made, target);
  } catch (error) {
    if (had) await rename(aside, target);
    throw error;
  }
  if (had) await rm(aside, { recursive: true, force: true });
}

/** Brings back the old folder when an earlier build died between its two renames, and clears away what it left. */
async function recover(target: string): Promise<void> {
  const aside = `${target}${asideMark}`;
  if (existsSync(aside)) {
    if (existsSync(target)) await rm(aside, { recursive: true, force: true });
    else await rename(aside, target);
  }
}
