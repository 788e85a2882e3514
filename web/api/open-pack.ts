import { useSyncExternalStore } from 'react';
import type { PackAnswer, PackAsks, PackSource, PackView } from '../workers/pack-protocol.ts';

/** What the page knows of the pack that it has open. */
export interface OpenPackView {
  pack?: PackView;
  /** Where on this machine it lies, for a pack that was opened by its path. */
  path?: string;
  /** What is being done, in words. */
  busy?: string;
  /** Why the last thing was not done. */
  problem?: string;
}

/**
 * The one pack from elsewhere that the page has open, read and mended by a worker of its own. It
 * stays open while one goes to other places, until another is opened.
 */
class OpenPack {
  view: OpenPackView = {};
  private worker: Worker | undefined;
  private readonly waiting = new Map<
    number,
    { resolve: (answer: never) => void; reject: (error: Error) => void }
  >();
  private readonly listeners = new Set<() => void>();
  private next = 1;

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  private show(view: OpenPackView): void {
    this.view = view;
    for (const listener of this.listeners) listener();
  }

  /** Asks the worker. Rejects with a sentence. */
  ask<Name extends keyof PackAsks>(
    name: Name,
    asked: PackAsks[Name]['asked'],
  ): Promise<PackAsks[Name]['answer']> {
    this.worker ??= this.begun();
    const id = this.next++;
    return new Promise((resolve, reject) => {
      this.waiting.set(id, { resolve: resolve, reject });
      this.worker!.postMessage({ id, ask: name, ...asked });
    });
  }

  private begun(): Worker {
    const worker = new Worker(new URL('../workers/pack.ts', import.meta.url), { type: 'module' });
    worker.onmessage = ({ data }: MessageEvent<PackAnswer>) => {
      const asker = this.waiting.get(data.id);
      this.waiting.delete(data.id);
      if ('problem' in data) asker?.reject(new Error(data.problem));
      else asker?.resolve(data.answer as never);
    };
    return worker;
  }

  /** Does what takes a moment, and shows what became of it. */
  private async work(busy: string, done: () => Promise<OpenPackView>): Promise<void> {
    this.show({ ...this.view, busy, problem: undefined });
    try {
      this.show({ path: this.view.path, ...(await done()) });
    } catch (error) {
      this.show({ ...this.view, busy: undefined, problem: (error as Error).message });
    }
  }

  /** Opens a pack in the place of the one that is open; `gather` may take a while to bring it. */
  open(gather: () => Promise<{ source: PackSource; path?: string }>): Promise<void> {
    return this.work('Reading…', async () => {
      const { source, path } = await gather();
      return { pack: await this.ask('open', { source }), path };
    });
  }

  /** Lets go of the pack, and of what was mended and not saved. */
  close(): void {
    this.worker?.terminate();
    this.worker = undefined;
    this.waiting.clear();
    this.show({});
  }

  mend(chosen: PackAsks['mend']['asked']['chosen']): Promise<void> {
    return this.work('Mending…', async () => {
      const { view: pack, mended } = await this.ask('mend', { chosen });
      return mended
        ? { pack }
        : { pack, problem: 'The fix found no place in the files, so nothing was changed.' };
    });
  }

  go(way: 'back' | 'on'): Promise<void> {
    return this.work('Reading…', async () => ({ pack: await this.ask('go', { way }) }));
  }

  /** Saves what was mended, and takes that for the pack as it was given. */
  save(write: () => Promise<void>): Promise<void> {
    return this.work('Saving…', async () => {
      await write();
      return { pack: await this.ask('saved', {}) };
    });
  }
}

export const openPack = new OpenPack();

export const useOpenPack = (): OpenPackView =>
  useSyncExternalStore(openPack.subscribe, () => openPack.view);
