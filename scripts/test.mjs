// npm test: installs what is missing, then type check, lint, unit tests and the browser. Stops at the first that fails.
import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { ready, run, stop } from './ready.mjs';

const browsers = ['/usr/bin/chromium', '/usr/bin/chromium-browser', '/usr/bin/google-chrome', '/Applications/Google Chrome.app/Contents/MacOS/Google Chrome'];
const findBrowser = () => [process.env.OBRANK_CHROMIUM, ...browsers].find((path) => path && existsSync(path));

/** Debian's Chromium, installed when it is missing and we may. */
function browser() {
  const found = findBrowser();
  if (found) return found;
  const root = process.getuid?.() === 0;
  const apt = spawnSync('apt-get', ['--version'], { stdio: 'ignore' }).status === 0;
  if (!root || !apt) stop('The browser tests need Chromium. Install it (on Debian: apt-get install chromium) or name one in OBRANK_CHROMIUM.');
  console.log('Installing Chromium for the browser tests.');
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  run('apt-get', ['update', '-qq'], { env });
  if (run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', 'chromium'], { env }) !== 0) stop('Chromium could not be installed. See the lines above.');
  return findBrowser() ?? stop('Chromium was installed but cannot be found.');
}

const only = process.argv[2];
await ready();
const chromium = only && only !== 'e2e' ? undefined : browser();
const node = process.execPath;
const steps = [
  ['types', node, ['node_modules/typescript/bin/tsc', '--noEmit', '-p', 'tsconfig.json']],
  ['lint', node, ['node_modules/eslint/bin/eslint.js', '.', '--max-warnings', '0']],
  ['unit', node, ['--disable-warning=ExperimentalWarning', '--experimental-vm-modules', 'node_modules/jest/bin/jest.js', '--silent=false']],
  ['e2e', node, ['node_modules/@playwright/test/cli.js', 'test']],
];
for (const [name, command, args] of steps) {
  if (only && only !== name) continue;
  console.log(`\n${name}`);
  const status = run(command, args, { env: { ...process.env, OBRANK_CHROMIUM: chromium, FORCE_COLOR: '0' } });
  if (status !== 0) stop(`${name} failed.`, status);
}
