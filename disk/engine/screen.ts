import { spawn } from 'node:child_process';
import { readFile } from 'node:fs/promises';
import path from 'node:path';
import type { Pixels } from '../../core/textures/index.ts';
import { DiskProblem } from '../problem.ts';

/** A screen that nobody sees: what is drawn on it stands in a file. */
export interface Screen {
  display: string;
  /** What is on it now. */
  picture: () => Promise<Pixels>;
  close: () => void;
}

/** So long, in milliseconds, a screen may take to be there. */
const patience = 20_000;

/**
 * Opens a screen of so many pixels with the virtual frame buffer of the X Window System, which
 * keeps its pixels in a folder. Throws a {@link DiskProblem} where there is none on this machine.
 */
export async function openScreen(
  folder: string,
  [width, height]: readonly [number, number],
  how: string,
): Promise<Screen> {
  const args = ['-displayfd', '3', '-screen', '0', `${width}x${height}x24`, '-fbdir', folder];
  const child = spawn('Xvfb', [...args, '-nolisten', 'tcp'], {
    stdio: ['ignore', 'ignore', 'ignore', 'pipe'],
  });
  const close = () => void child.kill('SIGKILL');
  process.once('exit', close);
  const number = await new Promise<string>((resolve, reject) => {
    const fail = () => reject(new DiskProblem(`No screen could be opened for the picture. ${how}`));
    const timer = setTimeout(fail, patience);
    child.once('error', fail);
    child.once('exit', fail);
    child.stdio[3]?.once('data', (data: Buffer) => {
      clearTimeout(timer);
      resolve(data.toString().trim());
    });
  }).catch((error: unknown) => {
    close();
    throw error;
  });
  return {
    display: `:${number}`,
    picture: async () => pixelsOfDump(await readFile(path.join(folder, 'Xvfb_screen0'))),
    close: () => {
      process.removeListener('exit', close);
      close();
    },
  };
}

/**
 * The pixels of an X window dump of 24 bits in words of 32, blue first (`XWDFile.h`, version 7: a
 * header of 25 words of 32 bits, its own length first, then a table of colours).
 */
export function pixelsOfDump(bytes: Uint8Array): Pixels {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const word = (index: number) => view.getUint32(index * 4);
  const [length, width, height, bits, row, colours] = [0, 4, 5, 11, 12, 19].map(word);
  if (!length || !width || !height || bits !== 32)
    throw new DiskProblem('The screen holds no picture that can be read.');
  const start = length + (colours ?? 0) * 12;
  const data = new Uint8Array(width * height * 4);
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) {
      const from = start + y * (row ?? 0) + x * 4;
      const to = (y * width + x) * 4;
      data[to] = bytes[from + 2] ?? 0;
      data[to + 1] = bytes[from + 1] ?? 0;
      data[to + 2] = bytes[from] ?? 0;
      data[to + 3] = 255;
    }
  return { width, height, data };
}
