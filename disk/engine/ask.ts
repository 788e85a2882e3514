import { rmSync } from 'node:fs';
import { mkdir, mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import type { Engine, Heard, Laid } from '../../core/kits/index.ts';
import { DiskProblem, inWords } from '../problem.ts';
import { freePort } from './port.ts';
import { engineProgram } from './program.ts';
import { runProgram, type Ran } from './run.ts';

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

/** How the name of every folder begins in which this process asks an engine. */
export const folderStart = () => `obrank-engine-${process.pid}-`;

/**
 * Has the engine answer what was laid out for it, in a folder of its own that is gone afterwards.
 * Throws a {@link DiskProblem} where the engine cannot be asked: it is not there, is another
 * program, hangs, or ends by itself without a word.
 *
 * @example
 * const heard = await askEngine(engine, engine.lay(mod, files));
 * engine.judge(mod, files, heard) // []
 */
export async function askEngine(
  engine: Engine,
  laid: Laid,
  options: AskOptions = {},
): Promise<Heard> {
  const program = await engineProgram(engine, options.env);
  const folder = await mkdtemp(path.join(tmpdir(), folderStart()));
  const onExit = () => rmSync(folder, { recursive: true, force: true });
  process.once('exit', onExit);
  try {
    await layOut(folder, laid);
    options.onProgress?.(0, laid.checks);
    const ran = await runOnFreePort({ engine, program, folder, laid }, options);
    return await heardFrom(engine, folder, ran);
  } finally {
    process.removeListener('exit', onExit);
    await rm(folder, { recursive: true, force: true, maxRetries: 3 });
  }
}

/** Writes everything that the engine reads. */
export async function layOut(folder: string, { files }: Pick<Laid, 'files'>): Promise<void> {
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

interface Running {
  engine: Engine;
  program: string;
  folder: string;
  laid: Laid;
}

async function runOnFreePort(
  { engine, program, folder, laid }: Running,
  { onProgress, signal, env = process.env, patience = usualPatience }: AskOptions,
): Promise<Ran> {
  for (let n = 0; n < ports; n += 1) {
    const ran = await runProgram(program, engine.args(folder, await freePort()), {
      env: { ...env, ...engine.env(folder) },
      cwd: folder,
      patience,
      signal,
      onLine: (line) => {
        const done = engine.progress(line);
        if (done !== undefined) onProgress?.(done, laid.checks);
      },
    });
    if (!engine.portTaken(ran.output)) return ran;
  }
  throw new DiskProblem(
    'The engine found its port taken by another program each time. Try again in a moment.',
  );
}

async function heardFrom(engine: Engine, folder: string, ran: Ran): Promise<Heard> {
  const complaint = engine.complaint(ran.output);
  const answers = await answersIn(path.join(folder, engine.answers));
  if (answers === undefined && complaint === undefined)
    throw new DiskProblem(
      ran.signal !== null
        ? `The engine crashed (${ran.signal}) before it had answered.`
        : `The engine ended by itself (exit ${ran.code}) before it had answered.`,
    );
  return {
    ...(answers !== undefined && { answers }),
    ...(complaint !== undefined && { complaint }),
  };
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
