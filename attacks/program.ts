/** Obrank as a program of its own, as the attacks meet it: the server, and the command line. */
import { spawn, type ChildProcess } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { mkdtemp, rm } from 'node:fs/promises';
import os from 'node:os';
import path from 'node:path';

/**
 * What came of an attack. `lost` counts what must never be: acknowledged edits, files of others,
 * answers that nobody foresaw.
 */
export interface Outcome {
  attack: string;
  tries: number;
  lost: number;
  refused: number;
  peakMb: number;
  note?: string;
}

/**
 * The most memory that a process has held so far, in megabytes; 0 where the system does not say.
 */
export function peakOf(pid: number | undefined): number {
  try {
    return Math.round(
      Number(/VmHWM:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? 0) / 1024,
    );
  } catch {
    return 0;
  }
}

export interface Server {
  address: string;
  process: ChildProcess;
  peakMb(): number;
  stop(signal?: NodeJS.Signals): Promise<void>;
}

/** Starts the server over a data folder and waits for its address. */
export function startServer(data: string): Promise<Server> {
  const child = spawn(process.execPath, ['scripts/start.mjs', '--port', '0', '--data', data], {
    stdio: ['ignore', 'pipe', 'ignore'],
    env: { ...process.env, OBRANK_LOG: 'silent' },
  });
  const ended = new Promise<void>((resolve) => child.once('exit', () => resolve()));
  return new Promise((resolve, reject) => {
    child.once('exit', (code) => reject(new Error(`the server ended with ${code}`)));
    child.stdout.on('data', (text: Buffer) => {
      const address = /http:\/\/127\.0\.0\.1:\d+/.exec(text.toString())?.[0];
      if (!address) return;
      resolve({
        address,
        process: child,
        peakMb: () => peakOf(child.pid),
        stop: async (signal = 'SIGTERM') => {
          child.kill(signal);
          await ended;
        },
      });
    });
  });
}

/** So long a command may take before it counts as stuck. */
const stuckMs = 60_000;

/** Runs the command line. `isStuck` when it had to be killed. */
export async function runObrank(
  ...args: string[]
): Promise<{ status: number | null; output: string; peakMb: number; isStuck: boolean }> {
  const child = spawn(process.execPath, ['scripts/obrank.mjs', ...args], {
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  let [output, peakMb, isStuck] = ['', 0, false];
  for (const stream of [child.stdout, child.stderr])
    stream.on('data', (part: Buffer) => {
      output += part.toString();
    });
  const watch = setInterval(() => {
    peakMb = Math.max(peakMb, peakOf(child.pid));
  }, 20);
  const limit = setTimeout(() => {
    isStuck = true;
    child.kill('SIGKILL');
  }, stuckMs);
  const status = await new Promise<number | null>((resolve) => child.once('exit', resolve));
  clearInterval(watch);
  clearTimeout(limit);
  return { status, output, peakMb, isStuck };
}

/** Does work in a folder of its own, which is gone afterwards. */
export async function inFolder<T>(work: (folder: string) => Promise<T>): Promise<T> {
  const folder = await mkdtemp(path.join(os.tmpdir(), 'obrank-attack-'));
  try {
    return await work(folder);
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

export interface Held {
  revision: number;
  mod: { blocks: Record<string, { traits: { hardness: number } }>; header: { title: string } };
}
export const hardness = '/blocks/tide_lantern/traits/hardness';

export const heldMod = async (address: string): Promise<Held> =>
  (await fetch(`${address}/api/mods/saltmarsh`)).json() as Promise<Held>;

/** Sends an edit; the status of the answer, or 0 when there was none. */
export async function sendEdit(
  address: string,
  revision: number,
  changes: unknown[],
  label = 'Attack',
): Promise<number> {
  const headers = { 'Content-Type': 'application/json', 'If-Match': `"${revision}"` };
  try {
    const response = await fetch(`${address}/api/mods/saltmarsh/edits`, {
      method: 'POST',
      headers,
      body: JSON.stringify({ label, changes }),
    });
    await response.arrayBuffer();
    return response.status;
  } catch {
    return 0;
  }
}
