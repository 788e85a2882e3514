import type { Plan } from '../core/api/index.ts';
import {
  chmod,
  copyFile,
  link,
  mkdir,
  readdir,
  readlink,
  rename,
  stat,
  symlink,
  writeFile,
} from 'node:fs/promises';
import path from 'node:path';
import { unsafePath, writeZip, type Files } from '../core/bytes/index.ts';
import { readOrdinary } from './ordinary.ts';
import { planOver, scanTarget, standingAt, type Built, type Keep, type Standing } from './plan.ts';
import { DiskProblem, inWords, shown } from './problem.ts';
import { firstDifference, freshFiles, scanOne } from './scan.ts';
import { targetOf, type Target } from './target.ts';
import { enterWork, keepAside, type Work } from './work.ts';

export interface BuildOptions {
  /** The id of the plan that was shown and agreed to. Needed only when the plan asks something. */
  agreed?: string;
  /** Files of people's own that stay as they stand. */
  keep?: Keep;
  /** Agree to whatever the plan asks. */
  overwrite?: boolean;
  onProgress?: (done: number, total: number) => void;
  signal?: AbortSignal;
}

/** So often a build begins again when files are saved into its target meanwhile. */
const maxTries = 3;
/** So many files are written side by side. */
const writers = 8;

/**
 * Writes a built pack to a folder or one file. The whole pack is written beside the target and then
 * renamed into its place, so a build that dies leaves the old pack whole. Files that are not the
 * pack's stay; what is saved into the target meanwhile is noticed, and the build begins again.
 * Throws a {@link DiskProblem} when the plan asks something that was not agreed to, or another
 * build is going on.
 */
export async function writeBuild(
  given: string,
  built: Built,
  options: BuildOptions = {},
): Promise<Plan> {
  const unsafe = [...built.files.keys()].find((file) => unsafePath(file) !== undefined);
  if (unsafe !== undefined)
    throw new DiskProblem(
      `"${shown(unsafe)}" is ${unsafePath(unsafe) ?? 'no path'}. Nothing was written.`,
    );
  const target = await targetOf(given, built.kit.ending);
  try {
    if (!(await scanOne(path.dirname(target.path)))) await makeFolders(path.dirname(target.path));
    const { work, leave } = await enterWork(target.path);
    try {
      return await writeIn(work, target, built, options);
    } finally {
      await leave();
    }
  } catch (error) {
    if (options.signal?.aborted)
      throw new DiskProblem('The build was cancelled. What was there before is untouched.');
    throw inWords(error, target.path);
  }
}

async function writeIn(
  work: Work,
  target: Target,
  built: Built,
  options: BuildOptions,
): Promise<Plan> {
  for (let turn = 1; ; turn += 1) {
    const standing = await standingAt(target);
    const plan = planOver(target, built, standing, options.keep);
    if (plan.ask && !options.overwrite && options.agreed !== plan.id)
      throw new DiskProblem(`${plan.ask} Nothing was written.`);
    await (target.kind === 'file'
      ? writeFile(work.new, writeZip(withKept(plan, built.files, standing)), {
          flag: turn === 1 ? 'wx' : 'w',
        })
      : fill(work.new, plan, withoutKept(plan, built.files), options));
    options.signal?.throwIfAborted();
    const disturbed = await swap(work, target, standing);
    options.onProgress?.(built.files.size, built.files.size);
    if (disturbed === undefined) return plan;
    if (turn === maxTries)
      throw new DiskProblem(
        `${shown(disturbed)} is being changed while the build runs. Nothing was written; ` +
          'build again once it is quiet.',
      );
    await clear(work);
  }
}

const keptIn = ({ files }: Plan): string[] =>
  files.filter(({ fate }) => fate === 'mine').map((file) => file.path);

/** What is written: all but what people keep as they have it. */
function withoutKept(plan: Plan, files: Files): Files {
  const written = new Map(files);
  for (const at of keptIn(plan)) written.delete(at);
  return written;
}

/** What is packed: what people keep as it stands, and the rest as it was built. */
function withKept(plan: Plan, files: Files, standing: Standing): Files {
  const packed = withoutKept(plan, files);
  for (const at of keptIn(plan)) {
    const bytes = standing.files.get(at);
    if (bytes) packed.set(at, bytes);
  }
  return packed;
}

/**
 * Makes a folder and those above it, one by one: in places such as /proc Node's recursive way never
 * comes to an end.
 */
async function makeFolders(folder: string): Promise<void> {
  if (await scanOne(folder)) return;
  await makeFolders(path.dirname(folder));
  await mkdir(folder);
}

/** Puts what a first try made out of the way of the next. */
async function clear(work: Work): Promise<void> {
  const aside = path.join(work.folder, `tried-${process.hrtime.bigint()}`);
  await rename(work.new, aside);
}

