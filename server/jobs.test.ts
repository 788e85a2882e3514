import { expect, test } from '@jest/globals';
import { DiskProblem } from '../disk/index.ts';
import { Jobs } from './jobs.ts';
import { Problem } from './problem.ts';

/** Lets everything that is waiting go on. */
const tick = () => new Promise((resolve) => setImmediate(resolve));

test('a job tells how far it is, and what came of it', async () => {
  const jobs = new Jobs<unknown>();
  let finish: (value: string) => void = () => undefined;
  const { id } = jobs.start((onProgress) => {
    onProgress(3, 10);
    return new Promise((resolve) => {
      finish = resolve;
    });
  });
  expect(jobs.get(id)).toMatchObject({ state: 'running', done: 3, total: 10 });
  finish('built');
  await tick();
  expect(jobs.get(id)).toMatchObject({ state: 'done', result: 'built' });
});

test('a failure is told in its own words, one that nobody foresaw without its inside', async () => {
  const jobs = new Jobs<unknown>();
  const full = jobs.start(() => Promise.reject(new DiskProblem('The disk is full.')));
  const odd = jobs.start(() => Promise.reject(new Error('secret path')));
  await tick();
  expect(jobs.get(full.id)).toMatchObject({ state: 'failed', problem: 'The disk is full.' });
  expect(jobs.get(odd.id).problem).not.toContain('secret');
});

test('a cancelled job stops its work', async () => {
  const jobs = new Jobs<unknown>();
  const { id } = jobs.start(
    (_, signal) =>
      new Promise((_resolve, reject) =>
        signal.addEventListener('abort', () => reject(new DiskProblem('The build was cancelled.'))),
      ),
  );
  jobs.cancel(id);
  await tick();
  expect(jobs.get(id)).toMatchObject({ state: 'cancelled', problem: 'The build was cancelled.' });
});

test('an unknown job is said to be unknown, and old ones are forgotten', async () => {
  const jobs = new Jobs<unknown>();
  expect(() => jobs.get('none')).toThrow(Problem);
  const first = jobs.start(() => Promise.resolve());
  for (let i = 0; i < 120; i += 1) jobs.start(() => Promise.resolve());
  await tick();
  expect(() => jobs.get(first.id)).toThrow(/not known/);
});

test('who waits for a job is answered when it ends, and not later than asked', async () => {
  const jobs = new Jobs<unknown>();
  let finish: (value: string) => void = () => undefined;
  const { id } = jobs.start(
    () =>
      new Promise((resolve) => {
        finish = resolve;
      }),
  );
  expect(await jobs.changed(id, 1)).toMatchObject({ state: 'running' });
  const waiting = jobs.changed(id, 60_000);
  finish('planned');
  expect(await waiting).toMatchObject({ state: 'done', result: 'planned' });
});

test('what came of the last ten jobs is kept, of older ones only how they ended', async () => {
  const jobs = new Jobs<unknown>();
  const started = Array.from({ length: 15 }, (_, i) => jobs.start(() => Promise.resolve(i)));
  await tick();
  expect(started.map(({ id }) => jobs.get(id).result)).toEqual([
    ...Array.from({ length: 5 }, () => undefined),
    5,
    6,
    7,
    8,
    9,
    10,
    11,
    12,
    13,
    14,
  ]);
});
