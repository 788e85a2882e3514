import path from 'node:path';
import { readZip, type Files } from '../core/bytes/index.ts';
import { readOrdinary } from './ordinary.ts';
import { DiskProblem, shown } from './problem.ts';
import { maxBytes, readTree } from './read.ts';
import { readRecord, type BuildRecord } from './record.ts';
import { scanFolder, scanOne, type Scan } from './scan.ts';
import type { Target } from './target.ts';

/** What stands at a target: the pack's files, everything there is, and when it was looked at. */
export interface Standing {
  files: Files;
  scan: Scan;
  lookedAtMs: number;
  /** What was written there last, as far as it is known. */
  record: BuildRecord | undefined;
}

/** Stands in the plan for a file that is no pack at all. */
const notPack = '(not a pack)';

/** What stands at a target now; nothing when there is nothing. Throws a {@link DiskProblem}. */
export async function standingAt(target: Target): Promise<Standing> {
  const lookedAtMs = Date.now();
  const scan = await scanTarget(target);
  const own = scan.get(selfPath);
  const record = own && (await readRecord(target));
  const standing = { scan, lookedAtMs, record };
  if (!own) return { ...standing, files: new Map() };
  if (target.kind === 'file')
    return { ...standing, files: await packIn(target.path, Number(own.size)) };
  const tree = await readTree(target.path);
  const hindered = tree.unread.find(({ path: at }) => scan.get(at)?.kind !== 'link');
  if (hindered)
    throw new DiskProblem(
      `${shown(path.join(target.path, hindered.path))}: ${hindered.message} Choose a folder ` +
        'of its own for the pack.',
    );
  return { ...standing, files: tree.files };
}

/** The place of the target itself in its scan. */
export const selfPath = '';

/**
 * A look at the target and everything below it, the target itself under {@link selfPath}. Empty
 * when there is nothing.
 */
export async function scanTarget({ path: at, kind }: Target): Promise<Scan> {
  const beside = await scanOne(at);
  if (!beside) return new Map();
  return new Map([[selfPath, beside], ...(kind === 'folder' ? await scanFolder(at) : [])]);
}

async function packIn(file: string, size: number): Promise<Files> {
  if (size > maxBytes) return new Map([[notPack, new Uint8Array()]]);
  const bytes = await readOrdinary(file, maxBytes);
  try {
    return readZip(bytes);
  } catch {
    return new Map([[notPack, new Uint8Array()]]);
  }
}
