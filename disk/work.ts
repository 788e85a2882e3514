import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { mkdtemp, readdir, rename, rm, rmdir, writeFile } from 'node:fs/promises';
import os from 'node:os';
import path from 'node:path';
import { threadId } from 'node:worker_threads';
import { z } from 'zod';
import { readOrdinary } from './ordinary.ts';
import { DiskProblem, inWords, shown } from './problem.ts';
import { scanOne } from './scan.ts';

/**
 * The folder in which one build works, beside its target: `new` is what will stand there, `old`
 * what stood there. Its being there is the lock of the target, and `build.json` in it is the proof
 * that it is ours: what has no such proof is never touched.
 */
export interface Work {
  folder: string;
  new: string;
  old: string;
}

const ending = '.obrank-work';
const proofName = 'build.json';

const Proof = z.object({
  made: z.literal('by Obrank, for a build'),
  target: z.string(),
  host: z.string(),
  pid: z.number(),
  thread: z.number(),
  started: z.string(),
  token: z.string(),
});
type Proof = z.output<typeof Proof>;

/** The builds of this thread that are going on. */
const going = new Set<string>();

/**
 * Something that tells a process from a later one with the same number, where the system says it.
 */
function startOf(pid: number): string {
  try {
    const line = readFileSync(`/proc/${pid}/stat`, 'utf8');
    return line.slice(line.lastIndexOf(')') + 2).split(' ')[19] ?? '';
  } catch {
    return '';
  }
}

function isAlive({ host, pid, thread, started, token }: Proof): boolean {
  if (host !== os.hostname()) return true;
  // Other threads of this process keep their own list.
  if (pid === process.pid && started === startOf(pid))
    return thread !== threadId || going.has(token);
  try {
    process.kill(pid, 0);
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === 'EPERM';
  }
  return started === startOf(pid);
}

async function proofIn(folder: string, target: string): Promise<Proof | undefined> {
  try {
    const proof = Proof.parse(
      JSON.parse((await readOrdinary(path.join(folder, proofName), 10_000)).toString()),
    );
    return proof.target === target ? proof : undefined;
  } catch {
    return undefined;
  }
}

/**
 * Begins a build into a target: takes its lock, and puts right what builds that died left behind.
 * Gives the folder to work in and how to leave it. Throws a {@link DiskProblem} when another build
 * is at it, or when something that is not ours stands in the way.
 */
export async function enterWork(
  target: string,
): Promise<{ work: Work; leave: () => Promise<void> }> {
  await sweep(target);
  const folder = `${target}${ending}`;
  const token = randomUUID();
  const proof: Proof = {
    made: 'by Obrank, for a build',
    target,
    host: os.hostname(),
    pid: process.pid,
    thread: threadId,
    started: startOf(process.pid),
    token,
  };
  going.add(token);
  try {
    await takeName(folder, proof);
  } catch (error) {
    going.delete(token);
    throw error;
  }
  const work = { folder, new: path.join(folder, 'new'), old: path.join(folder, 'old') };
  const leave = async () => {
    await recoverWork(folder, target);
    going.delete(token);
  };
  return { work, leave };
}

/** How often a name is tried that others hold and let go while we look. */
const mostTries = 20;

/**
 * Gets the work folder's name for one build, with its proof already inside. Throws a
 * {@link DiskProblem} when another build holds it, or what is not ours.
 */
async function takeName(folder: string, proof: Proof): Promise<void> {
  const { target } = proof;
  for (let tries = 1; ; tries += 1) {
    const made = await mkdtemp(`${folder}-`);
    try {
      await writeFile(path.join(made, proofName), JSON.stringify(proof));
      // A rename onto a folder with something in it fails, so exactly one build gets the name.
      await rename(made, folder);
      return;
    } catch (error) {
      await rm(made, { recursive: true, force: true });
      const { code = '' } = error as NodeJS.ErrnoException;
      // Another build swept ours away while it was still empty.
      const isSwept = code === 'ENOENT';
      if (!isSwept && !['ENOTEMPTY', 'EEXIST', 'ENOTDIR', 'EPERM'].includes(code))
        throw inWords(error, target);
      if (!isSwept && (await proofIn(folder, target))) throw anotherBuild(folder, target);
      // A build may end between our rename and our look at its proof: then the name is free.
      const isFree = isSwept || !(await scanOne(folder));
      if (tries < mostTries && isFree) continue;
      if (isFree || (await proofIn(folder, target))) throw anotherBuild(folder, target);
      throw new DiskProblem(
        `${shown(folder)} is in the way and was not made by Obrank. Rename it, then build again.`,
      );
    }
  }
}

const anotherBuild = (folder: string, target: string) =>
  new DiskProblem(
    `Another build into ${shown(target)} is going on. Wait until it is done, then build ` +
      `again. If there is none, remove ${shown(folder)}.`,
  );

/**
 * Puts right what builds into this target left that are no more: they were killed, or their machine
 * stopped.
 */
async function sweep(target: string): Promise<void> {
  const parent = path.dirname(target);
  const mark = `${path.basename(target)}${ending}`;
  const names = (await readdir(parent)).filter(
    (name) =>
      name === mark ||
      (name.startsWith(`${mark}-`) && /^-[A-Za-z0-9-]+$/.test(name.slice(mark.length))),
  );
  for (const name of names) {
    const folder = path.join(parent, name);
    const proof = await proofIn(folder, target);
    if (proof && !isAlive(proof)) {
      // Whoever renames it first puts it right; for others it is gone.
      const mine = `${target}${ending}-${randomUUID()}`;
      if (
        await rename(folder, mine).then(
          () => true,
          () => false,
        )
      )
        await recoverWork(mine, target);
    } else if (!proof && name !== mark) await rmdir(folder).catch(() => undefined);
  }
}

/**
 * Ends the work in a folder: the old one goes back into an empty place, is kept beside when
 * somebody filled the place, and goes only once the new one stands.
 */
async function recoverWork(folder: string, target: string): Promise<void> {
  const [old, fresh] = [path.join(folder, 'old'), path.join(folder, 'new')];
  if (await scanOne(old)) {
    if (!(await scanOne(target))) await rename(old, target);
    else if (await scanOne(fresh)) await rename(old, await keepAside(target));
  }
  await Promise.all([old, fresh].map((part) => rm(part, { recursive: true, force: true })));
  // The proof goes last and under another name: while the folder has its own, it says whose it is,
  // and nothing of ours is removed from under the next build.
  const gone = `${target}${ending}-${randomUUID()}`;
  await rename(folder, gone);
  await rm(gone, { recursive: true, force: true });
}

/** A free name beside a target, for what must not be lost. */
export async function keepAside(target: string): Promise<string> {
  for (let number = 1; ; number += 1) {
    const aside = `${target}.before-build-${number}`;
    if (!(await scanOne(aside))) return aside;
  }
}
