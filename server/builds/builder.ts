import path from 'node:path';
import { Worker } from 'node:worker_threads';
import { blobsNamedIn, entryKinds, type Mod } from '../../core/mod/index.ts';
import { DiskProblem } from '../../disk/index.ts';
import type { EntryChange, FromBuilder, Task, TaskResults, ToBuilder } from './protocol.ts';

/** The built program of the thread; it lies beside the built server. */
export const builderProgram = (root: string): string =>
  path.join(root, 'dist', 'node', 'builder.mjs');

/**
 * So many entries, or bytes of pictures and sounds, go over to the thread at once: nobody else
 * waits meanwhile.
 */
const batch = { entries: 400, bytes: 4 * 1024 * 1024 };
/** A thread that nobody needs for so long is ended; its copy of the mod takes memory. */
const idleMs = 120_000;

interface Waiting {
  resolve: (result: unknown) => void;
  reject: (error: unknown) => void;
  onProgress: (done: number, total: number) => void;
}
type BlobsOf = (digests: string[]) => Promise<Map<string, Uint8Array>>;

export interface Watching {
  signal: AbortSignal;
  onProgress: (done: number, total: number) => void;
}

const emptyKinds = () =>
  Object.fromEntries(entryKinds.map((kind) => [kind, {}])) as Pick<
    Mod,
    (typeof entryKinds)[number]
  >;
const pause = () => new Promise<void>((resolve) => setImmediate(resolve));

/**
 * Makes the packs of one mod in a thread of its own. The thread is told only what has changed since
 * it was told last; a pack is made once for everybody who asks for the same revision, and the
 * making stops when nobody waits for it any more.
 */
export class Builder {
  private worker: Worker | undefined;
  private told: Partial<Mod> = {};
  private toldBlobs = new Set<string>();
  /** 1 once nobody waits for the pack that is being made. */
  private readonly stop = new Int32Array(new SharedArrayBuffer(4));
  private readonly waiting = new Map<number, Waiting>();
  private telling: Promise<unknown> = Promise.resolve();
  private next = 1;
  private idle: ReturnType<typeof setTimeout> | undefined;

  constructor(
    private readonly program: string,
    private readonly blobsOf: BlobsOf,
  ) {}

  get isIdle(): boolean {
    return this.waiting.size === 0;
  }

  /**
   * Does a task over the mod as it is given. Throws a {@link DiskProblem} for what was foreseen,
   * and when it is cancelled.
   */
  run<Kind extends Task['do']>(
    mod: Mod,
    task: Task & { do: Kind },
    { signal, onProgress }: Watching,
  ): Promise<TaskResults[Kind]> {
    const id = this.next++;
    clearTimeout(this.idle);
    const result = new Promise<unknown>((resolve, reject) =>
      this.waiting.set(id, { resolve, reject, onProgress }),
    );
    const cancel = () => this.cancel(id, task.do === 'build');
    signal.addEventListener('abort', cancel, { once: true });
    if (signal.aborted) cancel();
    // One after the other, so that what is told belongs to the task that follows.
    this.telling = this.telling
      .then(() => this.tell(id, mod, task))
      .catch((error: unknown) => this.waiting.get(id)?.reject(error));
    return (result as Promise<TaskResults[Kind]>).finally(() => {
      signal.removeEventListener('abort', cancel);
      this.waiting.delete(id);
      if (this.waiting.size === 0) this.idle = setTimeout(() => this.end(), idleMs).unref();
    });
  }

  private async tell(id: number, mod: Mod, task: Task): Promise<void> {
    if (!this.waiting.has(id)) return;
    const worker = this.started();
    const send = (message: ToBuilder) => worker.postMessage(message);
    if (this.told.header !== mod.header || this.told.ledger !== mod.ledger)
      send({ say: 'header', header: mod.header, ledger: mod.ledger });
    const entries = changedEntries({ ...emptyKinds(), ...this.told }, mod);
    for (let i = 0; i < entries.length; i += batch.entries) {
      send({ say: 'entries', entries: entries.slice(i, i + batch.entries) });
      await pause();
    }
    this.told = mod;
    await this.tellBlobs(mod, send);
    if (worker !== this.worker || !this.waiting.has(id)) return;
    Atomics.store(this.stop, 0, 0);
    send({ say: 'task', id, task });
  }

