import { lstat, readdir } from 'node:fs/promises';
import path from 'node:path';
import { DiskProblem, inWords, shown } from './problem.ts';

/** One thing below a folder, as far as it can be told without opening it. Times in nanoseconds. */
export interface Seen {
  kind: 'file' | 'folder' | 'link' | 'other';
  size: bigint;
  changed: bigint;
  inode: bigint;
}

/** Everything below a folder by its path, hidden things too. */
export type Scan = Map<string, Seen>;

/** A folder with more than this below it is surely not the place of a pack. */
const maxEntries = 200_000;

/** One look at one thing; undefined when it is not there. Throws a {@link DiskProblem}. */
export async function scanOne(full: string): Promise<Seen | undefined> {
  try {
    const seen = await lstat(full, { bigint: true });
    const kind = seen.isFile()
      ? 'file'
      : seen.isDirectory()
        ? 'folder'
        : seen.isSymbolicLink()
          ? 'link'
          : 'other';
    return { kind, size: seen.size, changed: seen.mtimeNs, inode: seen.ino };
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'ENOENT') return undefined;
    throw inWords(error, full);
  }
}

/**
 * Looks at everything below a folder without opening or following anything. Throws a {@link
 * DiskProblem}.
 */
export async function scanFolder(folder: string): Promise<Scan> {
  const found: Scan = new Map();
  const walk = async (below: string): Promise<void> => {
    const names = await readdir(path.join(folder, below));
    for (const name of names.sort()) {
      if (found.size >= maxEntries)
        throw new DiskProblem(
          `${shown(folder)} holds more than ${maxEntries} files. Choose a folder of its own.`,
        );
      const at = below ? `${below}/${name}` : name;
      const seen = await scanOne(path.join(folder, at));
      if (!seen) continue;
      found.set(at, seen);
      if (seen.kind === 'folder') await walk(at);
    }
  };
  try {
    await walk('');
  } catch (error) {
    throw inWords(error, folder);
  }
  return found;
}

/**
 * The first path at which two looks at a folder differ; undefined when they are the same. Of
 * folders only their being there counts.
 */
export function firstDifference(before: Scan, after: Scan): string | undefined {
  for (const [at, seen] of after) {
    const old = before.get(at);
    if (!old || old.kind !== seen.kind) return at;
    if (
      seen.kind !== 'folder' &&
      (old.size !== seen.size || old.changed !== seen.changed || old.inode !== seen.inode)
    )
      return at;
  }
  return [...before.keys()].find((path) => !after.has(path));
}

/**
 * A file changed this shortly before a look may change again without any sign of it: clocks of file
 * systems are coarse.
 */
const coarse = 2_000_000_000n;

/**
 * The files whose content must be compared as well, since they had only just been changed when the
 * folder was looked at.
 */
export const freshFiles = (scan: Scan, lookedAtMs: number): string[] =>
  [...scan]
    .filter(
      ([, seen]) =>
        seen.kind === 'file' && seen.changed > BigInt(Math.floor(lookedAtMs)) * 1_000_000n - coarse,
    )
    .map(([at]) => at);
