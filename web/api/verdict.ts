import { useSyncExternalStore } from 'react';
import { endpoints, type Verdict } from '../../core/api/index.ts';
import { messageOf } from '../../core/words/index.ts';
import { runJob } from './jobs.ts';

/** How asking the engine about a mod stands. It goes on while one looks at something else. */
export type Asking =
  | { state: 'running'; done: number; total: number; cancel: () => void }
  | { state: 'told'; verdict: Verdict }
  | { state: 'failed'; problem: string };

const asked = new Map<string, Asking>();
const listeners = new Set<() => void>();

function tell(mod: string, asking: Asking): void {
  asked.set(mod, asking);
  listeners.forEach((listener) => listener());
}

/** Has the engine asked about a mod as the server holds it. While it is being asked, nothing. */
export function askEngine(mod: string): void {
  if (asked.get(mod)?.state === 'running') return;
  const stop = new AbortController();
  const cancel = () => stop.abort();
  const onProgress = (done: number, total: number) =>
    tell(mod, { state: 'running', done, total, cancel });
  onProgress(0, 0);
  runJob(endpoints.startVerdict, { mod }, undefined, { signal: stop.signal, onProgress })
    .then((verdict) => tell(mod, { state: 'told', verdict }))
    .catch((error: unknown) => tell(mod, { state: 'failed', problem: messageOf(error) }));
}

const listen = (listener: () => void): (() => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

/** How asking the engine about a mod stands; undefined where nobody has asked. */
export const useAsking = (mod: string): Asking | undefined =>
  useSyncExternalStore(listen, () => asked.get(mod));
