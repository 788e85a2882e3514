import { mkdir, mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import type { Difference, Engine, Trial } from '../../core/kits/index.ts';
import { DiskProblem, inWords } from '../problem.ts';
import { freePort } from './port.ts';
import { engineProgram } from './program.ts';
import { runProgram, type Ran } from './run.ts';

/** What came of asking an engine. */
export interface Verdict {
  checks: number;
  differences: Difference[];
}

export interface AskOptions {
  /** Told of what is answered so far. */
  onProgress?: (done: number, total: number) => void;
  /** Stops it: nothing is left behind. */
  signal?: AbortSignal;
  env?: Readonly<Record<string, string | undefined>>;
  /** An engine that says nothing for so many milliseconds is stopped. */
  patience?: number;
}

/** So long, in milliseconds, an engine may say nothing. */
const usualPatience = 90_000;
/** Answers are no longer than this many bytes. */
const longestAnswers = 256 * 2 ** 20;
/** A port may be taken by another program between looking and using it: so often another is tried. */
const ports = 3;

/**
 * Asks the engine about a mod that was laid out for it, in a folder of its own that is gone
 * afterwards. Throws a {@link DiskProblem} where the engine cannot be asked: it is not there, is
 * another program, hangs, or ends by itself without a word.
 *
 * @example (await askEngine(kit.engine, kit.engine.lay(mod, files))).differences // []
 */
export async function askEngine(
  engine: Engine,
  trial: Trial,
  options: AskOptions = {},
): Promise<Verdict> {
  const program = await engineProgram(engine, options.env);
  const folder = await mkdtemp(path.join(tmpdir(), 'obrank-engine-'));
  try {
    await layOut(folder, trial);
    options.onProgress?.(0, trial.checks);
    const ran = await runOnFreePort(program, folder, trial, options);
    options.signal?.throwIfAborted();
    return { checks: trial.checks, differences: await judged(folder, trial, ran) };
  } finally {
    await rm(folder, { recursive: true, force: true, maxRetries: 3 });
  }
}

/** Writes everything that the engine reads. */
export async function layOut(folder: string, { files }: Pick<Trial, 'files'>): Promise<void> {
  try {
    for (const [name, bytes] of files) {
      const file = path.join(folder, name);
      await mkdir(path.dirname(file), { recursive: true });
      await writeFile(file, bytes);
    }
  } catch (error) {
    throw inWords(error, folder);
  }
}

async function runOnFreePort(
  program: string,
  folder: string,
  trial: Trial,
  { onProgress, signal, env = process.env, patience = usualPatience }: AskOptions,
): Promise<Ran> {
  let ran: Ran | undefined;
  for (let n = 0; n < ports; n += 1) {
    ran = await runProgram(program, trial.args(folder, await freePort()), {
      env: { ...env, ...trial.env(folder) },
      cwd: folder,
      patience,
      signal,
      onLine: (line) => {
        const done = trial.progress(line);
        if (done !== undefined) onProgress?.(done, trial.checks);
      },
    });
    if (!trial.portTaken(ran.output)) return ran;
  }
  throw new DiskProblem(
    'The engine found its port taken by another program each time. Try again in a moment.',
  );
}

async function judged(folder: string, trial: Trial, ran: Ran): Promise<Difference[]> {
  const complaint = trial.complaint(ran.output);
  const answers = await answersIn(path.join(folder, trial.answers));
  if (answers === undefined) {
    if (complaint !== undefined)
      return [{ about: 'Loading the mod', ours: 'loads', engine: complaint }];
    throw new DiskProblem(
      ran.signal !== null
        ? `The engine crashed (${ran.signal}) before it had answered.`
        : `The engine ended by itself (exit ${ran.code}) before it had answered.`,
    );
  }
  const logged: Difference[] =
    complaint === undefined
      ? []
      : [{ about: 'What the engine logs while it loads', ours: 'no error', engine: complaint }];
  try {
    return [...logged, ...trial.judge(answers)];
  } catch (error) {
    if (error instanceof TypeError) throw new DiskProblem(error.message);
    throw error;
  }
}

/** What the engine wrote; undefined where it wrote nothing that can be read. */
async function answersIn(file: string): Promise<unknown> {
  try {
    const bytes = await readFile(file);
    if (bytes.length > longestAnswers) return undefined;
    return JSON.parse(bytes.toString('utf8')) as unknown;
  } catch {
    return undefined;
  }
}
