/**
 * The thread that makes packs: it keeps a copy of one mod, makes its pack once for everybody who
 * asks, and plans, writes and packs it.
 */
import { parentPort, workerData } from 'node:worker_threads';
import { mostDifferences, type ComparedFile, type Verdict } from '../../core/api/index.ts';
import { writeZip, type Files } from '../../core/bytes/index.ts';
import { writeModFolder } from '../../core/folder/index.ts';
import { engineKit, kitFor, kitNamed, KitError, loadPack } from '../../core/kits/index.ts';
import { emptyMod, lookUp, resolveBlocks, type Mod } from '../../core/mod/index.ts';
import { onlyBlocks, TakeOverProblem } from '../../core/take-over/index.ts';
import { testWalk } from '../../core/yard/index.ts';
import {
  DiskProblem,
  planBuild,
  planOver,
  readRecord,
  standingAt,
  targetOf,
  writeBuild,
  type Built,
} from '../../disk/index.ts';
import type { EntryChange, FromBuilder, Task, TaskResults, ToBuilder } from './protocol.ts';

const port = parentPort;
if (!port) throw new Error('This runs as a worker thread.');

/**
 * Shared with the server: 1 once nobody waits for the pack that is being made. A thread at work
 * hears no messages, but it can look.
 */
const { stop: stopMaking } = workerData as { stop: Int32Array };

let mod: Mod = emptyMod('unnamed', 'Unnamed');
/** The packs of the whole mod and of the blocks that were chosen last, by their names. */
const packs = new Map<string, Built>();
let archive: Uint8Array | undefined;
let forEngine: Files | undefined;
const blobs = new Map<string, Uint8Array>();
const going = new Map<number, AbortController>();
const say = (message: FromBuilder, transfer: ArrayBuffer[] = []) =>
  port.postMessage(message, transfer);

const blobOf = (sha256: string): Uint8Array => {
  const bytes = blobs.get(sha256);
  if (!bytes) throw new Error(`the picture or sound ${sha256} was not given`);
  return bytes;
};

/** Whether a failure is told to people as it is. */
const isForeseen = (error: unknown): boolean =>
  error instanceof DiskProblem || error instanceof KitError || error instanceof TakeOverProblem;

/** What was made follows from the mod: a change makes it worthless. */
function forget(): void {
  packs.clear();
  archive = undefined;
  forEngine = undefined;
}

/** Tells how far work is, and stops it once nobody waits for it. */
const told =
  (id: number) =>
  (done: number, total: number): void => {
    if (Atomics.load(stopMaking, 0) === 1) throw new DiskProblem('It was cancelled.');
    say({ say: 'progress', id, done, total });
  };

/** The pack of the mod as it is, or of some of its blocks, made once. */
function packFor(id: number, blocks?: readonly string[]): Built {
  const key = blocks ? [...blocks].sort().join(' ') : '';
  const known = packs.get(key);
  if (known) return known;
  const kit = kitFor(mod);
  const files = kit.write(blocks ? onlyBlocks(mod, blocks) : mod, blobOf, told(id));
  for (const other of packs.keys()) if (other !== '' && key !== '') packs.delete(other);
  const pack = { files, kit };
  packs.set(key, pack);
  return pack;
}

/** The pack for a target, and the blocks that it is built from where those are not all. */
async function packAt(
  id: number,
  { target: given, blocks: said }: { target: string; blocks?: readonly string[] | undefined },
): Promise<{ built: Built; blocks: readonly string[] | undefined }> {
  const last = async () => {
    const target = await targetOf(given, kitFor(mod).ending);
    return (await readRecord(target))?.blocks?.filter((name) => lookUp(mod.blocks, name));
  };
  const chosen = said ?? (await last());
  const blocks = chosen?.length ? chosen : undefined;
  return { built: packFor(id, blocks), blocks };
}

/** The files for the engine that can be asked, made once. */
function engineFiles(id: number): Files {
  if (kitFor(mod).name === engineKit.name) return packFor(id).files;
  return (forEngine ??= engineKit.write(mod, blobOf, told(id)));
}

/** The files that the Yard reads. */
function yardFiles(id: number): Files {
  const { name, write } = kitNamed('block-pack');
  if (kitFor(mod).name === name) return packFor(id).files;
  return write(mod, blobOf, told(id));
}

