// Starts the built server as it is. Flags are those of `obrank serve`.
import path from 'node:path';
import { pathToFileURL } from 'node:url';
import { root } from './ready.mjs';

process.env.OBRANK_ROOT = root;
process.chdir(process.env.INIT_CWD ?? root);
const { main } = await import(pathToFileURL(path.join(root, 'dist/node/obrank.mjs')));
await main(['serve', ...process.argv.slice(2)]);
