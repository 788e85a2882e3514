import { cp, mkdtemp, readdir, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import type { Files } from '../../core/bytes/index.ts';
import type { Engine } from '../../core/kits/index.ts';
import type { Pixels } from '../../core/textures/index.ts';
import { DiskProblem, inWords, shown } from '../problem.ts';
import { layOut, type AskOptions } from './ask.ts';
import { freePort } from './port.ts';
import { engineProgram } from './program.ts';
import { runProgram } from './run.ts';
import { openScreen, type Screen } from './screen.ts';

/**
 * Has the engine build a gallery in a folder that is not there yet or is empty: a world to be walked
 * in. With `photograph` it is photographed, too. Throws a {@link DiskProblem} that says why not; then
 * nothing is left behind.
 */
export async function makeGallery(
  engine: Engine,
  files: Files,
  { folder, photograph, ...options }: GalleryOptions,
): Promise<Photograph | undefined> {
  const program = await engineProgram(engine, options.env);
  if (folder !== undefined) await mustBeEmpty(folder);
  const scratch = await mkdtemp(path.join(tmpdir(), 'obrank-gallery-'));
  try {
    await layOut(scratch, { files });
    await build(engine, program, scratch, options);
    const picture = photograph ? await photographed(engine, scratch, options) : undefined;
    if (folder !== undefined) await moveWorld(scratch, folder);
    return picture;
  } finally {
    await rm(scratch, { recursive: true, force: true, maxRetries: 3 });
  }
}

/** A picture of a gallery, and what the client complained of meanwhile. */
export interface Photograph {
  pixels: Pixels;
  complaint: string | undefined;
}

export interface GalleryOptions extends AskOptions {
  /** Where the world is left; nowhere where nothing is said. */
  folder?: string;
  photograph?: boolean;
}

const usualPatience = 90_000;

async function mustBeEmpty(folder: string): Promise<void> {
  try {
    const there = await readdir(folder);
    if (there.length)
      throw new DiskProblem(
        `${shown(folder)} is not empty. Name a folder for the gallery that is not there yet.`,
      );
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'ENOENT') throw inWords(error, folder);
  }
}

async function build(
  engine: Engine,
  program: string,
  scratch: string,
  { onProgress, signal, env = process.env, patience = usualPatience }: AskOptions,
): Promise<void> {
  const ran = await runProgram(program, engine.args(scratch, await freePort()), {
    env: { ...env, ...engine.env(scratch) },
    cwd: scratch,
    patience,
    signal,
    onLine: (line) => {
      const done = engine.progress(line);
      if (done !== undefined) onProgress?.(done, 0);
    },
  });
  if (!engine.gallery.built(ran.output))
    throw new DiskProblem(
      `The engine did not build the gallery. ${engine.complaint(ran.output) ?? 'It says nothing.'}`,
    );
}

/** The world goes to its place; the settings of the server that built it stay behind. */
async function moveWorld(scratch: string, folder: string): Promise<void> {
  try {
    await cp(path.join(scratch, 'world'), folder, { recursive: true });
  } catch (error) {
    await rm(folder, { recursive: true, force: true });
    throw inWords(error, folder);
  }
}

/** So many characters of what the client prints are kept. */
const mostKept = 2 ** 18;
/** So often a second the screen is looked at, and so often it must be the same to be finished. */
const looks = 2;
const same = 4;
/** So many seconds a picture may take. */
const longest = 120;

async function photographed(
  engine: Engine,
  scratch: string,
  { signal, env = process.env, patience = usualPatience }: AskOptions,
): Promise<Photograph> {
  const { client } = engine.gallery;
  const program = await engineProgram(
    { ...engine, programs: client.programs, get: client.get },
    {
      ...env,
      OBRANK_ENGINE: undefined,
    },
  );
  const screen = await openScreen(scratch, client.size, client.get);
  const done = new AbortController();
  let isIn = false;
  let output = '';
  const running = runProgram(program, client.args(scratch), {
    env: { ...env, ...client.env(scratch), DISPLAY: screen.display },
    cwd: scratch,
    patience: Math.max(patience, longest * 1000),
    signal: signal ? AbortSignal.any([signal, done.signal]) : done.signal,
    onLine: (line) => {
      isIn ||= client.isIn(line);
      output = `${output}${line}\n`.slice(-mostKept);
    },
  });
  const ended = running.then(
    () => true,
    () => true,
  );
  try {
    const pixels = await settled(screen, () => isIn, ended);
    return { pixels, complaint: engine.complaint(output) };
  } finally {
    done.abort();
    await ended;
    screen.close();
  }
}

/** The picture once it hardly changes: everything has come that is drawn, and only frames go on. */
async function settled(
  screen: Screen,
  isIn: () => boolean,
  ended: Promise<boolean>,
): Promise<Pixels> {
  let last: Pixels | undefined;
  let times = 0;
  for (let n = 0; n < longest * looks; n += 1) {
    const isOver = await Promise.race([ended, wait(1000 / looks, false)]);
    if (isOver) throw new DiskProblem('The engine’s client ended before the picture was taken.');
    if (!isIn()) continue;
    const picture = await screen.picture();
    times = last && changed(last, picture) < stillMoving ? times + 1 : 0;
    last = picture;
    if (times >= same) return picture;
  }
  throw new DiskProblem(`The picture was not finished within ${longest} seconds.`);
}

/** Textures that move change a few pixels; what comes into sight changes many. */
const stillMoving = 0.02;

/** The share of the pixels that differ between two pictures of one size. */
function changed(a: Pixels, b: Pixels): number {
  let apart = 0;
  for (let i = 0; i < a.data.length; i += 4)
    if ([0, 1, 2].some((channel) => a.data[i + channel] !== b.data[i + channel])) apart += 1;
  return apart / (a.data.length / 4);
}
