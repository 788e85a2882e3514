// Runs one TypeScript file of the project: node scripts/run.mjs FILE [ARGUMENTS]. Bundles it first, with what is in node_modules left outside.
import { mkdirSync } from 'node:fs';
import path from 'node:path';
import { pathToFileURL } from 'node:url';
import { bundle } from './bundle.mjs';
import { ready } from './ready.mjs';

await ready({ build: false });
const [file, ...rest] = process.argv.slice(2);
const out = path.resolve('.cache', `${path.basename(file, '.ts')}.mjs`);
mkdirSync(path.dirname(out), { recursive: true });
await bundle({ [path.basename(file, '.ts')]: path.resolve(file) }, path.dirname(out));
process.argv.splice(1, 2, out);
process.argv.length = 2;
process.argv.push(...rest);
await import(pathToFileURL(out));
