import { randomUUID } from 'node:crypto';
import { DiskProblem } from '../disk/index.ts';
import { Problem } from './problem.ts';

/** Long work as others see it. */
export interface Job { id: string; state: 'running' | 'done' | 'failed' | 'cancelled'; done: number; total: number; problem?: string; result?: unknown }

type Work = (onProgress: (done: number, total: number) => void, signal: AbortSignal) => Promise<unknown>;

/** Long work that runs beside requests, tells how far it is, and can be cancelled. The last hundred are remembered. */
export class Jobs {
  private readonly jobs = new Map<string, { job: Job; stop: AbortController }>();

  start(work: Work): Job {
    const job: Job = { id: randomUUID(), state: 'running', done: 0, total: 0 };
    const stop = new AbortController();
    this.jobs.set(job.id, { job, stop });
    for (const id of this.jobs.keys()) if (this.jobs.size > 100) this.jobs.delete(id);
    work((done, total) => Object.assign(job, { done, total }), stop.signal)
      .then((result) => Object.assign(job, { state: 'done', result }))
      .catch((error: unknown) => Object.assign(job, { state: stop.signal.aborted ? 'cancelled' : 'failed', problem: error instanceof DiskProblem ? error.message : 'The work failed for a reason that nobody foresaw.' }));
    return job;
  }

  get(id: string): Job {
    const found = this.jobs.get(id);
    if (!found) throw new Problem(404, 'No such job', 'This job is not known, or was long ago.');
    return found.job;
  }

  cancel(id: string): Job {
    const job = this.get(id);
    this.jobs.get(id)!.stop.abort();
    return job;
  }
}