/** What the engine shows otherwise than declared, of every block. */
const comesNear = (): Verdict['near'] =>
  resolveBlocks(mod)
    .flatMap((block) =>
      (engineKit.shortfalls?.(mod, block) ?? []).map((one) => ({ block: block.name, ...one })),
    )
    .slice(0, mostDifferences);

async function compare(
  { target: given, path, settled, fresh, joins }: Task & { do: 'compare' },
  built: Built,
): Promise<ComparedFile> {
  const target = await targetOf(given, built.kit.ending);
  const standing = await standingAt(target);
  const planned = planOver(target, built, standing, { settled, fresh, joins });
  if (!planned.plan.files.some((file) => file.path === path))
    throw new DiskProblem(`${path} is no part of this build.`);
  const isText = built.kit.isText(path);
  const text = (bytes: Uint8Array | undefined) =>
    bytes && isText ? new TextDecoder().decode(bytes) : undefined;
  const clashes = planned.merged.get(path)?.clashes;
  return {
    path,
    before: text(standing.files.get(path)),
    after: text(planned.files.get(path) ?? built.files.get(path)),
    ...(clashes?.length && { clashes }),
  };
}

async function plan(id: number, task: Task & { do: 'plan' }): Promise<TaskResults['plan']> {
  const { built, blocks } = await packAt(id, task);
  const planned = await planBuild(task.target, built, task);
  return { ...planned, ...(blocks && { blocks: [...blocks] }) };
}

async function run(id: number, task: Task, signal: AbortSignal): Promise<unknown> {
  const onProgress = (done: number, total: number) => say({ say: 'progress', id, done, total });
  switch (task.do) {
    case 'plan':
      return plan(id, task);
    case 'compare':
      return compare(task, (await packAt(id, task)).built);
    case 'build': {
      const { built, blocks } = await packAt(id, task);
      return writeBuild(task.target, built, { ...task, blocks, onProgress, signal });
    }
    case 'walk': {
      // The Yard reads one format, whatever the mod is built for.
      const { world, log } = loadPack(yardFiles(id));
      return { checks: testWalk(world, { onProgress: told(id) }), log };
    }
    case 'lay out':
      return engineKit.engine.lay(mod, engineFiles(id));
    case 'judge':
      return {
        differences: engineKit.engine.judge(mod, engineFiles(id), task.heard),
        near: comesNear(),
      } satisfies TaskResults['judge'];
    case 'pack zip':
      return (archive ??= writeZip(packFor(id).files));
    case 'yard zip':
      return writeZip(yardFiles(id));
    case 'folder zip':
      return writeZip(writeModFolder(mod, blobOf));
  }
}

async function work(id: number, task: Task): Promise<void> {
  const stop = new AbortController();
  going.set(id, stop);
  try {
    const result = await run(id, task, stop.signal);
    // The archive stays here for whoever asks next; others are handed over.
    say(
      { say: 'done', id, result },
      result instanceof Uint8Array && result !== archive ? [result.buffer as ArrayBuffer] : [],
    );
  } catch (error) {
    const { message, stack } = error as Error;
    say({ say: 'failed', id, message, isForeseen: isForeseen(error), stack });
  } finally {
    going.delete(id);
  }
}

/** The mod with other entries: what is known of a list of entries is known by the list itself. */
function withEntries(before: Mod, changes: readonly EntryChange[]): Mod {
  const after = { ...before } as unknown as Record<string, Record<string, unknown>>;
  for (const kind of new Set(changes.map((change) => change.kind)))
    after[kind] = { ...after[kind] };
  for (const { kind, name, document } of changes) {
    const entries = after[kind] ?? {};
    if (document === undefined) delete entries[name];
    else entries[name] = document;
  }
  return after as unknown as Mod;
}

port.on('message', (message: ToBuilder) => {
  switch (message.say) {
    case 'header':
      mod = { ...mod, header: message.header, ledger: message.ledger };
      forget();
      break;
    case 'entries':
      mod = withEntries(mod, message.entries);
      forget();
      break;
    case 'blobs':
      for (const [sha256, bytes] of message.blobs) blobs.set(sha256, bytes);
      break;
    case 'cancel':
      going.get(message.id)?.abort();
      break;
    case 'task':
      void work(message.id, message.task);
  }
});
