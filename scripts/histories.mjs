// Lives through many histories of edits in a page and in its folder, with kills in between:
// npm run histories, or npm run histories -- 2000
import { spawnSync } from 'node:child_process';

const many = process.argv[2] ?? '500';
const jest = ['--disable-warning=ExperimentalWarning', '--experimental-vm-modules'];
const { status } = spawnSync(
  process.execPath,
  [...jest, 'node_modules/jest/bin/jest.js', 'server/linked/histories'],
  { stdio: 'inherit', env: { ...process.env, OBRANK_HISTORIES: many } },
);
process.exitCode = status ?? 1;
