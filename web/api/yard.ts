import { endpoints, type BodyOf } from '../../core/api/index.ts';
import { messageOf } from '../../core/words/index.ts';
import type { Deed, ItemPlace, KeptWorld, MeshArrays, RecordedRun } from '../../core/yard/index.ts';
import type { Vec3 } from '../../core/space/index.ts';
import type {
  LoadedYard,
  SentAtlas,
  SentChunk,
  YardAnswer,
  YardAsk,
  YardNow,
} from '../workers/yard-protocol.ts';
import { call, callForBytes } from './client.ts';
import { sharing } from './sharing.ts';

/** What the page knows of the Yard. */
export interface YardView {
  /** Undefined until the pack is there. */
  yard?: LoadedYard;
  atlas?: SentAtlas;
  now?: YardNow;
  /** The eyes before the last tick, and when that came: what is between is drawn so. */
  before?: Vec3;
  arrived: number;
  /** The revision of the mod that was loaded, and when. */
  revision?: number;
  loadedAt?: Date;
  isLoading: boolean;
  problem?: string | undefined;
  /** Why the world is not kept with the mod. */
  notKept?: string | undefined;
  /** How a run that was played again came out. */
  replayed?: { digest: string; isSame: boolean };
}

/** So many worlds are there to go back to, of each scene, after it was begun anew. */
const mostBefore = 8;

/** Whoever goes farther than so many cells in a tick was put elsewhere. */
const farthestStep = 4;

/** From where eyes come to where they are: from there itself, where they were put elsewhere. */
function eyesBefore(from: Vec3 | undefined, to: Vec3): Vec3 {
  const isStep = from?.every((part, axis) => Math.abs(part - to[axis]!) <= farthestStep);
  return from && isStep ? from : to;
}

/** The Yard of a mod: a worker that has its world, and what the page was told of it last. */
export class YardClient {
  view: YardView = { arrived: 0, isLoading: true };
  private readonly worker = new Worker(new URL('../workers/yard.ts', import.meta.url), {
    type: 'module',
  });
  private readonly listeners = new Set<() => void>();
  private readonly ticked = new Set<(now: YardNow) => void>();
  private readonly drawers = new Set<(chunks: readonly SentChunk[]) => void>();
  /** Chunks by their place, for whoever comes to draw later. */
  private readonly chunks = new Map<string, SentChunk>();
  private readonly items = new Map<string, MeshArrays | 'asked'>();
  private readonly waiting: ((kept: KeptWorld, scene: string) => void)[] = [];
  private readonly sounds = new Map<string, (bytes: Uint8Array | undefined) => void>();
  private onRecorded: ((run: RecordedRun) => void) | undefined;
  private asks = 0;
  /** Of each scene, the worlds before it was begun anew, the last one at the end. */
  private readonly before = new Map<string, KeptWorld[]>();
  /** Keeping goes on one after the other, so that the last world is what is kept last. */
  private keeping: Promise<unknown> = Promise.resolve();
  /** What was kept last, as text. */
  private lastKept = '';

  constructor(readonly mod: string) {
    this.worker.onmessage = ({ data }: MessageEvent<YardAnswer>) => this.hear(data);
    this.worker.onerror = (event) => {
      this.show({ problem: event.message || 'The Yard stopped.', isLoading: false });
    };
  }

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** Hears of each tick, once, from the next one on. */
  onTick = (listener: (now: YardNow) => void): (() => void) => {
    this.ticked.add(listener);
    return () => this.ticked.delete(listener);
  };

  /** Hears of chunks as they are made, and at once of those that are. */
  onChunks(drawer: (chunks: readonly SentChunk[]) => void): () => void {
    this.drawers.add(drawer);
    if (this.chunks.size) drawer([...this.chunks.values()]);
    return () => this.drawers.delete(drawer);
  }

  /** How an item is drawn at a place; asked for when it is not known yet. */
  itemMesh(item: string, place: ItemPlace): MeshArrays | undefined {
    const key = `${place} ${item}`;
    const known = this.items.get(key);
    if (known === undefined) {
      this.items.set(key, 'asked');
      this.ask({ ask: 'item', item, place });
    }
    return known === 'asked' ? undefined : known;
  }

  /**
   * Fetches the pack as the mod is now, and opens the world that was left last, or brings the open
   * one over to it.
   */
  async load(revision: number): Promise<void> {
    const asked = (this.asks += 1);
    this.show({ isLoading: true });
    try {
      const { mod } = this;
      const isFirst = this.view.yard === undefined;
      const [archive, left] = await Promise.all([
        callForBytes(endpoints.downloadYard, { mod }),
        isFirst ? call(endpoints.getWorld, { mod }) : null,
      ]);
      if (asked !== this.asks) return;
      this.show({ revision, loadedAt: new Date(), problem: undefined });
      if (isFirst)
        this.ask({ ask: 'open', archive, scene: left?.scene, kept: left?.world ?? undefined });
      else this.ask({ ask: 'reload', archive });
    } catch (error) {
      if (asked === this.asks) this.show({ problem: messageOf(error), isLoading: false });
    }
  }

