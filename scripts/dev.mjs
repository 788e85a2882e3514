// npm run dev: the server and the page together, both watching their sources. Flags are those of `obrank serve`.
import { spawn } from 'node:child_process';
import { rmSync } from 'node:fs';
import path from 'node:path';
import { ready, root, stop } from './ready.mjs';

await ready({ build: false });
const { createServer } = await import('vite');
const { bundle } = await import('./bundle.mjs');
const { programs } = await import('./programs.mjs');

const out = path.join(root, 'dist/node');
// What lies in dist is half built from now on: the next npm start builds it whole.
rmSync(path.join(root, 'dist/.state'), { force: true });

/** What the server is started with. */
const flags = process.argv.slice(2);
let server;
let stopping = false;
let again = false;

/** Starts the server, or starts it anew once the old one has closed its database. */
function restart() {
  if (server) {
    again = true;
    server.kill('SIGTERM');
    return;
  }
  server = spawn(process.execPath, [path.join(root, 'scripts/serve.mjs'), ...flags], {
    stdio: 'inherit',
    env: { ...process.env, OBRANK_ROOT: root },
  });
  server.once('exit', () => {
    server = undefined;
    if (stopping) process.exit(0);
    // One that could not start stays down until a source changes; it has said why.
    if (again) restart();
  });
  again = false;
}

const port = flags[flags.indexOf('--port') + 1];
// The page comes first: it says that this is no build, which a bundle made before would.
// It asks the server that this command starts, wherever it listens.
if (flags.includes('--port')) process.env['OBRANK_DEV_PORT'] = port;
const page = await createServer({ configFile: path.join(root, 'vite.config.ts') });
const watcher = await bundle(programs, out, { watch: true });
watcher.on('event', (event) => {
  if (event.code === 'END') restart();
  if (event.code === 'ERROR') console.error(event.error.message);
});
await page.listen().catch((error) => stop(`The page could not be served: ${error.message}`));
console.log(`The page, as it is being written: ${page.resolvedUrls.local[0]}`);

for (const signal of ['SIGINT', 'SIGTERM'])
  process.once(signal, async () => {
    stopping = true;
    await Promise.all([watcher.close(), page.close()]);
    if (server) server.kill('SIGTERM');
    else process.exit(0);
  });
