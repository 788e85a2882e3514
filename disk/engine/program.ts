import { execFile } from 'node:child_process';
import path from 'node:path';
import type { Engine } from '../../core/kits/index.ts';
import { DiskProblem, shown } from '../problem.ts';
import { isProgram } from '../programs.ts';

/** A program that does not say who it is within so many milliseconds is not asked further. */
const patience = 10_000;

type Environment = Readonly<Record<string, string | undefined>>;

/**
 * The engine's program: what `OBRANK_ENGINE` names, else what is found on PATH or in the usual
 * folders. Throws a {@link DiskProblem} that says how to get it, or why it is not the one.
 */
export async function engineProgram(
  engine: Engine,
  env: Environment = process.env,
): Promise<string> {
  const named = env['OBRANK_ENGINE'];
  if (named) {
    const file = path.resolve(named);
    if (!(await isProgram(file)))
      throw new DiskProblem(
        `OBRANK_ENGINE names ${shown(file)}, which is no program that this user may run.`,
      );
    await mustBe(engine, file);
    return file;
  }
  const folders = [...(env['PATH'] ?? '').split(path.delimiter).filter(Boolean), ...engine.folders];
  for (const folder of folders)
    for (const name of engine.programs) {
      const file = path.join(folder, name);
      if (!(await isProgram(file))) continue;
      await mustBe(engine, file);
      return file;
    }
  throw new DiskProblem(
    `The engine (${engine.title}) is not on this machine. ${engine.get}. If it lies elsewhere, ` +
      'OBRANK_ENGINE may name its program.',
  );
}

/** Asks a program who it is. */
async function mustBe(engine: Engine, file: string): Promise<void> {
  const words = await new Promise<string>((resolve) => {
    execFile(
      file,
      ['--version'],
      { timeout: patience, killSignal: 'SIGKILL', maxBuffer: 65_536 },
      (_, stdout, stderr) => resolve(`${stdout}\n${stderr}`.trim()),
    );
  });
  if (!engine.knows.test(words))
    throw new DiskProblem(
      `${shown(file)} is not the engine's program: asked for its version it does not say that it ` +
        `is ${engine.title}.`,
    );
}
