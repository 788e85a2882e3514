import { spawn } from 'node:child_process';
import { access, constants, realpath, stat } from 'node:fs/promises';
import path from 'node:path';
import { unsafePath } from '../core/bytes/index.ts';
import { DiskProblem, inWords, shown } from './problem.ts';
import { placeAt } from './target.ts';

/** What a program is started for: a folder, or a file at a line. */
export interface Opened {
  place: string;
  line?: number | undefined;
}

/**
 * A line as people type it into a program and its arguments: words apart by blanks, or in double
 * quotes. No shell reads it. `{place}` and `{line}` stand for what is opened; where no word says
 * `{place}` it comes last. Throws a {@link DiskProblem} for a line that names no program.
 *
 * @example commandOf('edit "{place}" +{line}', { place: '/a b', line: 7 }) // ['edit', '/a b', '+7']
 */
export function commandOf(typed: string, { place, line = 1 }: Opened): string[] {
  const words = [...typed.matchAll(/(?:[^\s"]|"[^"]*"?)+/g)].map(([word]) =>
    word.replaceAll('"', ''),
  );
  if (!words[0]) throw new DiskProblem('Name a program.');
  const filled = words.map((word) =>
    word.replaceAll('{line}', String(line)).replaceAll('{place}', () => place),
  );
  return words.some((word) => word.includes('{place}')) ? filled : [...filled, place];
}

/**
 * Where the program of a line lies: named by its whole path, or to be found on PATH. Throws a
 * {@link DiskProblem} where there is none.
 */
export async function programAt(typed: string): Promise<string> {
  const [name = ''] = commandOf(typed, { place: '' });
  const places = path.isAbsolute(name)
    ? [name]
    : name.includes('/')
      ? []
      : (process.env['PATH'] ?? '').split(path.delimiter).map((folder) => path.join(folder, name));
  for (const place of places) if (await isProgram(place)) return place;
  throw new DiskProblem(
    `There is no program ${shown(name)} on this machine. Name one that is on PATH, or by its ` +
      'whole path.',
  );
}

/** Whether a file is there that this user may run. */
export async function isProgram(place: string): Promise<boolean> {
  try {
    await access(place, constants.X_OK);
    return (await stat(place)).isFile();
  } catch {
    return false;
  }
}

/**
 * The place of a file in a folder, or of the folder itself, that a program may be given. Throws a
 * {@link DiskProblem} where nothing is there, and for a file outside of the folder.
 */
export async function placeIn(folder: string, file: string | undefined): Promise<string> {
  const whole = await placeAt(folder);
  const place = file === undefined ? whole : path.join(whole, file);
  const why = file === undefined ? undefined : unsafePath(file);
  if (why !== undefined) throw new DiskProblem(`"${shown(file ?? '')}" is ${why}.`);
  const real = await realpath(place).catch((error: unknown) => {
    throw inWords(error, place);
  });
  if (real !== whole && !real.startsWith(whole + path.sep))
    throw new DiskProblem(`${shown(place)} is a link out of its folder, so it is not opened.`);
  return real;
}

/**
 * Starts a program on its own and does not wait for its end. Throws a {@link DiskProblem} where it
 * does not start.
 */
export async function openWith(typed: string, opened: Opened): Promise<void> {
  const [, ...args] = commandOf(typed, opened);
  const program = await programAt(typed);
  await new Promise<void>((resolve, reject) => {
    const child = spawn(program, args, { detached: true, stdio: 'ignore' });
    child.once('spawn', () => {
      child.unref();
      resolve();
    });
    child.once('error', ({ message }) =>
      reject(new DiskProblem(`${shown(program)} did not start: ${message}.`)),
    );
  });
}
