import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { chromium, type Browser } from '@playwright/test';

/**
 * Runs the real server with a fresh demo mod and a browser beside it, for as long as the work
 * takes.
 */
export async function withApplication(
  work: (address: string, browser: Browser) => Promise<void>,
): Promise<void> {
  const folder = mkdtempSync(path.join(os.tmpdir(), 'obrank-run-'));
  const server = spawn(
    process.execPath,
    ['scripts/start.mjs', '--port', '0', '--data', path.join(folder, 'data')],
    { stdio: ['ignore', 'pipe', 'inherit'] },
  );
  const address = await new Promise<string>((resolve) => {
    server.stdout.on('data', (text: Buffer) => {
      const found = /http:\/\/127\.0\.0\.1:\d+/.exec(text.toString())?.[0];
      if (found) resolve(found);
    });
  });
  const browser = await chromium.launch({
    executablePath: process.env['OBRANK_CHROMIUM'] ?? '/usr/bin/chromium',
    args: [
      '--no-sandbox',
      '--disable-background-networking',
      '--disable-sync',
      '--disable-component-update',
    ],
  });
  try {
    await work(address, browser);
  } finally {
    await browser.close();
    server.kill('SIGKILL');
    rmSync(folder, { recursive: true, force: true });
  }
}
