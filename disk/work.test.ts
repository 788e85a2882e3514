import { afterEach, beforeEach, expect, test } from '@jest/globals';
import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { mkdir, writeFile } from 'node:fs/promises';
import os from 'node:os';
import path from 'node:path';
import { DiskProblem } from './problem.ts';
import { enterWork } from './work.ts';

let folder: string;

beforeEach(() => {
  folder = mkdtempSync(path.join(os.tmpdir(), 'work-'));
});
afterEach(() => {
  rmSync(folder, { recursive: true, force: true });
});

/** What enters over and over are told, while builds come and go. */
async function knocks(target: string, until: () => boolean): Promise<string[]> {
  const told: string[] = [];
  while (!until()) {
    try {
      const { leave } = await enterWork(target);
      await leave();
    } catch (error) {
      if (!(error instanceof DiskProblem)) throw error;
      told.push(error.message);
    }
  }
  return told;
}

test('who comes while a build clears up is told of a build, and takes nothing from it', async () => {
  const target = path.join(folder, 'pack');
  let isDone = false;
  const knocking = [0, 1, 2].map(() => knocks(target, () => isDone));
  for (let built = 0; built < 12;) {
    const entered = await enterWork(target).catch((error: unknown) => {
      if (!(error instanceof DiskProblem)) throw error;
    });
    if (!entered) continue;
    built += 1;
    await mkdir(entered.work.new);
    await Promise.all(
      Array.from({ length: 200 }, (_, file) =>
        writeFile(path.join(entered.work.new, `file-${file}.json`), '{}'),
      ),
    );
    await entered.leave();
  }
  isDone = true;
  const told = (await Promise.all(knocking)).flat();
  expect(told.filter((sentence) => !sentence.startsWith('Another build into '))).toEqual([]);
  expect(readdirSync(folder)).toEqual([]);
});
