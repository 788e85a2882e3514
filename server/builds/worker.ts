/**
 * The thread that makes packs: it keeps a copy of one mod, makes its pack once for everybody who
 * asks, and plans, writes and packs it.
 */
import { parentPort, workerData } from 'node:worker_threads';
import { mostDifferences, type ComparedFile, type Verdict } from '../../core/api/index.ts';
import { writeZip, type Files } from '../../core/bytes/index.ts';
import { writeModFolder } from '../../core/folder/index.ts';
import { engineKit, kitFor, KitError } from '../../core/kits/index.ts';
import { emptyMod, resolveBlocks, type Mod } from '../../core/mod/index.ts';
import {
  DiskProblem,
  planBuild,
  planOver,
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
let pack: Built | undefined;
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
  error instanceof DiskProblem || error instanceof KitError;

/** What was made follows from the mod: a change makes it worthless. */
function forget(): void {
  pack = undefined;
  archive = undefined;
  forEngine = undefined;
}

/** The pack of the mod as it is, made once. */
function packFor(id: number): Built {
  if (pack) return pack;
  const kit = kitFor(mod);
  const files = kit.write(mod, blobOf, (done, total) => {
    if (Atomics.load(stopMaking, 0) === 1) throw new DiskProblem('It was cancelled.');
    say({ say: 'progress', id, done, total });
  });
  pack = { files, kit };
  return pack;
}

/** The files for the engine that can be asked, made once. */
function engineFiles(id: number): Files {
  if (kitFor(mod).name === engineKit.name) return packFor(id).files;
  return (forEngine ??= engineKit.write(mod, blobOf, (done, total) => {
    if (Atomics.load(stopMaking, 0) === 1) throw new DiskProblem('It was cancelled.');
    say({ say: 'progress', id, done, total });
  }));
}

/** What the engine shows otherwise than declared, of every block. */
const comesNear = (): Verdict['near'] =>
  resolveBlocks(mod)
    .flatMap((block) =>
      (engineKit.shortfalls?.(mod, block) ?? []).map((one) => ({ block: block.name, ...one })),
    )
    .slice(0, mostDifferences);

async function compare(
  { target: given, path, settled, fresh }: Task & { do: 'compare' },
  built: Built,
): Promise<ComparedFile> {
  const target = await targetOf(given, built.kit.ending);
  const standing = await standingAt(target);
  const planned = planOver(target, built, standing, { settled, fresh });
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

function run(id: number, task: Task, signal: AbortSignal): unknown {
  const onProgress = (done: number, total: number) => say({ say: 'progress', id, done, total });
  switch (task.do) {
    case 'plan':
      return planBuild(task.target, packFor(id), task);
    case 'compare':
      return compare(task, packFor(id));
    case 'build':
      return writeBuild(task.target, packFor(id), {
        agreed: task.agreed,
        keep: task.keep,
        settled: task.settled,
        fresh: task.fresh,
        onProgress,
        signal,
      });
    case 'lay out':
      return engineKit.engine.lay(mod, engineFiles(id));
    case 'judge':
      return {
        differences: engineKit.engine.judge(mod, engineFiles(id), task.heard),
        near: comesNear(),
      } satisfies TaskResults['judge'];
    case 'pack zip':
      return (archive ??= writeZip(packFor(id).files));
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
