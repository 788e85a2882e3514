import { ask, getJson, Refused, sendJson } from './client.ts';

/** Long work of the server, as it tells of it. */
export interface Job<T = unknown> {
  id: string;
  state: 'running' | 'done' | 'failed' | 'cancelled';
  done: number;
  total: number;
  problem?: string;
  result?: T;
}

/** So long one question for a job waits, in milliseconds: progress is asked for this often. */
const waitMs = 400;

export interface JobOptions {
  signal?: AbortSignal;
  onProgress?: (done: number, total: number) => void;
}

/**
 * Has the server do long work and gives what comes of it. A signal cancels it on the server too.
 * Throws {@link Refused} with the server's reason when it fails or was cancelled.
 *
 * @example const plan = await runJob<Plan>('/api/mods/saltmarsh/plan', { target })
 */
export async function runJob<T>(
  address: string,
  body: unknown,
  { signal, onProgress }: JobOptions = {},
): Promise<T> {
  const { id } = await sendJson<Job<T>>(address, body);
  const cancel = () => void ask(`/api/jobs/${id}`, { method: 'DELETE' }).catch(() => undefined);
  signal?.addEventListener('abort', cancel, { once: true });
  if (signal?.aborted) cancel();
  try {
    for (;;) {
      const job = await getJson<Job<T>>(`/api/jobs/${id}?wait=${waitMs}`);
      if (job.state === 'done') return job.result as T;
      if (job.state !== 'running')
        throw new Refused(
          409,
          job.state === 'cancelled' ? 'Cancelled' : 'Failed',
          job.problem ?? 'The work failed.',
        );
      onProgress?.(job.done, job.total);
    }
  } finally {
    signal?.removeEventListener('abort', cancel);
  }
}
