import path from 'node:path';
import { digestOf, readZip, type Files } from '../core/bytes/index.ts';
import type { Plan } from '../core/api/index.ts';
import type { Kit } from '../core/kits/index.ts';
import { readOrdinary } from './ordinary.ts';
import { DiskProblem, shown } from './problem.ts';
import { maxBytes, readTree } from './read.ts';
import { scanFolder, scanOne, type Scan } from './scan.ts';
import { targetOf, type Target } from './target.ts';

/**
 * What a build will do with one file.
 * new, changed, same: compared with what is there. gone: built before, no longer part of the pack,
 * will be removed.
 * edited: was built by Obrank and changed by hand since, will be overwritten or removed. foreign:
 * somebody else's file in the way, will be overwritten.
 * mine: edited or foreign, and to be kept as it stands. kept: somebody else's file that is not in
 * the way, stays.
 */
export type FileFate = PlannedFile['fate'];
export type PlannedFile = Plan['files'][number];

/** The files of a build, and the kit that made them. */
export interface Built {
  files: Files;
  kit: Pick<Kit, 'ending' | 'marker' | 'recordedDigests'>;
}

/** What stands at a target: the pack's files, everything there is, and when it was looked at. */
export interface Standing {
  files: Files;
  scan: Scan;
  lookedAtMs: number;
}

/** A folder with more strange files than this is surely not meant as the place of a pack. */
const maxForeign = 2000;
/** Stands in the plan for a file that is no pack at all. */
const notPack = '(not a pack)';

