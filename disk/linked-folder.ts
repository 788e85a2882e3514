import { watch } from 'chokidar';
import { mkdir, realpath, stat } from 'node:fs/promises';
import path from 'node:path';
import { unsafePath, type Files } from '../core/bytes/index.ts';
import { readOrdinary } from './ordinary.ts';
import { DiskProblem, inWords, shown } from './problem.ts';
import { isText, maxBytes, maxTextBytes, type Tree, type Unread } from './read.ts';
import { placeAt } from './target.ts';

/** A change may be written in several steps: so long nothing more must come, in milliseconds. */
const settlingMs = 80;
/** A checkout of a thousand files goes on for a while; it is waited for at most so long. */
const longestMs = 2000;

/**
 * The folder that a person named, as its real path; whether it is there is told beside it. Throws a
 * {@link DiskProblem} for what is no folder, or no place for one.
 */
export async function folderAt(given: string): Promise<{ folder: string; isThere: boolean }> {
  const folder = await placeAt(given);
  const found = await stat(folder).catch(() => undefined);
  if (found && !found.isDirectory())
    throw new DiskProblem(`${shown(folder)} is a file. Name the folder that the mod lives in.`);
  return { folder, isThere: found !== undefined };
}

/** Makes a folder in one that is there. Throws a {@link DiskProblem} where there is none. */
export async function makeFolder(folder: string): Promise<void> {
  try {
    await mkdir(folder);
  } catch (error) {
    throw inWords(error, path.dirname(folder));
  }
}

/**
 * Some files below a folder, those that are there. One that cannot be read is told and left out.
 * Throws a {@link DiskProblem} where the folder itself cannot be read.
 */
export async function readSome(folder: string, names: Iterable<string>): Promise<Tree> {
  const files: Files = new Map();
  const unread: Unread[] = [];
  const root = await realpath(folder).catch((error: unknown) => {
    throw inWords(error, folder);
  });
  for (const name of [...names].sort())
    try {
      const bytes = await readBelow(root, name);
      if (bytes) files.set(name, bytes);
    } catch (error) {
      const problem = inWords(error, name);
      if (!(problem instanceof DiskProblem)) throw problem;
      unread.push({ path: name, message: problem.message });
    }
  return { files, unread };
}

/** A file below a folder that no link leads out of; undefined when it is not there. */
async function readBelow(root: string, name: string): Promise<Uint8Array | undefined> {
  const why = unsafePath(name);
  if (why !== undefined) throw new DiskProblem(`"${shown(name)}" is ${why}.`);
  const full = path.join(root, name);
  const above = await realpath(path.dirname(full)).catch(() => undefined);
  if (above === undefined) return undefined;
  if (above !== path.dirname(full))
    throw new DiskProblem(`${shown(name)} lies behind a link. Links are not followed.`);
  try {
    return await readOrdinary(full, isText(name) ? maxTextBytes : maxBytes);
  } catch (error) {
    if (!(await stat(full).catch(() => undefined))) return undefined;
    throw error;
  }
}

/**
 * Tells of files below a folder that changed, by their paths with forward slashes, gathered: a
 * checkout of a thousand files is told once. Hidden files are nobody's business. Resolves once it
 * watches, with what ends it.
 */
export async function watchFolder(
  folder: string,
  onChanged: (files: ReadonlySet<string>) => void,
): Promise<() => Promise<void>> {
  let changed = new Set<string>();
  let [timer, since]: [NodeJS.Timeout | undefined, number | undefined] = [undefined, undefined];
  const tell = () => {
    const told = changed;
    [changed, since] = [new Set(), undefined];
    onChanged(told);
  };
  const watcher = watch(folder, {
    ignoreInitial: true,
    followSymlinks: false,
    ignored: (file) => isHidden(path.relative(folder, file)),
  });
  watcher.on('all', (event, file) => {
    const isRoot = file === folder;
    if (!isRoot && (event === 'addDir' || event === 'unlinkDir')) return;
    if (!isRoot) changed.add(path.relative(folder, file).split(path.sep).join('/'));
    const now = performance.now();
    since ??= now;
    clearTimeout(timer);
    timer = setTimeout(tell, Math.max(0, Math.min(settlingMs, since + longestMs - now)));
  });
  // What goes wrong with watching shows at the next exchange, in words.
  watcher.on('error', () => onChanged(new Set()));
  await new Promise<void>((resolve) => watcher.once('ready', resolve));
  return async () => {
    clearTimeout(timer);
    await watcher.close();
  };
}

const isHidden = (relative: string): boolean =>
  relative.split(path.sep).some((part) => part.startsWith('.') && part !== '..');
