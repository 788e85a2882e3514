// The command line: npm run -s obrank -- check PATH
import { pathToFileURL } from 'node:url';
import path from 'node:path';
const from = process.cwd();
const { ready, root } = await import('./ready.mjs');
await ready();
process.env.OBRANK_ROOT = root;
process.chdir(process.env.INIT_CWD ?? from);
const { main } = await import(pathToFileURL(path.join(root, 'dist/node/obrank.mjs')));
await main(process.argv.slice(2));
