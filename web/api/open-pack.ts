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
  /** What waits for a word about what was mended and not saved; it is let go when that is given. */
  waiting?: () => void;
  /** Counts the packs that were opened, so that what one had chosen ends with it. */
  opened?: number;
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
  /** The pack as it stood when a copy of it was saved, or a mod made of it. */
  private copied: PackView | undefined;

  /** Whether something was mended that stands in no file yet. */
  get isUnsaved(): boolean {
    const { pack } = this.view;
    return pack !== undefined && pack.changed.length > 0 && pack !== this.copied;
  }

  private readonly beforeUnload = (event: BeforeUnloadEvent) => {
    if (this.isUnsaved) event.preventDefault();
  };

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
    window.addEventListener('beforeunload', this.beforeUnload);
    const worker = new Worker(new URL('../workers/pack.ts', import.meta.url), { type: 'module' });
    worker.onmessage = ({ data }: MessageEvent<PackAnswer>) => {
      if ('progress' in data) {
        if (this.view.busy !== undefined) this.show({ ...this.view, busy: data.progress });
        return;
      }
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
      const { path, opened } = this.view;
      this.show({ path, opened, ...(await done()) });
    } catch (error) {
      this.show({ ...this.view, busy: undefined, problem: (error as Error).message });
    }
  }

  /** Opens a pack in the place of the one that is open; `gather` may take a while to bring it. */
  open(gather: () => Promise<{ source: PackSource; path?: string }>): void {
    // A drop is gone by the time that somebody has answered: what it brings is gathered at once.
    const gathered = gather();
    gathered.catch(() => undefined);
    this.letGo(() => void this.read(gathered));
  }

  private read(gathered: Promise<{ source: PackSource; path?: string }>): Promise<void> {
    return this.work('Reading…', async () => {
      const { source, path } = await gathered;
      const pack = await this.ask('open', { source });
      return { pack, path, opened: (this.view.opened ?? 0) + 1 };
    });
  }

  /** Lets go of the pack. */
  close(): void {
    this.letGo(() => {
      this.worker?.terminate();
      this.worker = undefined;
      this.waiting.clear();
      this.show({ opened: this.view.opened });
    });
  }

  /** Does what lets go of the pack; first asks where that would lose what was mended. */
  private letGo(then: () => void): void {
    if (this.isUnsaved) this.show({ ...this.view, waiting: then });
    else then();
  }

  /** The word that was waited for: whether the pack is let go. */
  answer(mayGo: boolean): void {
    const { waiting, ...view } = this.view;
    this.show(view);
    if (mayGo) waiting?.();
  }

  /** The whole pack as an archive, which is a copy of what was mended. */
  async copy(): Promise<Uint8Array<ArrayBuffer>> {
    const { pack } = this.view;
    const archive = await this.ask('archive', {});
    this.copied = pack;
    return archive as Uint8Array<ArrayBuffer>;
  }

  /** Notes that all of the pack as it stands lies somewhere else too, as in a mod made of it. */
  noteCopied(): void {
    this.copied = this.view.pack;
  }

  mend(chosen: PackAsks['mend']['asked']['chosen']): Promise<void> {
    return this.work('Mending…', async () => {
      const { view: pack, mended } = await this.ask('mend', { chosen });
      return mended
        ? { pack }
        : { pack, problem: 'The fix found no place in the files, so nothing was changed.' };
    });
  }

  /** Puts the picture right that a finding is about. */
  mendPicture(finding: number): Promise<void> {
    return this.work('Mending…', async () => {
      const { view: pack, mended } = await this.ask('mendPicture', { finding });
      return mended ? { pack } : { pack, problem: 'The picture is not among the files.' };
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
