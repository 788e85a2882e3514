import path from 'node:path';
import { digestOf, readZip, type Files } from '../core/bytes/index.ts';
import type { Plan } from '../core/api/index.ts';
import type { Kit } from '../core/kits/index.ts';
import { mergeTexts, type Choice, type MergedText } from '../core/merge/index.ts';
import { readOrdinary } from './ordinary.ts';
import { DiskProblem, shown } from './problem.ts';
import { maxBytes, readTree } from './read.ts';
import { readRecord, type BuildRecord } from './record.ts';
import { scanFolder, scanOne, type Scan } from './scan.ts';
import { targetOf, type Target } from './target.ts';

/**
 * What a build will do with one file.
 * new, changed, same: compared with what is there. gone: built before, no longer part of the pack,
 * will be removed.
 * edited: was built by Obrank and changed by hand since, will be overwritten or removed. foreign:
 * somebody else's file in the way, will be overwritten.
 * mine: edited or foreign, and to be kept as it stands. merged: changed by hand since, and what was
 * changed stays beside what is new. clash: the same, with places that both changed. kept: somebody
 * else's file that is not in the way, stays.
 */
export type FileFate = PlannedFile['fate'];
export type PlannedFile = Plan['files'][number];

/** The files of a build, and the kit that made them. */
export interface Built {
  files: Files;
  kit: Pick<Kit, 'ending' | 'marker' | 'recordedDigests' | 'isText'>;
}

