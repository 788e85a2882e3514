import { test as base, chromium, expect, type BrowserContext, type Page } from '@playwright/test';
import { spawn, type ChildProcess } from 'node:child_process';
import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { pathToFileURL } from 'node:url';
import type { startServer } from '../../server/serve.ts';

export interface Running {
  address: string;
  /** A folder of this test's own. */
  folder: string;
}
/** A server in a process of its own, which can be killed and started again at the same address. */
export interface Killable extends Running {
  kill: () => Promise<void>;
  start: () => Promise<void>;
}
interface Program {
  /** A data folder with a fresh demo mod, for copying. */
  demoData: string;
  startServer: typeof startServer;
  /** Where the servers of this worker listen, one after the other. */
  port: number;
}

const pages = path.resolve('dist/web');
const demo = path.resolve('demo/saltmarsh');

function launch(data: string, port: number): Promise<{ child: ChildProcess; address: string }> {
  const child = spawn(
    process.execPath,
    ['scripts/serve.mjs', '--port', String(port), '--data', data],
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
 * What the browser says of itself: of its graphics, which are worked out without a card here, and of
 * answers that a test has made fail on purpose.
 */
const ofTheBrowser = /GL Driver Message|^Failed to load resource|ERR_CONNECTION_REFUSED/;

const temporary = (): string => mkdtempSync(path.join(os.tmpdir(), 'obrank-e2e-'));

/**
 * Every test gets the real server with a fresh demo mod, and must leave no error in the page's
 * console. The program is loaded, and the demo read, once for all tests of a worker. Its servers
 * follow each other at one address and its pages share one browser, which keeps what it has fetched
 * and compiled of the page, as that of a person does; what a page remembers is cleared before each
 * test.
 */
export const test = base.extend<
  { server: Running; killable: Killable; noErrors: undefined; isFirstVisit: boolean },
  { program: Program; visitor: BrowserContext }
>({
  program: [
    async ({}, give) => {
      const built = pathToFileURL(path.resolve('dist/node/server.mjs')).href;
      const program = (await import(built)) as Pick<Program, 'startServer'>;
      const demoData = temporary();
      const server = await program.startServer({ port: 0, data: demoData, demo });
      await server.close();
      const port = Number(new URL(server.address).port);
      await give({ demoData, startServer: program.startServer, port });
      rmSync(demoData, { recursive: true, force: true });
    },
    { scope: 'worker' },
  ],
  visitor: [
    async ({}, give, { project }) => {
      const profile = temporary();
      const { launchOptions, ...options } = project.use;
      const context = await chromium.launchPersistentContext(profile, {
        ...launchOptions,
        viewport: options.viewport,
      });
      context.setDefaultTimeout(options.actionTimeout ?? 0);
      await give(context);
      await context.close();
      rmSync(profile, { recursive: true, force: true });
    },
    { scope: 'worker' },
  ],
  isFirstVisit: [false, { option: true }],
  context: async ({ visitor }, give) => {
    await give(visitor);
    for (const page of visitor.pages()) await page.close();
  },
  page: async ({ context, program, isFirstVisit }, give) => {
    const page = await context.newPage();
    const protocol = await context.newCDPSession(page);
    await protocol.send('Storage.clearDataForOrigin', {
      origin: `http://127.0.0.1:${program.port}`,
      storageTypes: 'cookies,local_storage,session_storage,indexeddb',
    });
    // Whoever works here has been here before; the first visit has a test of its own.
    if (!isFirstVisit)
      await page.addInitScript(() =>
        window.localStorage.setItem('obrank.first-visit', '{"isOver":true}'),
      );
    await give(page);
  },
  server: async ({ program }, give) => {
    const folder = temporary();
    const data = path.join(folder, 'data');
    cpSync(program.demoData, data, { recursive: true });
    const server = await program.startServer({ port: program.port, data, pages });
    await give({ address: server.address, folder });
    await server.close();
    rmSync(folder, { recursive: true, force: true });
  },
  killable: async ({ program }, give) => {
    const folder = temporary();
    const data = path.join(folder, 'data');
    cpSync(program.demoData, data, { recursive: true });
    let { child, address } = await launch(data, program.port);
    const kill = () =>
      new Promise<void>((resolve) => {
        child.once('exit', () => resolve());
        child.kill('SIGKILL');
      });
    const start = async () => {
      ({ child, address } = await launch(data, program.port));
    };
    await give({ address, folder, kill, start });
    await kill();
    rmSync(folder, { recursive: true, force: true });
  },
  noErrors: [
    async ({ page }, give) => {
      const errors: string[] = [];
      page.on('pageerror', (error) => errors.push(error.message));
      page.on('console', (message) => {
        const isTold = ['error', 'warning'].includes(message.type());
        if (isTold && !ofTheBrowser.test(message.text())) errors.push(message.text());
      });
      await give(undefined);
      expect(errors).toEqual([]);
    },
    { auto: true },
  ],
});

/** Waits until the quiet mark says that everything is saved. */
export const saved = (page: Page) => expect(page.locator('[data-saving="saved"]')).toBeVisible();

export { expect };
