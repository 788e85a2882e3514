import { lstat, realpath, stat } from 'node:fs/promises';
import os from 'node:os';
import path from 'node:path';
import { endingsInWords } from '../core/kits/index.ts';
import { DiskProblem, inWords, shown } from './problem.ts';

/** Where a pack is built: an absolute path, as a folder or as one file. */
export interface Target {
  path: string;
  kind: 'folder' | 'file';
}

/** Places of the system that look like folders and hold no files. */
const notDisks = ['/dev', '/proc', '/sys'];

/**
 * The place that a person named; one that ends in `ending` is a file. A link is followed, so that
 * what it leads to is built and not the link replaced. Throws a {@link DiskProblem} for what is no
 * place for a pack.
 *
 * @example await targetOf('~/packs/saltmarsh', '.obpack')
 * // { path: '/home/ada/packs/saltmarsh', kind: 'folder' }
 */
export async function targetOf(given: string, ending: string): Promise<Target> {
  const target = await placeAt(given, ending);
  const kind = target.endsWith(ending) ? 'file' : 'folder';
  await refuseOtherKind(target, kind, ending);
  return { path: target, kind };
}

/**
 * The real path of a place that a person named from the root of the disk, or from home. Throws a
 * {@link DiskProblem} for a place of the system's.
 */
export async function placeAt(given: string, ending = endingsInWords): Promise<string> {
  if (given.trim() === '' || given.includes('\0'))
    throw new DiskProblem(`Name a folder, or a file that ends in ${ending}.`);
  const whole = /^~(?=\/|\\|$)/.test(given) ? path.join(os.homedir(), given.slice(1)) : given;
  if (!path.isAbsolute(whole))
    throw new DiskProblem(
      `${shown(given)} is not a whole path. Name it from the root of the disk, or from your ` +
        'home folder with ~/.',
    );
  const target = await followed(path.resolve(whole));
  const isSystem = notDisks.some((place) => target === place || target.startsWith(`${place}/`));
  if (isSystem || target === path.parse(target).root || target === os.homedir())
    throw new DiskProblem(
      `${shown(target)} is not a place for a pack. Choose a folder of its own.`,
    );
  return target;
}

/** The real path of what is there, or of the nearest folder above it that is. */
async function followed(target: string): Promise<string> {
  const real = await realpath(target).catch(() => undefined);
  if (real !== undefined) return real;
  if (
    await lstat(target).then(
      (found) => found.isSymbolicLink(),
      () => false,
    )
  )
    throw new DiskProblem(
      `${shown(target)} is a link that leads nowhere. Remove it, or name the place itself.`,
    );
  const above = path.dirname(target);
  return above === target ? target : path.join(await followed(above), path.basename(target));
}

async function refuseOtherKind(
  target: string,
  kind: Target['kind'],
  ending: string,
): Promise<void> {
  let found;
  try {
    found = await stat(target);
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'ENOENT') return;
    throw inWords(error, target);
  }
  if (!found.isFile() && !found.isDirectory())
    throw new DiskProblem(
      `${shown(target)} is neither a file nor a folder, so nothing is built there.`,
    );
  if (kind === 'folder' && !found.isDirectory())
    throw new DiskProblem(
      `${shown(target)} is a file. Choose a folder, or a name that ends in ${ending}.`,
    );
  if (kind === 'file' && !found.isFile())
    throw new DiskProblem(
      `${shown(target)} is a folder. Choose a file name that ends in ${ending}, or a folder ` +
        'without that ending.',
    );
}
