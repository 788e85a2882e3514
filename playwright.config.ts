import { defineConfig } from '@playwright/test';

/** The real server in a data folder of its own, and Debian's Chromium. */
export default defineConfig({
  testDir: 'e2e',
  globalSetup: './scripts/ready-for-tests.mjs',
  timeout: 180_000,
  expect: { timeout: 40_000 },
  snapshotPathTemplate: 'e2e/pictures/{arg}{ext}',
  fullyParallel: true,
  workers: 2,
  // A test that passes the second time has still failed.
  retries: 0,
  reporter: [['list']],
  use: {
    viewport: { width: 1280, height: 800 },
    actionTimeout: 40_000,
    // Tracing takes as long as the tests themselves. OBRANK_TRACE=1 keeps a trace of what fails.
    trace: process.env['OBRANK_TRACE'] ? 'retain-on-failure' : 'off',
    screenshot: 'only-on-failure',
    launchOptions: {
      executablePath: process.env['OBRANK_CHROMIUM'] ?? '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-background-networking',
        '--disable-sync',
        '--disable-component-update',
      ],
    },
  },
});