  private async tellBlobs(mod: Mod, send: (message: ToBuilder) => void): Promise<void> {
    const sizes = new Map(blobsNamedIn(mod).map(({ sha256, bytes }) => [sha256, bytes]));
    let [some, total]: [string[], number] = [[], 0];
    const flush = async () => {
      if (some.length === 0) return;
      send({ say: 'blobs', blobs: [...(await this.blobsOf(some))] });
      for (const sha256 of some) this.toldBlobs.add(sha256);
      [some, total] = [[], 0];
    };
    for (const [sha256, bytes] of sizes) {
      if (this.toldBlobs.has(sha256)) continue;
      some.push(sha256);
      total += bytes;
      if (total > batch.bytes || some.length >= batch.entries) await flush();
    }
    await flush();
  }

  private started(): Worker {
    if (this.worker) return this.worker;
    const worker = new Worker(this.program, { workerData: { stop: this.stop } });
    worker.unref();
    worker.on('message', (message: FromBuilder) => this.hear(message));
    const fail = (why: string) => {
      if (this.worker !== worker) return;
      this.forget();
      for (const { reject } of this.waiting.values()) reject(new Error(why));
    };
    worker.on('error', (error) => fail(`the thread that makes packs failed: ${error.message}`));
    worker.on('exit', (code) => fail(`the thread that makes packs ended with ${code}`));
    this.worker = worker;
    return worker;
  }

  private hear(message: FromBuilder): void {
    const waiting = this.waiting.get(message.id);
    if (!waiting) return;
    if (message.say === 'progress') waiting.onProgress(message.done, message.total);
    else if (message.say === 'done') waiting.resolve(message.result);
    else if (message.isForeseen) waiting.reject(new DiskProblem(message.message));
    else waiting.reject(Object.assign(new Error(message.message), { stack: message.stack }));
  }

  /**
   * Gives a task up. The making of a pack stops once nobody waits for it; what is being written is
   * put back before the task ends.
   */
  private cancel(id: number, isWriting: boolean): void {
    const hasOthers = [...this.waiting.keys()].some((other) => other !== id);
    if (!hasOthers) Atomics.store(this.stop, 0, 1);
    this.worker?.postMessage({ say: 'cancel', id } satisfies ToBuilder);
    if (!isWriting || !this.worker)
      this.waiting.get(id)?.reject(new DiskProblem('It was cancelled.'));
  }

  private forget(): void {
    this.worker = undefined;
    this.told = {};
    this.toldBlobs = new Set();
  }

  /** Ends the thread. What still waits is told so. */
  end(): void {
    clearTimeout(this.idle);
    const { worker } = this;
    this.forget();
    for (const { reject } of this.waiting.values())
      reject(new DiskProblem('The server is being stopped.'));
    void worker?.terminate();
  }
}

/**
 * The entries of a mod that are other objects than before, and those that are gone. Unchanged ones
 * are the same objects.
 */
function changedEntries(before: Pick<Mod, (typeof entryKinds)[number]>, after: Mod): EntryChange[] {
  const changes: EntryChange[] = [];
  for (const kind of entryKinds) {
    const [old, now] = [
      before[kind] as Record<string, unknown>,
      after[kind] as Record<string, unknown>,
    ];
    if (old === now) continue;
    for (const [name, document] of Object.entries(now))
      if (!Object.hasOwn(old, name) || old[name] !== document)
        changes.push({ kind, name, document });
    for (const name of Object.keys(old))
      if (!Object.hasOwn(now, name)) changes.push({ kind, name });
  }
  return changes;
}
