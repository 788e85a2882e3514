import { useSyncExternalStore } from 'react';
import type { WalkPart } from '../../core/yard/index.ts';
import type { WalkPictureAnswer, WalkPictureAsk } from '../workers/walk-pictures.ts';

/** Pictures of a block by the try that came upon them, each with the state that it shows. */
export type PicturesOfBlock = Partial<Record<WalkPart, readonly { shows: string; url: string }[]>>;

/** The pictures of a walk through a pack, drawn block by block as they are asked for. */
export class WalkPictureClient {
  private readonly worker = new Worker(new URL('../workers/walk-pictures.ts', import.meta.url), {
    type: 'module',
  });
  private readonly known = new Map<string, PicturesOfBlock | 'asked'>();
  private readonly listeners = new Set<() => void>();

  constructor(archive: Uint8Array) {
    this.worker.onmessage = ({ data }: MessageEvent<WalkPictureAnswer>) => this.hear(data);
    this.ask({ archive });
  }

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** Those of a block; undefined while they are drawn. */
  of(block: string): PicturesOfBlock | undefined {
    const known = this.known.get(block);
    if (known === undefined) {
      this.known.set(block, 'asked');
      this.ask({ block });
    }
    return known === 'asked' ? undefined : known;
  }

  close(): void {
    this.worker.terminate();
    for (const parts of this.known.values())
      if (parts !== 'asked')
        for (const { url } of Object.values(parts).flat()) URL.revokeObjectURL(url);
  }

  private ask(asked: WalkPictureAsk): void {
    this.worker.postMessage(asked);
  }

  private hear({ block, parts }: WalkPictureAnswer): void {
    const shown = Object.entries(parts).map(([part, pictures]) => [
      part,
      pictures.map(({ shows, png }) => ({
        shows,
        url: URL.createObjectURL(new Blob([png as BlobPart], { type: 'image/png' })),
      })),
    ]);
    this.known.set(block, Object.fromEntries(shown) as PicturesOfBlock);
    for (const listener of this.listeners) listener();
  }
}

/** The pictures that the page has: those of the last walk, also while one looks at something else. */
let opened: { pack: Uint8Array; client: WalkPictureClient } | undefined;

/** The pictures of a walk by its pack; undefined where that could not be fetched. */
export function walkPicturesOf(pack: Uint8Array | undefined): WalkPictureClient | undefined {
  if (opened?.pack !== pack) {
    opened?.client.close();
    opened = pack && { pack, client: new WalkPictureClient(pack) };
  }
  return opened?.client;
}

const none: PicturesOfBlock = {};
const silent = () => () => undefined;

/** The pictures of a block in a walk, as they come. */
export const usePicturesOf = (
  client: WalkPictureClient | undefined,
  block: string,
): PicturesOfBlock =>
  useSyncExternalStore(client?.subscribe ?? silent, () => client?.of(block)) ?? none;
