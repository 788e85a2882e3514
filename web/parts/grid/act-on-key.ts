import type { KeyboardEvent } from 'react';
import { lookUp } from '../../../core/mod/index.ts';

/** What keys do: by the key, or for letters by the small letter. */
export type KeyActs = Readonly<Record<string, () => void>>;

/**
 * Does what a key stands for, and keeps the browser and whoever is around from doing something of
 * their own.
 */
export function actOnKey(event: KeyboardEvent, acts: KeyActs): void {
  const act = lookUp(acts, event.key) ?? lookUp(acts, event.key.toLowerCase());
  if (!act) return;
  event.preventDefault();
  event.stopPropagation();
  act();
}

/** True while Ctrl or, on a Mac, Cmd is held. */
export const isCommand = (event: { ctrlKey: boolean; metaKey: boolean }): boolean =>
  event.ctrlKey || event.metaKey;
