import { spawn } from 'node:child_process';
import { createInterface } from 'node:readline';
import { DiskProblem, inWords } from '../problem.ts';

/** How a program ended, and the last of what it printed. */
export interface Ran {
  code: number | null;
  signal: NodeJS.Signals | null;
  output: string;
}

interface RunOptions {
  env: Readonly<Record<string, string | undefined>>;
  cwd: string;
  /** A program that prints nothing for so many milliseconds is stopped. */
  patience: number;
  signal?: AbortSignal | undefined;
  onLine: (line: string) => void;
}

/** So many characters of what a program prints are kept: the last ones. */
const mostKept = 2 ** 18;

/**
 * Runs a program in a group of its own until it ends; whatever it started ends with it. Throws a
 * {@link DiskProblem} where it cannot be started or says nothing for too long, and where it
 * is cancelled.
 */
export function runProgram(
  program: string,
  args: readonly string[],
  { env, cwd, patience, signal, onLine }: RunOptions,
): Promise<Ran> {
  if (signal?.aborted) return Promise.reject(cancelled());
  const child = spawn(program, args, {
    cwd,
    env: env,
    detached: true,
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  return new Promise<Ran>((resolve, reject) => {
    let output = '';
    let stopped: DiskProblem | undefined;
    const stop = (why: DiskProblem) => {
      stopped ??= why;
      killGroup(child.pid);
    };
    const impatient = () => {
      const seconds = Math.round(patience / 1000);
      stop(new DiskProblem(`The engine said nothing for ${seconds} seconds and was stopped.`));
    };
    let timer = setTimeout(impatient, patience);
    const hear = (line: string) => {
      clearTimeout(timer);
      timer = setTimeout(impatient, patience);
      output = `${output}${line}\n`.slice(-mostKept);
      onLine(line);
    };
    const onAbort = () => stop(cancelled());
    signal?.addEventListener('abort', onAbort);
    const onExit = () => killGroup(child.pid);
    process.once('exit', onExit);
    const done = () => {
      clearTimeout(timer);
      signal?.removeEventListener('abort', onAbort);
      process.removeListener('exit', onExit);
    };
    createInterface({ input: child.stdout }).on('line', hear);
    createInterface({ input: child.stderr }).on('line', hear);
    child.once('error', (error) => {
      done();
      const why = inWords(error, program);
      reject(why instanceof Error ? why : error);
    });
    child.once('close', (code, ended) => {
      done();
      killGroup(child.pid);
      if (stopped) reject(stopped);
      else resolve({ code, signal: ended, output });
    });
  });
}

const cancelled = (): DiskProblem => new DiskProblem('It was cancelled.');

/** Ends a program with everything that it started; one that has ended already is left alone. */
function killGroup(pid: number | undefined): void {
  if (pid === undefined) return;
  try {
    process.kill(-pid, 'SIGKILL');
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'ESRCH') throw error;
  }
}
