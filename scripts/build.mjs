// Builds the page and the programs into dist/.
import { build } from 'vite';
import { rmSync } from 'node:fs';
import path from 'node:path';
import { bundle } from './bundle.mjs';
import { programs } from './programs.mjs';
import { root } from './ready.mjs';

process.chdir(root);
// Parts carry their digest in their names: old ones would stay for ever.
rmSync(path.join(root, 'dist/node'), { recursive: true, force: true });
await bundle(programs, path.join(root, 'dist/node'));
await build({ configFile: path.join(root, 'vite.config.ts'), logLevel: 'warn' });
