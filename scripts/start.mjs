// npm start: installs and builds what is missing, then starts the application. Flags are those of `obrank serve`.
import path from 'node:path';
import { pathToFileURL } from 'node:url';
import { ready, root } from './ready.mjs';

await ready();
process.env.OBRANK_ROOT = root;
process.chdir(process.env.INIT_CWD ?? root);
const { main } = await import(pathToFileURL(path.join(root, 'dist/node/obrank.mjs')));
await main(['serve', ...process.argv.slice(2)]);
