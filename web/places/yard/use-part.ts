import { useSyncExternalStore } from 'react';
import type { YardClient, YardView } from '../../api/yard.ts';

/**
 * A part of what the page knows of the Yard: whoever asks is drawn anew when that part is another,
 * not with every tick.
 *
 * @example usePart(client, ({ now }) => now?.here)
 */
export const usePart = <T>(client: YardClient, of: (view: YardView) => T): T =>
  useSyncExternalStore(client.subscribe, () => of(client.view));
