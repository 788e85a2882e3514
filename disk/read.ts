import { readdir, readFile, stat } from 'node:fs/promises';
import path from 'node:path';
import { readZip, ZipProblem, type Files } from '../core/bytes/index.ts';
import { DiskProblem, inWords } from './problem.ts';

/** Bounds of what is read from a folder. */
export const mostFiles = 50_000;
export const mostBytes = 256 * 1024 * 1024;

/**
 * All files below a folder, by path with forward slashes, in order. Hidden files and folders and links are passed over.
 * Throws a {@link DiskProblem} when it cannot be read or is larger than a mod can be.
 */
export async function readFolder(folder: string): Promise<Files> {
  const files: Files = new Map();
  let total = 0;
  const walk = async (below: string): Promise<void> => {
    const entries = await readdir(path.join(folder, below), { withFileTypes: true });
    for (const entry of entries.sort((a, b) => (a.name < b.name ? -1 : 1))) {
      if (entry.name.startsWith('.')) continue;
      const file = below ? `${below}/${entry.name}` : entry.name;
      if (entry.isDirectory()) await walk(file);
      else if (entry.isFile()) {
        total += (await stat(path.join(folder, file))).size;
        if (files.size >= mostFiles || total > mostBytes) throw new DiskProblem(`${folder} holds more than ${mostFiles} files or ${mostBytes / 1048576} MB, so it is no mod or pack.`);
        files.set(file, await readFile(path.join(folder, file)));
      }
    }
  };
  try {
    await walk('');
  } catch (error) {
    throw inWords(error, folder);
  }
  return files;
}

/** What lies at a path: the files of a folder or of an `.obpack`, and which of the two kinds it is. */
export async function readModOrPack(target: string): Promise<{ kind: 'mod' | 'pack'; files: Files }> {
  let files: Files;
  try {
    const found = await stat(target);
    if (found.isDirectory()) files = await readFolder(target);
    else if (found.size > mostBytes) throw new DiskProblem(`${target} is larger than ${mostBytes / 1048576} MB, so it is no pack.`);
    else files = readZip(await readFile(target));
  } catch (error) {
    throw error instanceof ZipProblem ? new DiskProblem(`${target}: ${error.message}`) : inWords(error, target);
  }
  if (files.has('pack.json') || files.has('registry.json')) return { kind: 'pack', files };
  if (files.has('mod.json') || files.has('ledger.json')) return { kind: 'mod', files };
  // A pack whose pack.json is missing or misnamed is still a pack when its two rooms are there.
  if ([...files.keys()].some((file) => file.startsWith('rules/') || file.startsWith('view/'))) return { kind: 'pack', files };
  throw new DiskProblem(`${target} is neither a mod (it has no mod.json) nor a Block Pack (it has no pack.json).`);
}
