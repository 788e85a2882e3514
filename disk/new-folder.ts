import { mkdir, mkdtemp, readdir, rename, rm, rmdir, writeFile } from 'node:fs/promises';
import path from 'node:path';
import type { Files } from '../core/bytes/index.ts';
import { DiskProblem, inWords, shown } from './problem.ts';

/**
 * Writes files into a folder that is not there yet, or is empty: all of them, or none. Throws a
 * {@link DiskProblem} that says why.
 */
export async function writeNewFolder(folder: string, files: Files): Promise<void> {
  const target = path.resolve(folder);
  try {
    const found = await readdir(target).catch((error: unknown) => {
      if ((error as NodeJS.ErrnoException).code === 'ENOENT') return undefined;
      throw error;
    });
    if (found?.length)
      throw new DiskProblem(
        `${shown(target)} is not empty. Choose a folder that is not there yet.`,
      );
    await mkdir(path.dirname(target), { recursive: true });
    const beside = await mkdtemp(`${target}.obrank-`);
    try {
      for (const [file, bytes] of files) await writeInto(beside, file, bytes);
      // An empty folder makes room; one that somebody filled meanwhile stays.
      if (found) await rmdir(target);
      await rename(beside, target);
    } catch (error) {
      await rm(beside, { recursive: true, force: true });
      throw error;
    }
  } catch (error) {
    throw error instanceof DiskProblem ? error : inWords(error, target);
  }
}

async function writeInto(folder: string, file: string, bytes: Uint8Array): Promise<void> {
  const full = path.join(folder, file);
  await mkdir(path.dirname(full), { recursive: true });
  await writeFile(full, bytes, { flag: 'wx' });
}
