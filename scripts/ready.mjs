// Makes the project ready to run, with Node's own modules alone: installs what is missing, builds what has changed.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = path.dirname(path.dirname(fileURLToPath(import.meta.url)));
const mark = (name) => path.join(root, 'node_modules', `.obrank-${name}`);
const read = (file) => (existsSync(file) ? readFileSync(file, 'utf8') : '');

/** Stops the whole program with one sentence. */
export function stop(sentence, code = 1) {
  console.error(sentence);
  process.exit(code);
}

/** Runs a command and stops with its exit code when it fails. */
export function run(command, args, options = {}) {
  const done = spawnSync(command, args, {
    cwd: root,
    stdio: ['ignore', 'inherit', 'inherit'],
    ...options,
  });
  if (done.error) stop(`${command} could not be started: ${done.error.message}`);
  return done.status ?? 1;
}

function installed() {
  return (
    read(mark('lock')) ===
    createHash('sha256')
      .update(readFileSync(path.join(root, 'package-lock.json')))
      .digest('hex')
  );
}

/** Installs from the lock file when it has changed since the last time. Progress goes to the error stream, so that output stays clean. */
function install() {
  if (installed()) return;
  console.error(
    'Installing the packages from package-lock.json; the first time takes a few minutes.',
  );
  const status = run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], {
    stdio: ['ignore', 2, 2],
    shell: process.platform === 'win32',
  });
  if (status !== 0)
    stop(
      'The packages could not be installed. See the lines above; without a network this works only once they have been installed.',
    );
  writeFileSync(
    mark('lock'),
    createHash('sha256')
      .update(readFileSync(path.join(root, 'package-lock.json')))
      .digest('hex'),
  );
}

/** The names, sizes and times of all source files, as one digest: when it changes the build is stale. */
function sourceState() {
  const hash = createHash('sha256');
  const walk = (folder) => {
    for (const entry of readdirSync(folder, { withFileTypes: true }).sort((a, b) =>
      a.name < b.name ? -1 : 1,
    )) {
      const file = path.join(folder, entry.name);
      if (entry.isDirectory()) walk(file);
      else {
        const { size, mtimeMs } = statSync(file);
        hash.update(`${file} ${size} ${mtimeMs}\n`);
      }
    }
  };
  for (const folder of ['core', 'disk', 'server', 'web', 'cli', 'scripts', 'demo'])
    if (existsSync(path.join(root, folder))) walk(path.join(root, folder));
  for (const file of ['package-lock.json', 'index.html', 'vite.config.ts'])
    hash.update(read(path.join(root, file)));
  return hash.digest('hex');
}

/** Installs and, unless told otherwise, builds; both only when needed. */
export async function ready({ build = true } = {}) {
  process.chdir(root);
  if (Number(process.versions.node.split('.')[0]) < 20)
    stop(`Obrank needs Node 20 or newer; this is ${process.version}.`);
  install();
  if (!build) return;
  const state = sourceState();
  if (read(path.join(root, 'dist', '.state')) === state) return;
  console.error('Building.');
  if (run(process.execPath, ['scripts/build.mjs'], { stdio: ['ignore', 2, 2] }) !== 0)
    stop('The build failed. See the lines above.');
  mkdirSync(path.join(root, 'dist'), { recursive: true });
  writeFileSync(path.join(root, 'dist', '.state'), state);
}