/** What stands at a target: the pack's files, everything there is, and when it was looked at. */
export interface Standing {
  files: Files;
  scan: Scan;
  lookedAtMs: number;
  /** What was written there last, as far as it is known. */
  record: BuildRecord | undefined;
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

/** The paths of files of people's own that a build is to leave as they stand. */
export type Keep = readonly string[];

/** What people decided about files that they changed by hand. */
export interface Decided {
  /** Files that stay as they stand; without it those that the record says are theirs. */
  keep?: Keep | undefined;
  /** Files that stay as they stand besides. */
  alsoKeep?: Keep | undefined;
  /** Whose words stand at the clashes of a file, place by place. */
  settled?: readonly { path: string; takes: readonly (Choice | null)[] }[] | undefined;
  /** Files that become as they are built, whatever people changed in them. */
  fresh?: Keep | undefined;
  /** Everything becomes as it is built, whatever people changed. */
  overwrite?: boolean | undefined;
}

/** A plan, and what it comes to. */
export interface Planned {
  plan: Plan;
  /** The files that are written as they are now: all but those that people keep. */
  files: Files;
  /** The files that were merged, with the places that both sides changed. */
  merged: ReadonlyMap<string, MergedText>;
  /** The files that people said are theirs. */
  mine: Keep;
}

/**
 * Compares what a build would write with what is there. Reads only. Throws a {@link DiskProblem}
 * for a target that cannot be used.
 */
export async function planBuild(given: string, built: Built, decided?: Decided): Promise<Plan> {
  const target = await targetOf(given, built.kit.ending);
  return planOver(target, built, await standingAt(target), decided).plan;
}

/**
 * The plan over what stands at the target. Throws a {@link DiskProblem} when something there cannot
 * stay and cannot be replaced.
 */
export function planOver(
  target: Target,
  built: Built,
  standing: Standing,
  decided: Decided = {},
): Planned {
  const { files: there, scan, record } = standing;
  const recorded = record?.digests ?? built.kit.recordedDigests(there);
  const keep = [...(decided.keep ?? record?.mine ?? []), ...(decided.alsoKeep ?? [])];
  const links = new Set([...scan].flatMap(([at, { kind }]) => (kind === 'link' ? [at] : [])));
  if (target.kind === 'folder') refuseWrongKinds(target.path, built.files, scan);
  const isFresh = new Set(decided.fresh);
  const files: PlannedFile[] = [];
  const merged = new Map<string, MergedText>();
  for (const [file, bytes] of built.files) {
    const known = { file, bytes, old: there.get(file), digest: recorded?.get(file) };
    const found = links.has(file) ? 'foreign' : fateOf(known, built.kit, recorded !== undefined);
    const fate = isFresh.has(file) && isDisputed(found) ? 'changed' : found;
    const merges = fate === 'edited' && record !== undefined && !decided.overwrite;
    const text = merges ? mergedText(known, built.kit, record, decided) : undefined;
    if (text) merged.set(file, text);
    // What is no text stays as people have it where nothing new would be written.
    const stays = merges && !text && known.digest === digestOf(bytes);
    const open = text ? openClashes(text, file, decided) : 0;
    files.push({
      path: file,
      fate: open ? 'clash' : text || stays ? 'merged' : fate,
      bytes: bytes.length,
      ...(text?.clashes.length && { clashes: text.clashes.length }),
    });
  }
  for (const [file, bytes] of there) {
    if (built.files.has(file)) continue;
    const digest = recorded?.get(file);
    files.push({
      path: file,
      fate:
        digest === undefined
          ? 'kept'
          : digest === digestOf(bytes) || isFresh.has(file)
            ? 'gone'
            : 'edited',
      bytes: bytes.length,
    });
  }
  for (const at of links)
    if (!built.files.has(at)) files.push({ path: at, fate: 'kept', bytes: 0 });
  // What tells whose the others are is always Obrank's.
  const isKept = new Set(keep.filter((at) => at !== built.kit.marker));
  for (const file of files)
    if (isKept.has(file.path) && isThere(file.fate)) Object.assign(file, { fate: 'mine' });
  files.sort((a, b) => (a.path < b.path ? -1 : 1));
  const lines = [
    target.path,
    files.map((file) => [file.path, file.fate, file.bytes]),
    [...there].map(([file, bytes]) => [file, digestOf(bytes)]),
  ];
  const id = digestOf(new TextEncoder().encode(JSON.stringify(lines)));
  const ask = question(target, files, links);
  const plan = { target: target.path, kind: target.kind, files, id, ask };
  return { plan, files: written(built.files, files, merged), merged, mine: [...isKept] };
}

/** What is written: all but what people keep, and merged what both changed. */
function written(
  built: Files,
  files: readonly PlannedFile[],
  merged: ReadonlyMap<string, MergedText>,
): Files {
  const made = new Map(built);
  for (const { path: file, fate } of files) {
    const text = merged.get(file);
    if (fate === 'mine' || (fate === 'merged' && !text)) made.delete(file);
    else if (text) made.set(file, new TextEncoder().encode(text.text));
  }
  return made;
}

/** Whether a file is as somebody wants it who is not Obrank, and what becomes of it is open. */
const isDisputed = (fate: FileFate): boolean => fate === 'edited' || fate === 'foreign';

/** Whether a file stands there that a build could make another, so that people may keep it. */
const isThere = (fate: FileFate): boolean => fate !== 'new' && fate !== 'kept';

/** A file that would be written: as it is built, as it stands, and the digest of the last build. */
interface Known {
  file: string;
  bytes: Uint8Array;
  old: Uint8Array | undefined;
  digest: string | undefined;
}

function fateOf(
  { file, bytes, old, digest }: Known,
  { marker }: Built['kit'],
  hasRecord: boolean,
): FileFate {
  if (!old) return 'new';
  if (Buffer.compare(old, bytes) === 0) return 'same';
  if (digest === undefined) return file === marker && hasRecord ? 'changed' : 'foreign';
  return digest === digestOf(old) ? 'changed' : 'edited';
}

/**
 * A text that was changed by hand, with what is new; undefined for what is no text, and where what
 * was built last is not known.
 */
function mergedText(
  { file, bytes, old }: Known,
  kit: Built['kit'],
  record: BuildRecord,
  { settled }: Decided,
): MergedText | undefined {
  const decoder = new TextDecoder();
  const base = record.texts.get(file);
  if (base === undefined || !kit.isText(file)) return undefined;
  const choices = settled?.find(({ path: at }) => at === file)?.takes ?? [];
  return mergeTexts(
    { base, mine: decoder.decode(old), built: decoder.decode(bytes) },
    choices.map((choice) => choice ?? undefined),
    file.endsWith('.json'),
  );
}

/** How many clashes of a file nobody has decided yet. */
function openClashes({ clashes }: MergedText, file: string, { settled }: Decided): number {
  const takes = settled?.find(({ path: at }) => at === file)?.takes ?? [];
  return clashes.filter((_, index) => !takes[index]).length;
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
  const clashing = withFate('clash');
  const both =
    clashing.length &&
    `You and the mod changed the same place in ${clashing.length} of the files in ` +
      `${shown(target)}, ${such(clashing)}.`;
  const over =
    says.length && `Building would overwrite files in ${shown(target)}: ${says.join('; and ')}.`;
  if (both || over) return [both, over].filter(Boolean).join(' ');
  const isForeignFolder = kept.length > 0 && kept.length === files.length - withFate('new').length;
  return isForeignFolder
    ? `${shown(target)} holds ${kept.length} other files and no pack yet. They stay, and ` +
        'the pack is built among them.'
    : undefined;
}
