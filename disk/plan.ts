import { digestOf, type Files } from '../core/bytes/index.ts';
import type { Plan } from '../core/api/index.ts';
import type { Kit } from '../core/kits/index.ts';
import { mergeTexts, type Choice, type MergedText } from '../core/merge/index.ts';
import { question, refuseWrongKinds } from './question.ts';
import type { BuildRecord } from './record.ts';
import { standingAt, type Standing } from './standing.ts';
import { targetOf, type Target } from './target.ts';

/**
 * What a build will do with one file.
 * new, changed, same: compared with what is there. gone: built before, no longer part of the pack,
 * will be removed.
 * edited: was built by Obrank and changed by hand since, will be overwritten or removed. foreign:
 * somebody else's file in the way, will be overwritten.
 * mine: edited or foreign, and to be kept as it stands. merged: changed by hand since, or another's,
 * and what was there stays beside what is new. clash: the same, with places that both changed. kept: somebody
 * else's file that is not in the way, stays.
 */
export type FileFate = PlannedFile['fate'];
export type PlannedFile = Plan['files'][number];

/** The files of a build, and the kit that made them. */
export interface Built {
  files: Files;
  kit: Pick<Kit, 'ending' | 'marker' | 'recordedDigests' | 'isText' | 'isList' | 'settle'>;
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
  /**
   * Whether the pack comes into one that somebody else made: lists and groups of both are put
   * together, and nothing of theirs goes. Without it as it was the last time.
   */
  joins?: boolean | undefined;
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
  if (target.kind === 'folder') refuseWrongKinds(target.path, built.files, standing.scan);
  const planning = new Planning(built, standing, decided);
  const files = planning.files();
  const { joins, links, merged, mine } = planning;
  const lines = [
    target.path,
    files.map((file) => [file.path, file.fate, file.bytes]),
    [...standing.files].map(([file, bytes]) => [file, digestOf(bytes)]),
  ];
  const id = digestOf(new TextEncoder().encode(JSON.stringify(lines)));
  const ask = question(target, files, links, joins);
  const plan = {
    target: target.path,
    kind: target.kind,
    files,
    id,
    ask,
    isKnown: standing.record !== undefined,
    joins,
  };
  const written = writtenBy(built, files, merged);
  return { plan, files: joins ? settled(built, standing, written) : written, merged, mine };
}

/** A file that would be written: as it is built, as it stands, and the digest of the last build. */
interface Known {
  file: string;
  bytes: Uint8Array;
  old: Uint8Array | undefined;
  digest: string | undefined;
}

/** What becomes of each file, from what is built, what stands there and what people decided. */
class Planning {
  readonly merged = new Map<string, MergedText>();
  readonly joins: boolean;
  readonly links: ReadonlySet<string>;
  /** The files that people said are theirs; what tells whose the others are is always Obrank's. */
  readonly mine: Keep;
  private readonly recorded: ReadonlyMap<string, string> | undefined;
  private readonly record: BuildRecord | undefined;
  private readonly isFresh: ReadonlySet<string>;

  constructor(
    private readonly built: Built,
    private readonly standing: Standing,
    private readonly decided: Decided,
  ) {
    const { record, files, scan } = standing;
    const { keep, alsoKeep, fresh, joins } = decided;
    const { kit } = built;
    this.record = record;
    this.joins = joins ?? record?.joins ?? false;
    // The digests of a pack that somebody else built tell nothing of ours.
    this.recorded = record?.digests ?? (this.joins ? undefined : kit.recordedDigests(files));
    this.links = new Set([...scan].flatMap(([at, { kind }]) => (kind === 'link' ? [at] : [])));
    this.isFresh = new Set(fresh);
    const kept = new Set([...(keep ?? record?.mine ?? []), ...(alsoKeep ?? [])]);
    this.mine = [...kept].filter((at) => at !== kit.marker);
  }

  /** Every file that is built or stands there, by its path. */
  files(): PlannedFile[] {
    const { built, links, mine } = this;
    const files = [
      ...[...built.files].map(([file, bytes]) => this.ofBuilt(file, bytes)),
      ...[...this.standing.files].flatMap(([file, bytes]) =>
        built.files.has(file) ? [] : [this.ofOther(file, bytes)],
      ),
      ...[...links].flatMap((at): PlannedFile[] =>
        built.files.has(at) ? [] : [{ path: at, fate: 'kept', bytes: 0 }],
      ),
    ];
    const isMine = new Set(mine);
    for (const file of files)
      if (isMine.has(file.path) && this.mayStay(file)) Object.assign(file, { fate: 'mine' });
    return files.sort((a, b) => (a.path < b.path ? -1 : 1));
  }

