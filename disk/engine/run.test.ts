import { expect, test } from '@jest/globals';
import { runProgram } from './run.ts';

const sh = (script: string, more: Partial<Parameters<typeof runProgram>[2]> = {}) => {
  const lines: string[] = [];
  const running = runProgram('/bin/sh', ['-c', script], {
    env: { PATH: '/usr/bin:/bin', WORD: 'salt' },
    cwd: '/',
    patience: 30_000,
    onLine: (line) => lines.push(line),
    ...more,
  });
  return { lines, running };
};

test('lines of both outputs are heard as they come, in the environment that is given', async () => {
  const { lines, running } = sh('echo one $WORD; echo two >&2; exit 4');
  expect(await running).toMatchObject({ code: 4, signal: null });
  expect([...lines].sort()).toEqual(['one salt', 'two']);
});

test('of very long output the end is kept', async () => {
  const { running } = sh('yes 0123456789abcdef | head -n 40000; echo the end');
  const { output } = await running;
  expect(output.length).toBeLessThanOrEqual(2 ** 18);
  expect(output.endsWith('the end\n')).toBe(true);
});

test('a program that cannot be started is a sentence; one that is cancelled is stopped', async () => {
  await expect(
    runProgram('/nowhere/program', [], {
      env: {},
      cwd: '/',
      patience: 1000,
      onLine: () => undefined,
    }),
  ).rejects.toThrow(/does not exist/);
  const stop = new AbortController();
  const { running } = sh('echo here; sleep 1000', {
    signal: stop.signal,
    onLine: () => stop.abort(),
  });
  await expect(running).rejects.toThrow('It was cancelled.');
});