/** Writes the new folder whole: the pack's files, and other people's files taken over unchanged. */
async function fill(
  made: string,
  plan: Plan,
  built: Files,
  { onProgress, signal }: BuildOptions,
): Promise<void> {
  const old = await stat(plan.target).catch(() => undefined);
  await mkdir(made, { mode: 0o700 });
  const isKept = (file: Plan['files'][number]) => file.fate === 'kept' || file.fate === 'mine';
  const kept = plan.files.filter(isKept).map((file) => file.path);
  const folders = new Set([...built.keys()].map((file) => path.posix.dirname(file)));
  for (const folder of folders) await mkdir(path.join(made, folder), { recursive: true });
  if (old)
    await carryOver(plan.target, made, { all: false, below: '', built, kept: new Set(kept) });
  // A folder that is being made is for its owner alone; the pack is as open as the folder that it
  // replaces, or as any new folder.
  // eslint-disable-next-line @typescript-eslint/no-deprecated -- only asked, never set
  await chmod(made, old ? old.mode & 0o7777 : 0o777 & ~process.umask());
  let done = 0;
  const queue = [...built];
  const worker = async () => {
    for (let next = queue.shift(); next; next = queue.shift()) {
      signal?.throwIfAborted();
      // Only a file that is not there yet: nothing is ever written through a link.
      await writeFile(path.join(made, next[0]), next[1], { flag: 'wx' });
      done += 1;
      if (done % 25 === 0) onProgress?.(done, built.size);
    }
  };
  await Promise.all(Array.from({ length: writers }, worker));
}

interface Carrying {
  all: boolean;
  below: string;
  built: Files;
  kept: ReadonlySet<string>;
}

/**
 * Takes over what is no part of the pack, at every depth: other people's files, hidden files and
 * folders whole, links as links, folders that are empty. In a hidden folder (`all`) that is
 * everything. What the pack writes itself, or no longer has, is left.
 */
async function carryOver(
  from: string,
  to: string,
  { all, below, built, kept }: Carrying,
): Promise<void> {
  for (const entry of await readdir(from, { withFileTypes: true })) {
    const at = below ? `${below}/${entry.name}` : entry.name;
    const [here, there] = [path.join(from, entry.name), path.join(to, entry.name)];
    const hidden = all || entry.name.startsWith('.');
    if (built.has(at) || (entry.isFile() && !hidden && !kept.has(at))) continue;
    await mkdir(to, { recursive: true });
    if (entry.isSymbolicLink()) await symlink(await readlink(here), there);
    else if (entry.isFile()) await link(here, there).catch(() => copyFile(here, there));
    else {
      if ((await readdir(here)).length === 0) await mkdir(there, { recursive: true });
      await carryOver(here, there, { all: hidden, below: at, built, kept });
    }
  }
}

/**
 * Puts what was made in the place of what stood there, with two renames; in between, the old is
 * looked at again. Gives the path that somebody
 * changed since it was planned: then the old stands again as it is. Undefined when the new stands.
 */
async function swap(work: Work, target: Target, standing: Standing): Promise<string | undefined> {
  const had = (await scanOne(target.path)) !== undefined;
  if (had) await rename(target.path, work.old);
  const old = { ...target, path: work.old };
  const before = await scanTarget(old);
  const disturbed = firstDifference(standing.scan, before) ?? (await firstRewritten(old, standing));
  if (disturbed !== undefined) {
    if (had) await rename(work.old, target.path);
    return path.join(target.path, disturbed);
  }
  try {
    await rename(work.new, target.path);
  } catch (error) {
    if (!had || !(await scanOne(target.path))) throw error;
    const aside = await keepAside(target.path);
    await rename(work.old, aside);
    throw new DiskProblem(
      `Somebody made ${shown(target.path)} anew while the build ran. What stood there ` +
        `before is kept as ${shown(aside)}; nothing was built.`,
    );
  }
  // A program that had a file open may have written to it until now: then the old one stays beside.
  const late = firstDifference(before, await scanTarget(old));
  if (late !== undefined) await rename(work.old, await keepAside(target.path));
  return undefined;
}

/**
 * The first file with another content than when the build was planned, of those whose time alone
 * would not tell.
 */
async function firstRewritten(
  old: Target,
  { scan, files, lookedAtMs }: Standing,
): Promise<string | undefined> {
  if (old.kind === 'file') return undefined;
  for (const at of freshFiles(scan, lookedAtMs)) {
    const known = files.get(at);
    if (
      known &&
      Buffer.compare(await readOrdinary(path.join(old.path, at), known.length), known) !== 0
    )
      return at;
  }
  return undefined;
}
