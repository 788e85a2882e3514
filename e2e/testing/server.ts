import { test as base, expect, type Page } from '@playwright/test';
import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';

export interface Running {
  address: string;
  data: string;
  /** A folder of this test's own. */ folder: string;
  stop(signal?: NodeJS.Signals): Promise<void>;
  start(): Promise<void>;
}

function launch(data: string, port: number): Promise<{ child: ChildProcess; address: string }> {
  const child = spawn(
    process.execPath,
    ['scripts/start.mjs', '--port', String(port), '--data', data],
    { stdio: ['ignore', 'pipe', 'inherit'] },
  );
  return new Promise((resolve, reject) => {
    child.once('exit', (code) => reject(new Error(`the server ended with ${code}`)));
    child.stdout.on('data', (text: Buffer) => {
      const address = /http:\/\/127\.0\.0\.1:\d+/.exec(text.toString())?.[0];
      if (address) resolve({ child, address });
    });
  });
}

/**
 * Every test gets the real server with a fresh demo mod, and must leave no error in the page's
 * console.
 */
export const test = base.extend<{ server: Running; noErrors: undefined }>({
  server: async ({}, give) => {
    const folder = mkdtempSync(path.join(os.tmpdir(), 'obrank-e2e-'));
    const data = path.join(folder, 'data');
    let { child, address } = await launch(data, 0);
    const port = Number(new URL(address).port);
    await give({
      address,
      data,
      folder,
      stop: (signal = 'SIGTERM') =>
        new Promise((resolve) => {
          child.once('exit', () => resolve());
          child.kill(signal);
        }),
      start: async () => {
        ({ child, address } = await launch(data, port));
      },
    });
    child.kill('SIGKILL');
    rmSync(folder, { recursive: true, force: true });
  },
  noErrors: [
    async ({ page }, give) => {
      const errors: string[] = [];
      page.on('pageerror', (error) => errors.push(error.message));
      await give(undefined);
      expect(errors).toEqual([]);
    },
    { auto: true },
  ],
});

/** Waits until the quiet mark says that everything is saved. */
export const saved = (page: Page) => expect(page.locator('[data-saving="saved"]')).toBeVisible();

export { expect };
