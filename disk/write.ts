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
import { digestOf, unsafePath, writeZip, type Files } from '../core/bytes/index.ts';
import { readOrdinary } from './ordinary.ts';
import { planOver, type Built, type Decided, type Planned } from './plan.ts';
import { recordFile, recordFolder, recordOfBuild, recordPlace, type Said } from './record.ts';
import { scanTarget, standingAt, type Standing } from './standing.ts';
import { DiskProblem, DiskQuestion, inWords, shown } from './problem.ts';
import { firstDifference, freshFiles, scanOne } from './scan.ts';
import { targetOf, type Target } from './target.ts';
import { enterWork, keepAside, type Work } from './work.ts';

export interface BuildOptions extends Decided {
  /** The blocks that the files were built from, where those are not all. */
  blocks?: readonly string[] | undefined;
  /** The id of the plan that was shown and agreed to. Needed only when the plan asks something. */
  agreed?: string;
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
    const planned = planOver(target, built, standing, options);
    const { plan } = planned;
    if (plan.ask && !options.overwrite && options.agreed !== plan.id)
      throw new DiskQuestion(`${plan.ask} Nothing was written.`);
    const said = { mine: planned.mine, joins: plan.joins, blocks: options.blocks };
    if (isDone(planned, { built, said }, standing)) return plan;
    const record = recordOfBuild(built.files, built.kit.isText, said);
    await (target.kind === 'file'
      ? writeFile(work.new, writeZip(withKept(planned, standing)), {
          flag: turn === 1 ? 'wx' : 'w',
        })
      : fill(work.new, planned, record, options));
    options.signal?.throwIfAborted();
    const disturbed = await swap(work, target, standing);
    options.onProgress?.(built.files.size, built.files.size);
    if (disturbed === undefined) {
      if (target.kind === 'file') await keepRecord(work, target, record);
      return plan;
    }
    if (turn === maxTries)
      throw new DiskProblem(
        `${shown(disturbed)} is being changed while the build runs. Nothing was written; ` +
          'build again once it is quiet.',
      );
    await clear(work);
  }
}

/**
 * What is packed: what people keep as it stands, all of another's pack into which ours comes, and
 * the rest as it was built.
 */
function withKept({ plan, files }: Planned, standing: Standing): Files {
  const packed = new Map(files);
  for (const { path: at } of plan.files.filter(
    (file) => (plan.joins || file.fate !== 'kept') && isKept(file, files),
  )) {
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

/** Whether a file stays as it stands. */
const isKept = ({ path: at, fate }: Plan['files'][number], files: Files): boolean =>
  fate === 'kept' || fate === 'mine' || (fate === 'merged' && !files.has(at));

/** Whether everything stands already as it would be written, and the record says so. */
function isDone(
  { plan, files }: Planned,
  { built, said }: { built: Built; said: Said },
  standing: Standing,
): boolean {
  const { record, files: there } = standing;
  if (!record || record.digests.size !== built.files.size) return false;
  const isAsWanted = (file: string, bytes: Uint8Array): boolean => {
    const old = there.get(file);
    return old !== undefined && Buffer.compare(old, bytes) === 0;
  };
  return (
    plan.files.every(({ fate }) => fate !== 'gone' && fate !== 'edited' && fate !== 'foreign') &&
    [...files].every(([file, bytes]) => isAsWanted(file, bytes)) &&
    [...built.files].every(([file, bytes]) => record.digests.get(file) === digestOf(bytes)) &&
    sameNames(record.mine, said.mine) &&
    sameNames(record.blocks ?? [], said.blocks ?? []) &&
    record.joins === said.joins
  );
}

const sameNames = (a: readonly string[], b: readonly string[]): boolean =>
  a.length === b.length && a.every((name) => b.includes(name));

/** Keeps beside a file what was written to it; a half-written one never takes its place. */
async function keepRecord(work: Work, target: Target, record: Uint8Array): Promise<void> {
  const made = path.join(work.folder, 'record');
  await writeFile(made, record, { flag: 'wx' });
  await rename(made, recordPlace(target));
}

/**
 * Writes the new folder whole: the pack's files, the record of them, and other people's files taken
 * over unchanged.
 */
async function fill(
  made: string,
  { plan, files }: Planned,
  record: Uint8Array,
  { onProgress, signal }: BuildOptions,
): Promise<void> {
  const built = new Map([...files, [recordFile, record]]);
  const old = await stat(plan.target).catch(() => undefined);
  await mkdir(made, { mode: 0o700 });
  const kept = plan.files.filter((file) => isKept(file, files)).map((file) => file.path);
  const folders = new Set([...built.keys()].map((file) => path.posix.dirname(file)));
  for (const folder of folders) await mkdir(path.join(made, folder), { recursive: true });
  if (old)
    await carryOver(plan.target, made, { all: false, below: '', built, kept: new Set(kept) });
  // A folder that is being made is for its owner alone; the pack is as open as the folder that it
  // replaces, or as any new folder.
  // eslint-disable-next-line @typescript-eslint/no-deprecated -- only asked, never set
  await chmod(made, old ? old.mode & 0o7777 : 0o777 & ~process.umask());
  let done = 0;
  // A file that is the same stays the very file, so that whoever watches sees only what changed.
  const same = new Set(plan.files.flatMap(({ path: at, fate }) => (fate === 'same' ? [at] : [])));
  const queue = [...built];
  const worker = async () => {
    for (let next = queue.shift(); next; next = queue.shift()) {
      signal?.throwIfAborted();
      // Only a file that is not there yet: nothing is ever written through a link.
      const [at, bytes] = next;
      const isLinked = same.has(at) && (await stays(plan.target, made, at));
      if (!isLinked) await writeFile(path.join(made, at), bytes, { flag: 'wx' });
      done += 1;
      if (done % 25 === 0) onProgress?.(done, built.size);
    }
  };
  await Promise.all(Array.from({ length: writers }, worker));
}

/** Takes a file over as it is; false where that cannot be done, and it is written anew. */
const stays = (from: string, to: string, at: string): Promise<boolean> =>
  link(path.join(from, at), path.join(to, at)).then(
    () => true,
    () => false,
  );

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
    // The place of the record is ours: what else has its name is nobody's.
    if (at === recordFolder && !entry.isDirectory()) continue;
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
