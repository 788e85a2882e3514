// The programs that run in Node, each with the file that it begins with.
import path from 'node:path';
import { root } from './ready.mjs';

export const programs = {
  obrank: path.join(root, 'cli/index.ts'),
  server: path.join(root, 'server/serve.ts'),
  builder: path.join(root, 'server/builds/worker.ts'),
};