/** What stands at a target now; nothing when there is nothing. Throws a {@link DiskProblem}. */
export async function standingAt(target: Target): Promise<Standing> {
  const lookedAtMs = Date.now();
  const scan = await scanTarget(target);
  const own = scan.get(selfPath);
  if (target.kind === 'file')
    return {
      scan,
      lookedAtMs,
      files: own ? await packIn(target.path, Number(own.size)) : new Map<string, Uint8Array>(),
    };
  if (!own) return { scan, lookedAtMs, files: new Map() };
  const tree = await readTree(target.path);
  const hindered = tree.unread.find(({ path: at }) => scan.get(at)?.kind !== 'link');
  if (hindered)
    throw new DiskProblem(
      `${shown(path.join(target.path, hindered.path))}: ${hindered.message} Choose a folder ` +
        'of its own for the pack.',
    );
  return { scan, lookedAtMs, files: tree.files };
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

/** The paths of files of people's own that a build is to leave as they stand. */
export type Keep = readonly string[];

/**
 * Compares what a build would write with what is there. Reads only. Throws a {@link DiskProblem}
 * for a target that cannot be used.
 */
export async function planBuild(given: string, built: Built, keep: Keep = []): Promise<Plan> {
  const target = await targetOf(given, built.kit.ending);
  return planOver(target, built, await standingAt(target), keep);
}

/**
 * The plan over what stands at the target. Throws a {@link DiskProblem} when something there cannot
 * stay and cannot be replaced.
 */
export function planOver(
  target: Target,
  { files: built, kit }: Built,
  { files: there, scan }: Standing,
  keep: Keep = [],
): Plan {
  const recorded = kit.recordedDigests(there);

  const links = new Set([...scan].flatMap(([at, { kind }]) => (kind === 'link' ? [at] : [])));
  if (target.kind === 'folder') refuseWrongKinds(target.path, built, scan);
  const files: PlannedFile[] = [];
  for (const [file, bytes] of built)
    files.push({
      path: file,
      fate: links.has(file)
        ? 'foreign'
        : fateOf(file, bytes, there.get(file), recorded, kit.marker),
      bytes: bytes.length,
    });
  for (const [file, bytes] of there) {
    if (built.has(file)) continue;
    const digest = recorded?.get(file);
    files.push({
      path: file,
      fate: digest === undefined ? 'kept' : digest === digestOf(bytes) ? 'gone' : 'edited',
      bytes: bytes.length,
    });
  }
  for (const at of links) if (!built.has(at)) files.push({ path: at, fate: 'kept', bytes: 0 });
  // What tells whose the others are is always Obrank's.
  const isKept = new Set(keep.filter((at) => at !== kit.marker));
  for (const file of files) if (isOwn(file.fate) && isKept.has(file.path)) file.fate = 'mine';
  files.sort((a, b) => (a.path < b.path ? -1 : 1));
  const lines = [
    target.path,
    files.map((file) => [file.path, file.fate, file.bytes]),
    [...there].map(([file, bytes]) => [file, digestOf(bytes)]),
  ];
  const id = digestOf(new TextEncoder().encode(JSON.stringify(lines)));
  return { target: target.path, kind: target.kind, files, id, ask: question(target, files, links) };
}

/** Whether a file is as somebody wants it who is not Obrank. */
const isOwn = (fate: FileFate): boolean => fate === 'edited' || fate === 'foreign';

function fateOf(
  file: string,
  bytes: Uint8Array,
  old: Uint8Array | undefined,
  recorded: ReadonlyMap<string, string> | undefined,
  marker: string | undefined,
): FileFate {
  if (!old) return 'new';
  if (Buffer.compare(old, bytes) === 0) return 'same';
  if (file === marker && recorded) return 'changed';
  if (!recorded?.has(file)) return 'foreign';
  return recorded.get(file) === digestOf(old) ? 'changed' : 'edited';
}

/**
 * A folder where a file belongs, anything but a folder where one belongs: nothing is built over or
 * through these.
 */
function refuseWrongKinds(target: string, built: Files, scan: Scan): void {
  const folders = new Set<string>();
  for (const file of built.keys())
    for (let at = path.posix.dirname(file); at !== '.'; at = path.posix.dirname(at))
      folders.add(at);
  for (const [at, { kind }] of scan) {
    const place = shown(path.join(target, at));
    if (kind === 'other')
      throw new DiskProblem(
        `${place} is neither a file nor a folder nor a link, so a build cannot carry it over. ` +
          'Choose a folder of its own for the pack.',
      );
    if (kind === 'folder' && built.has(at))
      throw new DiskProblem(
        `${place} is a folder where a file of the pack belongs. Move it away first.`,
      );
    if (kind !== 'folder' && folders.has(at))
      throw new DiskProblem(
        `${place} is a ${kind} where a folder of the pack belongs. Move it away first.`,
      );
  }
}

function question(
  { path: target, kind }: Target,
  files: PlannedFile[],
  links: ReadonlySet<string>,
): string | undefined {
  const withFate = (fate: FileFate) => files.filter((file) => file.fate === fate);
  const [edited, foreign, kept] = [withFate('edited'), withFate('foreign'), withFate('kept')];
  if (kind === 'folder' && kept.length > maxForeign)
    throw new DiskProblem(
      `${shown(target)} holds ${kept.length} files that are no part of a pack. Choose a ` +
        'folder of its own.',
    );
  if (kind === 'file' && kept.length)
    return `${shown(target)} is not a pack that Obrank built. Building would replace it.`;
  const such = ([first]: PlannedFile[]) =>
    `such as ${shown(first?.path ?? '')}${first && links.has(first.path) ? ', a link' : ''}`;
  const says = [
    ...(edited.length
      ? [`${edited.length} changed by hand since the last build, ${such(edited)}`]
      : []),
    ...(foreign.length ? [`${foreign.length} that Obrank did not write, ${such(foreign)}`] : []),
  ];
  if (says.length)
    return `Building would overwrite files in ${shown(target)}: ${says.join('; and ')}.`;
  const isForeignFolder = kept.length > 0 && kept.length === files.length - withFate('new').length;
  return isForeignFolder
    ? `${shown(target)} holds ${kept.length} other files and no pack yet. They stay, and ` +
        'the pack is built among them.'
    : undefined;
}
