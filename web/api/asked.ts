import { useSyncExternalStore } from 'react';
import { messageOf } from '../../core/words/index.ts';
import type { JobOptions } from './jobs.ts';

/** How long work about a mod stands. It goes on while one looks at something else. */
export type Asked<Told> =
  | { state: 'running'; done: number; total: number; cancel: () => void }
  | { state: 'told'; told: Told }
  | { state: 'failed'; problem: string };

/** Long work that is asked for about a mod, and what came of it last. */
export interface Asking<Told> {
  /** Begins it; while it runs, nothing. */
  ask: (mod: string) => void;
  /** How it stands; undefined where nobody has asked. */
  useAsked: (mod: string) => Asked<Told> | undefined;
}

/**
 * Makes a way to ask for long work, whose answers are kept for as long as the page is open.
 *
 * @example const verdicts = asking((mod, options) => runJob(endpoints.startVerdict, { mod }, undefined, options));
 */
export function asking<Told>(
  work: (mod: string, options: JobOptions) => Promise<Told>,
): Asking<Told> {
  const asked = new Map<string, Asked<Told>>();
  const listeners = new Set<() => void>();
  const tell = (mod: string, one: Asked<Told>) => {
    asked.set(mod, one);
    listeners.forEach((listener) => listener());
  };
  const listen = (listener: () => void) => {
    listeners.add(listener);
    return () => listeners.delete(listener);
  };
  const ask = (mod: string) => {
    if (asked.get(mod)?.state === 'running') return;
    const stop = new AbortController();
    const cancel = () => stop.abort();
    const onProgress = (done: number, total: number) =>
      tell(mod, { state: 'running', done, total, cancel });
    onProgress(0, 0);
    work(mod, { signal: stop.signal, onProgress })
      .then((told) => tell(mod, { state: 'told', told }))
      .catch((error: unknown) => tell(mod, { state: 'failed', problem: messageOf(error) }));
  };
  return { ask, useAsked: (mod) => useSyncExternalStore(listen, () => asked.get(mod)) };
}
