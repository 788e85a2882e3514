// npm test: installs what is missing, then type check, lint, unit tests and the browser. Stops at the first that fails.
import { spawnSync } from 'node:child_process';
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { ready, run, stop } from './ready.mjs';

const browsers = [
  '/usr/bin/chromium',
  '/usr/bin/chromium-browser',
  '/usr/bin/google-chrome',
  '/Applications/Google Chrome.app/Contents/MacOS/Google Chrome',
];
const findBrowser = () =>
  [process.env.OBRANK_CHROMIUM, ...browsers].find((path) => path && existsSync(path));

const works = (command, ...args) => spawnSync(command, args, { stdio: 'ignore' }).status === 0;

/** Debian's packages, installed where we may. Says whether that went well. */
function installed(packages) {
  if (process.getuid?.() !== 0 || !works('apt-get', '--version')) return false;
  console.log(`Installing ${packages.join(' and ')} for the tests.`);
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  run('apt-get', ['update', '-qq'], { env });
  return (
    run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', ...packages], { env }) === 0
  );
}

/** Debian's Chromium, installed when it is missing and we may. */
function browser() {
  const found = findBrowser() ?? (installed(['chromium']) ? findBrowser() : undefined);
  return (
    found ??
    stop(
      'The browser tests need Chromium. Install it (on Debian: apt-get install chromium) or name one in OBRANK_CHROMIUM.',
    )
  );
}

/** Programs of others that read and write the same formats: what they make of our files is part of the tests. */
const witnesses = [
  { command: 'msgfmt', package: 'gettext' },
  { command: 'python3', package: 'python3' },
  ...engines(),
];

/** The engines that kits write for, each with its package, as its kit says. */
function engines() {
  return readdirSync('core/kits').flatMap((kit) => {
    const file = `core/kits/${kit}/debian.json`;
    return existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : [];
  });
}

function callWitnesses() {
  const missing = witnesses
    .filter(({ command, asks = '--version' }) => !works(command, asks))
    .map((witness) => witness.package);
  if (missing.length && !installed(missing))
    stop(
      `The unit tests need ${missing.join(' and ')}. Install them (on Debian: apt-get install ${missing.join(' ')}).`,
    );
}

const only = process.argv[2];
await ready();
const chromium = only && only !== 'e2e' ? undefined : browser();
if (!only || only === 'unit' || only === 'e2e') callWitnesses();
const node = process.execPath;
const steps = [
  ['types', node, ['node_modules/typescript/bin/tsc', '--noEmit', '-p', 'tsconfig.json']],
  [
    'format',
    node,
    ['node_modules/prettier/bin/prettier.cjs', '--check', '--log-level', 'warn', '.'],
  ],
  ['lint', node, ['node_modules/eslint/bin/eslint.js', '.', '--max-warnings', '0']],
  [
    'unit',
    node,
    [
      '--disable-warning=ExperimentalWarning',
      '--experimental-vm-modules',
      'node_modules/jest/bin/jest.js',
      '--silent=false',
    ],
  ],
  ['e2e', node, ['node_modules/@playwright/test/cli.js', 'test']],
];
for (const [name, command, args] of steps) {
  if (only && only !== name) continue;
  console.log(`\n${name}`);
  const status = run(command, args, {
    env: { ...process.env, OBRANK_CHROMIUM: chromium, FORCE_COLOR: '0' },
  });
  if (status !== 0) stop(`${name} failed.`, status);
}