  /**
   * Leaves the world that one is in, and goes to that of another scene as it was left. A world that
   * cannot be kept is not left.
   */
  async enter(scene: string): Promise<void> {
    const asked = (this.asks += 1);
    try {
      if (!(await this.keep())) return;
      const left = await call(endpoints.getWorld, { mod: this.mod }, { query: { scene } });
      if (asked !== this.asks) return;
      this.ask({ ask: 'scene', scene, kept: left?.world ?? undefined });
      this.show({ problem: undefined });
      // It is the one that one comes back to.
      await this.keep();
    } catch (error) {
      if (asked === this.asks) this.show({ problem: messageOf(error) });
    }
  }

  /** Begins the scene that one is in anew. The world before is there to go back to. */
  async reset(): Promise<void> {
    const { kept, scene } = await this.kept();
    this.before.set(scene, [...this.worldsBefore(scene), kept].slice(-mostBefore));
    this.ask({ ask: 'scene', scene });
    this.show({});
  }

  /** Goes back to the world before this one. This one comes after all others, so none is lost. */
  async goBack(): Promise<void> {
    const { kept, scene } = await this.kept();
    const [last, ...earlier] = [...this.worldsBefore(scene)].reverse();
    if (!last) return;
    this.before.set(scene, [kept, ...earlier.reverse()]);
    this.ask({ ask: 'scene', scene, kept: last });
  }

  /** The worlds before the one that a scene has now, as far as the page has them. */
  worldsBefore = (scene: string): readonly KeptWorld[] => this.before.get(scene) ?? [];

  /**
   * Keeps the world with the mod as it stands, where it is otherwise than when it was kept last.
   * Tells whether it is kept.
   */
  keep(): Promise<boolean> {
    const done = this.keeping.then(() => this.keepNow());
    this.keeping = done.catch(() => false);
    return done;
  }

  private async keepNow(): Promise<boolean> {
    if (!this.view.yard) return true;
    const { kept: world, scene } = await this.kept();
    const text = JSON.stringify([scene, world]);
    if (text === this.lastKept) return true;
    try {
      const body = { scene, world } as BodyOf<typeof endpoints.leaveWorld>;
      await call(endpoints.leaveWorld, { mod: this.mod }, { body });
      this.lastKept = text;
      if (this.view.notKept !== undefined) this.show({ notKept: undefined });
      return true;
    } catch (error) {
      this.show({ notKept: `The world is not kept. ${messageOf(error)}` });
      return false;
    }
  }

  do(...deeds: Deed[]): void {
    this.ask({ ask: 'deeds', deeds });
  }

  ask(asked: YardAsk): void {
    this.worker.postMessage(asked);
  }

  /** The world as it stands, to be kept. */
  private kept(): Promise<{ kept: KeptWorld; scene: string }> {
    return new Promise((resolve) => {
      this.waiting.push((kept, scene) => resolve({ kept, scene }));
      this.ask({ ask: 'keep' });
    });
  }
  /** The bytes of a sound of the pack; undefined where it has none of that name. */
  soundOf(sound: string): Promise<Uint8Array | undefined> {
    return new Promise((resolve) => {
      this.sounds.set(sound, resolve);
      this.ask({ ask: 'sound', sound });
    });
  }
  recorded(): Promise<RecordedRun> {
    return new Promise((resolve) => {
      this.onRecorded = resolve;
      this.ask({ ask: 'record' });
    });
  }

  close(): void {
    this.worker.terminate();
  }

  private show(part: Partial<YardView>): void {
    this.view = { ...this.view, ...part };
    for (const listener of this.listeners) listener();
  }

  private tick(now: YardNow): void {
    const before = eyesBefore(this.view.now?.player.eyes, now.player.eyes);
    this.show({ now, before, arrived: performance.now() });
    for (const listener of this.ticked) listener(now);
  }

  private hear(answer: YardAnswer): void {
    switch (answer.say) {
      case 'loaded':
        this.chunks.clear();
        this.items.clear();
        this.show({
          yard: answer.yard,
          isLoading: false,
          ...(answer.atlas && { atlas: answer.atlas }),
        });
        return;
      case 'chunks':
        for (const one of answer.chunks) this.chunks.set(one.chunk.join(' '), one);
        for (const draw of this.drawers) draw(answer.chunks);
        return;
      case 'now':
        this.tick(sharing(this.view.now, answer.now));
        return;
      case 'item':
        this.items.set(`${answer.place} ${answer.item}`, answer.mesh);
        this.show({});
        return;
      case 'kept':
        // The worker answers in order, each who asked once: what others asked later is another world.
        this.waiting.shift()?.(answer.kept, answer.scene);
        return;
      case 'sound':
        this.sounds.get(answer.sound)?.(answer.bytes);
        return;
      case 'recorded':
        this.onRecorded?.(answer.run);
        return;
      case 'replayed':
        this.show({ replayed: answer });
        return;
      case 'problem':
        this.show({ problem: answer.problem, isLoading: false });
    }
  }
}
