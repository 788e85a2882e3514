import { readFile, realpath, stat } from 'node:fs/promises';
import os from 'node:os';
import path from 'node:path';
import { digestOf, readZip, type Files } from '../core/bytes/index.ts';
import { PackFile } from '../core/kits/block-pack/format/index.ts';
import { DiskProblem, inWords } from './problem.ts';
import { readFolder } from './read.ts';

/**
 * What a build will do with one file.
 * new, changed, same: compared with what is there. gone: built before, no longer part of the pack, will be removed.
 * edited: was built by Obrank and changed by hand since, will be overwritten or removed. foreign: somebody else's file in the way, will be overwritten.
 * kept: somebody else's file that is not in the way, stays.
 */
export type FileFate = 'new' | 'changed' | 'same' | 'gone' | 'edited' | 'foreign' | 'kept';
export interface PlannedFile { path: string; fate: FileFate; bytes: number }
export interface BuildPlan {
  /** The folder or file, as an absolute path. */
  target: string;
  kind: 'folder' | 'file';
  files: PlannedFile[];
  /** Changes whenever the plan does: agreeing to a plan means naming it. */
  id: string;
  /** What must be agreed to, in a sentence; undefined when nothing that Obrank did not write is touched. */
  ask?: string;
}

/** A folder with more strange files than this is surely not meant as the place of a pack. */
const mostForeign = 2000;

/** The place that a person named, as an absolute path; a link is followed, so that what it leads to is built and not the link replaced. */
export async function targetOf(given: string): Promise<string> {
  if (given.trim() === '' || given.includes('\0')) throw new DiskProblem('Name a folder, or a file that ends in .obpack.');
  const target = path.resolve(/^~(?=\/|\\|$)/.test(given) ? path.join(os.homedir(), given.slice(1)) : given);
  return realpath(target).catch(() => target);
}

/** The files that stand at a target now; undefined when there is nothing. */
export async function filesAt(target: string, kind: BuildPlan['kind']): Promise<Files | undefined> {
  let found;
  try {
    found = await stat(target);
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'ENOENT') return undefined;
    throw inWords(error, target);
  }
  if (kind === 'folder') {
    if (!found.isDirectory()) throw new DiskProblem(`${target} is a file. Choose a folder, or a name that ends in .obpack.`);
    return readFolder(target);
  }
  if (found.isDirectory()) throw new DiskProblem(`${target} is a folder. Choose a file name that ends in .obpack, or a folder without that ending.`);
  try {
    return readZip(await readFile(target));
  } catch {
    return new Map([['(not a pack)', new Uint8Array()]]);
  }
}

/** Compares what a build would write with what is there. Reads only. Throws a {@link DiskProblem} for a target that cannot be used. */
export async function planBuild(given: string, built: Files): Promise<BuildPlan> {
  const target = await targetOf(given);
  const kind = target.endsWith('.obpack') ? 'file' : 'folder';
  if (target === path.parse(target).root || target === os.homedir()) throw new DiskProblem(`${target} is not a place for a pack. Choose a folder of its own.`);
  const there = (await filesAt(target, kind)) ?? new Map<string, Uint8Array>();
  const recorded = recordedDigests(there);
  const files: PlannedFile[] = [];
  for (const [file, bytes] of built) {
    const old = there.get(file);
    const fate: FileFate = !old ? 'new' : equal(old, bytes) ? 'same' : file === 'pack.json' && recorded ? 'changed' : !recorded?.has(file) ? 'foreign' : recorded.get(file) === digestOf(old) ? 'changed' : 'edited';
    files.push({ path: file, fate, bytes: bytes.length });
  }
  for (const [file, bytes] of there) {
    if (built.has(file)) continue;
    const digest = recorded?.get(file);
    files.push({ path: file, fate: digest === undefined ? 'kept' : digest === digestOf(bytes) ? 'gone' : 'edited', bytes: bytes.length });
  }
  files.sort((a, b) => (a.path < b.path ? -1 : 1));
  const id = digestOf(new TextEncoder().encode(JSON.stringify([target, files.map((file) => [file.path, file.fate, file.bytes]), [...there].map(([file, bytes]) => [file, digestOf(bytes)])])));
  return { target, kind, files, id, ask: question(target, kind, files) };
}

function question(target: string, kind: BuildPlan['kind'], files: PlannedFile[]): string | undefined {
  const of = (fate: FileFate) => files.filter((file) => file.fate === fate);
  const [edited, foreign, kept] = [of('edited'), of('foreign'), of('kept')];
  if (kind === 'folder' && kept.length > mostForeign) throw new DiskProblem(`${target} holds ${kept.length} files that are no part of a pack. Choose a folder of its own.`);
  if (kind === 'file' && kept.length) return `${target} is not a pack that Obrank built. Building would replace it.`;
  const says = [
    ...(edited.length ? [`${edited.length} changed by hand since the last build, such as ${edited[0]!.path}`] : []),
    ...(foreign.length ? [`${foreign.length} that Obrank did not write, such as ${foreign[0]!.path}`] : []),
  ];
  if (says.length) return `Building would overwrite files in ${target}: ${says.join('; and ')}.`;
  return kept.length && kept.length === files.length - of('new').length ? `${target} holds ${kept.length} other files and no pack yet. They stay, and the pack is built among them.` : undefined;
}

/** The digests that the pack at the target was built with; undefined when there is no pack of ours. */
function recordedDigests(files: Files): Map<string, string> | undefined {
  const bytes = files.get('pack.json');
  if (!bytes) return undefined;
  try {
    const { files: listed } = PackFile.parse(JSON.parse(new TextDecoder().decode(bytes)));
    return new Map(Object.entries(listed).map(([file, { sha256 }]) => [file, sha256]));
  } catch {
    return undefined;
  }
}

const equal = (a: Uint8Array, b: Uint8Array): boolean => a.length === b.length && Buffer.compare(a, b) === 0;