  /** What becomes of a file that is built. */
  private ofBuilt(file: string, bytes: Uint8Array): PlannedFile {
    const old = this.standing.files.get(file);
    const known = { file, bytes, old, digest: this.recorded?.get(file) };
    const found = this.links.has(file)
      ? 'foreign'
      : fateOf(known, this.built.kit, this.recorded !== undefined);
    const fate = this.isFresh.has(file) && isDisputed(found) ? 'changed' : found;
    const wasBuilt = fate === 'edited' && this.record !== undefined;
    const isJoined = this.joins && fate === 'foreign' && old !== undefined;
    const merges = (wasBuilt || isJoined) && !this.decided.overwrite;
    const text = merges ? this.mergedText(known, isJoined) : undefined;
    if (text) this.merged.set(file, text);
    // What is no text stays as people have it where nothing new would be written.
    const stays = merges && !text && wasBuilt && known.digest === digestOf(bytes);
    const open = text ? openClashes(text, this.takes(file)) : 0;
    return {
      path: file,
      fate: open ? 'clash' : text || stays ? 'merged' : fate,
      bytes: bytes.length,
      ...(text?.clashes.length && { clashes: text.clashes.length }),
    };
  }

  /** What becomes of a file that is no part of what is built. */
  private ofOther(file: string, bytes: Uint8Array): PlannedFile {
    const digest = this.recorded?.get(file);
    const isOurs = digest === digestOf(bytes) || this.isFresh.has(file);
    const fate = digest === undefined ? 'kept' : isOurs ? 'gone' : 'edited';
    return { path: file, fate, bytes: bytes.length };
  }

  /**
   * Whether people can have a file as they want it: one that stands there and a build could make
   * another, or one that they took away.
   */
  private mayStay({ path: file, fate }: PlannedFile): boolean {
    return fate === 'new' ? this.recorded?.has(file) === true : fate !== 'kept';
  }

  /** Whose words stand at the clashes of a file; in the marker of another's pack theirs. */
  private takes(file: string): (clash: number) => Choice | undefined {
    const said = this.decided.settled?.find(({ path: at }) => at === file)?.takes;
    const unsaid = this.joins && file === this.built.kit.marker ? 'mine' : undefined;
    return (clash) => said?.[clash] ?? unsaid;
  }

  /**
   * A text that was changed by hand or is another's, with what is new; undefined for what is no
   * text, and where what was built last is not known.
   */
  private mergedText({ file, bytes, old }: Known, isJoined: boolean): MergedText | undefined {
    const { kit } = this.built;
    const decoder = new TextDecoder();
    const base = isJoined ? undefined : this.record?.texts.get(file);
    if (!kit.isText(file) || (base === undefined && !isJoined)) return undefined;
    const isList = kit.isList?.(file) === true;
    return mergeTexts(
      { base, mine: decoder.decode(old), built: decoder.decode(bytes) },
      { chosen: this.takes(file), joins: this.joins },
      file.endsWith('.json') ? 'json' : isList ? 'list' : 'lines',
    );
  }
}

/** What is written: all but what people keep, and merged what both changed. */
function writtenBy(
  built: Built,
  files: readonly PlannedFile[],
  merged: ReadonlyMap<string, MergedText>,
): Files {
  const made = new Map(built.files);
  for (const { path: file, fate } of files) {
    const text = merged.get(file);
    if (fate === 'mine' || (fate === 'merged' && !text)) made.delete(file);
    else if (text) made.set(file, new TextEncoder().encode(text.text));
  }
  return made;
}

/** What is written into another's pack, where files that keep digests of others say the new ones. */
function settled({ kit }: Built, { files: there }: Standing, written: Files): Files {
  const changes = kit.settle?.(there, new Map([...there, ...written])) ?? [];
  const files = new Map(written);
  for (const [file, bytes] of changes) if (bytes) files.set(file, bytes);
  return files;
}

/** Whether a file is as somebody wants it who is not Obrank, and what becomes of it is open. */
const isDisputed = (fate: FileFate): boolean => fate === 'edited' || fate === 'foreign';

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

/** How many clashes of a file nobody has decided yet. */
const openClashes = (
  { clashes }: MergedText,
  takes: (clash: number) => Choice | undefined,
): number => clashes.filter((_, index) => !takes(index)).length;
