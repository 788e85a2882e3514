import {
  endpoints,
  Job,
  type BodyOf,
  type Endpoint,
  type PathParams,
  type ResultOf,
} from '../../core/api/index.ts';
import { call, Refused, understood } from './client.ts';

/** So long one question for a job waits, in milliseconds: progress is asked for this often. */
const waitMs = 400;

export interface JobOptions {
  signal?: AbortSignal;
  onProgress?: (done: number, total: number) => void;
}
/** An endpoint that starts a job. */
type JobEndpoint = Endpoint & { answer: { schema: typeof Job } };

/**
 * Has the server do long work and gives what comes of it. A signal cancels it on the server too.
 * Throws {@link Refused} with the server's reason when it fails or was cancelled.
 *
 * @example const plan = await runJob(endpoints.startPlan, { mod: 'saltmarsh' }, { target })
 */
export async function runJob<E extends JobEndpoint>(
  endpoint: E,
  params: PathParams<E>,
  body: BodyOf<E>,
  { signal, onProgress }: JobOptions = {},
): Promise<ResultOf<E>> {
  const { id } = Job.parse(await call(endpoint, params, { body }));
  const cancel = () => void call(endpoints.cancelJob, { job: id }).catch(() => undefined);
  signal?.addEventListener('abort', cancel, { once: true });
  if (signal?.aborted) cancel();
  try {
    for (;;) {
      const job = await call(endpoints.getJob, { job: id }, { query: { wait: waitMs } });
      if (job.state === 'done') return understood(endpoint.result, job.result) as ResultOf<E>;
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
