import { lstat, mkdir, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { DiskProblem, inWords, shown } from './problem.ts';

/**
 * Writes a few files into a folder that is there, and into folders below it. Where one of them is there already nothing is
 * written, unless they may be overwritten. Throws a {@link DiskProblem} that says why.
 */
export async function writeNew(
  folder: string,
  files: ReadonlyMap<string, Uint8Array>,
  overwrite = false,
): Promise<void> {
  if (!overwrite)
    for (const name of files.keys()) {
      const file = path.join(folder, name);
      if (await isThere(file))
        throw new DiskProblem(
          `${shown(file)} is there already. Choose another name, or add --overwrite.`,
        );
    }
  for (const [name, bytes] of files) {
    const file = path.join(folder, name);
    try {
      if (name.includes('/')) await mkdir(path.dirname(file), { recursive: true });
      await writeFile(file, bytes, { flag: overwrite ? 'w' : 'wx' });
    } catch (error) {
      throw inWords(error, file);
    }
  }
}

async function isThere(file: string): Promise<boolean> {
  try {
    await lstat(file);
    return true;
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'ENOENT') return false;
    throw inWords(error, file);
  }
}
