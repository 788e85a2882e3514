import { randomUUID } from 'node:crypto';
import type { Logger } from 'pino';
import type { Job } from '../core/api/index.ts';
import { DiskProblem } from '../disk/index.ts';
import { Problem } from './problem.ts';
import { storageProblem } from './store/transaction.ts';

/** A job with what comes of it. */
type JobOf<Result> = Omit<Job, 'result'> & { result?: Result };
type Work<Result> = (
  onProgress: (done: number, total: number) => void,
  signal: AbortSignal,
) => Promise<Result>;
interface Held<Result> {
  job: JobOf<Result>;
  stop: AbortController;
  ended: Promise<void>;
}

/**
 * So many jobs are remembered, and so many with what came of them: a plan of a large mod takes
 * memory.
 */
const maxJobs = 100;
const maxResults = 10;

/** Long work that runs beside requests, tells how far it is, and can be cancelled. */
export class Jobs<Result = Job['result']> {
  private readonly jobs = new Map<string, Held<Result>>();

  constructor(private readonly log?: Logger) {}

  start(work: Work<Result>): JobOf<Result> {
    const job: JobOf<Result> = { id: randomUUID(), state: 'running', done: 0, total: 0 };
    const stop = new AbortController();
    const ended = work((done, total) => Object.assign(job, { done, total }), stop.signal)
      .then(
        (result) => void Object.assign(job, { state: 'done', result }),
        (error: unknown) =>
          void Object.assign(job, {
            state: stop.signal.aborted ? 'cancelled' : 'failed',
            problem: this.inWords(error),
          }),
      )
      .then(() => this.forgetOld());
    this.jobs.set(job.id, { job, stop, ended });
    this.forgetOld();
    return job;
  }

  private inWords(error: unknown): string {
    const known =
      error instanceof DiskProblem || error instanceof Problem ? error : storageProblem(error);
    if (known) return known.message;
    this.log?.error({ err: error }, 'work failed');
    return 'The work failed for a reason that nobody foresaw. The server’s log says more.';
  }

  private forgetOld(): void {
    const ended = [...this.jobs.values()].filter(({ job }) => job.state !== 'running');
    for (const { job } of ended.slice(0, Math.max(0, this.jobs.size - maxJobs)))
      this.jobs.delete(job.id);
    for (const { job } of ended.slice(0, -maxResults)) delete job.result;
  }

  private find(id: string): Held<Result> {
    const found = this.jobs.get(id);
    if (!found) throw new Problem(404, 'No such job', 'This job is not known, or was long ago.');
    return found;
  }

  get(id: string): JobOf<Result> {
    return this.find(id).job;
  }

  /** The job once it has ended, or as it is after so many milliseconds. */
  async changed(id: string, waitMs: number): Promise<JobOf<Result>> {
    const { job, ended } = this.find(id);
    if (waitMs > 0 && job.state === 'running') {
      let timer: ReturnType<typeof setTimeout> | undefined;
      await Promise.race([
        ended,
        new Promise((resolve) => {
          timer = setTimeout(resolve, waitMs);
        }),
      ]);
      clearTimeout(timer);
    }
    return job;
  }

  cancel(id: string): JobOf<Result> {
    const { job, stop } = this.find(id);
    stop.abort();
    return job;
  }
}
