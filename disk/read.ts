import { readdir, stat } from 'node:fs/promises';
import path from 'node:path';
import { readZip, ZipProblem, type Files } from '../core/bytes/index.ts';
import { endingsInWords, kitOf, type Kit } from '../core/kits/index.ts';
import { readOrdinary, readOrdinarySync, tooLarge } from './ordinary.ts';
import { DiskProblem, inWords, shown } from './problem.ts';

const mebibyte = 1024 * 1024;

/** Bounds of what is read from a folder. */
export const maxFiles = 50_000;
export const maxBytes = 256 * mebibyte;
/** A text of a mod or pack is far smaller; a larger one is surely something else. */
export const maxTextBytes = 8 * mebibyte;
const maxDepth = 32;

/** Whether a file is a text, by its ending. */
export const isText = (file: string): boolean => /\.(json|ts|md|txt)$/i.test(file);

/** The whole is too much: nothing is gained by passing over one file. */
class Overfull extends DiskProblem {}

/** Something below a folder that was not read, and why: the rest is read all the same. */
export interface Unread {
  path: string;
  message: string;
}

/**
 * The ordinary files below a folder in order, and what was passed over. Hidden files and folders
 * are left out without a word.
 */
export interface Tree {
  files: Files;
  unread: Unread[];
}

/**
 * Everything below a folder that can be read. Throws a {@link DiskProblem} when the folder itself
 * cannot be read or is larger than a mod can be.
 */
export async function readTree(folder: string): Promise<Tree> {
  const tree: Tree = { files: new Map(), unread: [] };
  let total = 0;
  const count = (size: number): void => {
    total += size;
    if (tree.files.size < maxFiles && total <= maxBytes) return;
    throw new Overfull(
      `${shown(folder)} holds more than ${maxFiles} files or ${maxBytes / mebibyte} MB, so ` +
        'it is no mod or pack.',
    );
  };
  const readOne = (file: string): void => {
    const full = path.join(folder, file);
    tree.files.set(
      file,
      readOrdinarySync(full, maxBytes, (size) => {
        if (isText(file) && size > maxTextBytes)
          throw new DiskProblem(tooLarge(file, maxTextBytes));
        count(size);
      }),
    );
  };
  const walk = async (below: string, depth: number): Promise<void> => {
    for (const { name, kind } of await entriesIn(path.join(folder, below))) {
      if (name.startsWith('.')) continue;
      const at = below ? `${below}/${name}` : name;
      const skip = (message: string) => tree.unread.push({ path: shown(at), message });
      if (!name.isWellFormed() || name.includes('\uFFFD'))
        skip('The name is not text in UTF-8, so the file cannot be read everywhere. Rename it.');
      else if (kind === 'link')
        skip('It is a link. Links are not followed; put the file itself here.');
      else if (kind === 'other') skip('It is neither a file nor a folder, so it is not read.');
      else if (depth > maxDepth)
        skip(`It lies deeper than ${maxDepth} folders, so it is not read.`);
      else
        try {
          if (kind === 'folder') await walk(at, depth + 1);
          else readOne(at);
        } catch (error) {
          const problem = inWords(error, at);
          if (!(problem instanceof DiskProblem) || problem instanceof Overfull) throw problem;
          skip(problem.message);
        }
    }
  };
  try {
    await walk('', 0);
  } catch (error) {
    throw inWords(error, folder);
  }
  return tree;
}

async function entriesIn(
  folder: string,
): Promise<{ name: string; kind: 'file' | 'folder' | 'link' | 'other' }[]> {
  const entries = await readdir(folder, { withFileTypes: true });
  return entries
    .sort((a, b) => (a.name < b.name ? -1 : 1))
    .map((entry) => ({
      name: entry.name,
      kind: entry.isFile()
        ? 'file'
        : entry.isDirectory()
          ? 'folder'
          : entry.isSymbolicLink()
            ? 'link'
            : 'other',
    }));
}

/**
 * All ordinary files below a folder, by path with forward slashes, in order. Throws a {@link
 * DiskProblem} like {@link readTree}.
 */
export const readFolder = async (folder: string): Promise<Files> => (await readTree(folder)).files;

/** A mod, or the built files of a kit. */
export type ReadTarget = Tree & ({ kind: 'mod' } | { kind: 'pack'; kit: Kit });

/**
 * What lies at a path: the files of a folder or of a built file, and what they are. Throws a {@link
 * DiskProblem}.
 */
export async function readModOrPack(target: string): Promise<ReadTarget> {
  if (target.trim() === '')
    throw new DiskProblem(
      `Name a mod folder, a pack folder or a file that ends in ${endingsInWords}.`,
    );
  const tree = await readTarget(target);
  const { files } = tree;
  if (files.has('mod.json') || files.has('ledger.json')) return { kind: 'mod', ...tree };
  const kit = kitOf(files);
  if (kit) return { kind: 'pack', kit, ...tree };
  const [hindered] = tree.unread;
  const why = hindered ? ` ${hindered.path}: ${hindered.message}` : '';
  throw new DiskProblem(
    `${shown(target)} is neither a mod (it has no mod.json) nor a pack that Obrank knows.${why}`,
  );
}

async function readTarget(target: string): Promise<Tree> {
  try {
    if ((await stat(target)).isDirectory()) return await readTree(target);
    return {
      files: readZip(await readOrdinary(target, maxBytes, { followLink: true })),
      unread: [],
    };
  } catch (error) {
    throw error instanceof ZipProblem
      ? new DiskProblem(`${shown(target)}: ${error.message}`)
      : inWords(error, target);
  }
}
