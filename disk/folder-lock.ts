import { createHash } from 'node:crypto';
import { createServer, connect, type Server } from 'node:net';
import { rm } from 'node:fs/promises';
import os from 'node:os';
import path from 'node:path';
import { DiskProblem, inWords, shown } from './problem.ts';

/**
 * Takes a folder for this program alone, on this machine, and gives what lets go of it. The lock is
 * a local socket that is held open, so that it ends with the program, however that ends; nothing is
 * written into the folder. Throws a {@link DiskProblem} while another program has it.
 */
export async function lockFolder(folder: string): Promise<() => Promise<void>> {
  const place = placeOfLock(folder);
  const server = await holdOpen(place).catch(async (error: unknown) => {
    if ((error as NodeJS.ErrnoException).code !== 'EADDRINUSE') throw inWords(error, place);
    if (await isAnswered(place)) throw inUse(folder);
    // What was left by a program that was killed.
    await rm(place, { force: true });
    return holdOpen(place);
  });
  return () => new Promise((resolve) => server.close(() => resolve()));
}

const inUse = (folder: string): DiskProblem =>
  new DiskProblem(
    `${shown(folder)} is linked by another Obrank that is running. Two would write over each ` +
      'other; stop that one, or unlink the folder there.',
  );

function placeOfLock(folder: string): string {
  const name = `obrank-${createHash('sha256').update(folder).digest('hex').slice(0, 24)}`;
  return process.platform === 'win32'
    ? `\\\\.\\pipe\\${name}`
    : path.join(os.tmpdir(), `${name}.lock`);
}

function holdOpen(place: string): Promise<Server> {
  return new Promise((resolve, reject) => {
    const server = createServer((socket) => socket.destroy());
    server.once('error', reject);
    server.listen(place, () => resolve(server));
    server.unref();
  });
}

function isAnswered(place: string): Promise<boolean> {
  return new Promise((resolve) => {
    const socket = connect(place);
    socket.once('connect', () => {
      socket.destroy();
      resolve(true);
    });
    socket.once('error', () => resolve(false));
  });
}
