import { lstat, mkdir, open, readFile, realpath, rename, rm, rmdir } from 'node:fs/promises';
import path from 'node:path';
import { digestOf, readZip, unsafePath, writeZip, type Files } from '../core/bytes/index.ts';
import { readOrdinary } from './ordinary.ts';
import { DiskProblem, inWords, shown } from './problem.ts';
import { maxBytes, readModOrPack } from './read.ts';
import { placeAt } from './target.ts';

/** A file that becomes another: the SHA-256 of what it is, and what it is to be. */
export interface FileToSave {
  file: string;
  /** Absent for a file that is new. */
  before?: string | undefined;
  /** Absent for one that goes. */
  after?: Uint8Array | undefined;
}

/**
 * The files of a pack at a whole path, as a ZIP. Throws a {@link DiskProblem} where there is none.
 */
export async function packAt(given: string): Promise<Uint8Array> {
  const tree = await readModOrPack(await placeAt(given));
  const [first] = tree.unread;
  if (first) throw new DiskProblem(`${shown(first.path)}: ${first.message}`);
  return writeZip(tree.files);
}

/**
 * Saves changed files into a folder or an archive: all of them, or none. Each is written beside and
 * renamed into its place; where one is no longer what it was when it was read, nothing is written.
 * Throws a {@link DiskProblem} that says why.
 */
export async function saveChanges(given: string, changes: readonly FileToSave[]): Promise<void> {
  const target = await placeAt(given);
  for (const { file } of changes) {
    const why = unsafePath(file);
    if (why !== undefined)
      throw new DiskProblem(`"${shown(file)}" is ${why}. Nothing was written.`);
  }
  try {
    await ((await lstat(target)).isDirectory()
      ? saveInFolder(target, changes)
      : saveInArchive(target, changes));
  } catch (error) {
    throw inWords(error, target);
  }
}

/** Thrown where a file is no longer what it was when it was read. */
export class ChangedMeanwhile extends DiskProblem {
  constructor(file: string) {
    super(
      `${shown(file)} was changed since it was read. Nothing was written; open the pack again.`,
    );
  }
}

async function saveInArchive(target: string, changes: readonly FileToSave[]): Promise<void> {
  const files: Files = readZip(await readOrdinary(target, maxBytes));
  for (const { file, before, after } of changes) {
    const bytes = files.get(file);
    if ((bytes && digestOf(bytes)) !== before) throw new ChangedMeanwhile(file);
    if (after) files.set(file, after);
    else files.delete(file);
  }
  const beside = besideOf(target);
  try {
    await writeWhole(beside, writeZip(files), target);
    await rename(beside, target);
  } finally {
    await rm(beside, { force: true });
  }
}

async function saveInFolder(target: string, changes: readonly FileToSave[]): Promise<void> {
  const root = await realpath(target);
  for (const { file, before } of changes) await expectAs(root, file, before);
  const made: [beside: string, file: string][] = [];
  const folders: [first: string, last: string][] = [];
  let isSaved = false;
  try {
    for (const { file, after } of changes) {
      if (!after) continue;
      const full = path.join(root, file);
      const first = await mkdir(path.dirname(full), { recursive: true });
      if (first !== undefined) folders.push([first, path.dirname(full)]);
      const beside = besideOf(full);
      made.push([beside, full]);
      await writeWhole(beside, after, full);
    }
    // Looked at once more, now that writing has taken its time.
    for (const { file, before } of changes) await expectAs(root, file, before);
    for (const [beside, full] of made) await rename(beside, full);
    isSaved = true;
    for (const { file, after } of changes) if (!after) await removed(root, file);
  } finally {
    for (const [beside] of made) await rm(beside, { force: true });
    if (!isSaved) for (const folder of folders.reverse()) await withoutEmpty(folder);
  }
}

/** Takes folders away that were made for nothing, from the last up to the first, while empty. */
async function withoutEmpty([first, last]: [first: string, last: string]): Promise<void> {
  for (let folder = last; folder.startsWith(first); folder = path.dirname(folder))
    if (
      !(await rmdir(folder).then(
        () => true,
        () => false,
      ))
    )
      return;
}

/** Takes a file away, and its folder where that is then empty. */
async function removed(root: string, file: string): Promise<void> {
  const full = path.join(root, file);
  await rm(full);
  if (path.dirname(full) !== root) await rmdir(path.dirname(full)).catch(() => undefined);
}

/** Throws where a file is not what it was when it was read, or a link leads out of the folder. */
async function expectAs(root: string, file: string, before: string | undefined): Promise<void> {
  const full = path.join(root, file);
  // Also the folders above one that is still to be made: the first that is there must be itself.
  let above = path.dirname(full);
  while (above !== root && !(await lstat(above).catch(() => undefined)))
    above = path.dirname(above);
  if ((await realpath(above).catch(() => undefined)) !== above)
    throw new DiskProblem(`${shown(file)} lies behind a link, so nothing was written.`);
  const found = await lstat(full).catch(() => undefined);
  const now = found?.isFile() ? digestOf(await readFile(full)) : found ? 'no file' : undefined;
  if (now !== before) throw new ChangedMeanwhile(file);
}

let written = 0;
/** A name beside a file that nobody else uses. */
function besideOf(full: string): string {
  written += 1;
  return path.join(path.dirname(full), `.${path.basename(full)}.obrank-${process.pid}-${written}`);
}

/**
 * Writes a file that is not there yet, as open to others as the one whose place it takes, and waits
 * until the disk has it.
 */
async function writeWhole(file: string, bytes: Uint8Array, instead: string): Promise<void> {
  const before = await lstat(instead).catch(() => undefined);
  const handle = await open(file, 'wx');
  try {
    if (before) await handle.chmod(before.mode & 0o7777);
    await handle.writeFile(bytes);
    await handle.sync();
  } finally {
    await handle.close();
  }
}
