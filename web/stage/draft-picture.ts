import { useSyncExternalStore } from 'react';
import type { Pixels } from '../../core/textures/index.ts';

/** Pixels that stand in for a texture on the stage while somebody paints on it. */
export interface DraftPicture {
  /** The id of the texture. */
  id: string;
  pixels: Pixels;
}

let draft: DraftPicture | undefined;
const listeners = new Set<() => void>();

/** Shows pixels for a texture on every stage; undefined shows what the mod has. */
export function showDraft(next: DraftPicture | undefined): void {
  draft = next;
  for (const listener of listeners) listener();
}

const listen = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

/** The pixels that stand in for a texture at this moment. */
export const useDraft = (id: string | undefined): Pixels | undefined =>
  useSyncExternalStore(listen, () => (draft && draft.id === id ? draft.pixels : undefined));
