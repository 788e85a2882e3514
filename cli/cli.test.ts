import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { spawn, spawnSync } from 'node:child_process';
import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createServer, type Server } from 'node:net';
import os from 'node:os';
import path from 'node:path';
import { startServer } from '../server/serve.ts';

let folder: string;
beforeAll(() => {
  folder = mkdtempSync(path.join(os.tmpdir(), 'obrank-cli-'));
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** Runs the command line as a program of its own. */
const obrank = (...args: string[]) => {
  const { status, stdout, stderr } = spawnSync(process.execPath, ['scripts/obrank.mjs', ...args], { encoding: 'utf8' });
  return { status, lines: stdout.split('\n').filter(Boolean), stdout, stderr };
};

test('the demo is checked, built to a folder and an .obpack, and both are checked: nothing wrong', () => {
  expect(obrank('check', 'demo/saltmarsh')).toMatchObject({ status: 0, lines: [] });
  for (const out of [path.join(folder, 'pack'), path.join(folder, 'saltmarsh.obpack')]) {
    const built = obrank('build', 'demo/saltmarsh', '--out', out);
    expect(built.status).toBe(0);
    expect(built.stdout).toMatch(/111 files in .*: 111 new/);
    expect(obrank('check', out)).toMatchObject({ status: 0, lines: [] });
  }
});

test('findings stand on standard output, one a line, as path:line:column severity rule message; exit 1', () => {
  const mod = path.join(folder, 'broken');
  cpSync('demo/saltmarsh', mod, { recursive: true });
  const file = path.join(mod, 'blocks/salt_crust.json');
  writeFileSync(file, readFileSync(file, 'utf8').replace('"spade", "sound', '"spade", "leastGrade": 9, "sound').replace('"identity": {', '"identity": {,'));
  const malformed = obrank('check', mod);
  expect(malformed.status).toBe(1);
  expect(malformed.lines).toContainEqual(expect.stringMatching(/salt_crust\.json:3:16 error files\/malformed-json /));
  for (const line of malformed.lines) expect(line).toMatch(/^\S+:\d+:\d+ (error|warning|hint) [a-z]+\/[a-z-]+ .+[.?]$/);
  writeFileSync(file, readFileSync(file, 'utf8').replace('{,', '{'));
  expect(obrank('check', mod).lines).toEqual([expect.stringMatching(/salt_crust\.json:4:\d+ error traits\/grade-out-of-reach salt_crust asks for grade 9, but the tool ladder has 3 grades \(0 to 2\)\.$/)]);
  const json = JSON.parse(obrank('check', mod, '--format', 'json').stdout) as { tally: object; findings: { rule: string }[] };
  expect(json.tally).toEqual({ error: 1, warning: 0, hint: 0 });
  expect(obrank('build', mod, '--out', path.join(folder, 'never'))).toMatchObject({ status: 1, lines: [] });
});

test('a pack that was edited by hand is told so, with a near miss', () => {
  const pack = path.join(folder, 'edited');
  expect(obrank('build', 'demo/saltmarsh', '--out', pack).status).toBe(0);
  const look = path.join(pack, 'view/looks/tide_lantern.json');
  writeFileSync(look, readFileSync(look, 'utf8').replace('saltmarsh:lantern/dark', 'saltmarsh:lantern/drak'));
  const { status, lines } = obrank('check', pack);
  expect(status).toBe(1);
  expect(lines).toEqual([
    expect.stringMatching(/tide_lantern\.json:\d+:\d+ error pack\/reference-missing .*Did you mean saltmarsh:lantern\/dark\?$/),
    expect.stringMatching(/tide_lantern\.json:1:1 warning pack\/digest-differs /),
  ]);
  const again = obrank('build', 'demo/saltmarsh', '--out', pack);
  expect(again.status).toBe(2);
  expect(again.stderr).toMatch(/changed by hand.*Nothing was written/);
  expect(obrank('build', 'demo/saltmarsh', '--out', pack, '--overwrite').status).toBe(0);
});

test.each([[['check', 'no/such/place']], [['check']], [['conquer', 'x']], [['build', 'demo/saltmarsh']], [['check', 'demo/art']], [['check', 'demo/saltmarsh', '--format', 'xml']], [['serve', '--port', 'high']]])('wrong use %j exits 2 with a sentence', (args) => {
  const { status, stdout, stderr } = obrank(...args);
  expect(status).toBe(2);
  expect(stdout).toBe('');
  expect(stderr).not.toMatch(/\n\s+at /);
  expect(stderr.length).toBeGreaterThan(10);
});

test('a taken port is one clear sentence', async () => {
  const server = await new Promise<Server>((resolve) => {
    const made = createServer().listen(0, '127.0.0.1', () => resolve(made));
  });
  const { port } = server.address() as { port: number };
  const { status, stderr } = obrank('serve', '--port', String(port), '--data', path.join(folder, 'data'));
  server.close();
  expect(status).toBe(2);
  expect(stderr.trim()).toBe(`Port ${port} is taken by another program. Choose another with --port, or stop that program.`);
});

test('a data folder that another server uses is one clear sentence, and so is one that is no folder', async () => {
  const data = path.join(folder, 'shared');
  const first = await startServer({ port: 0, data });
  const second = await new Promise<{ status: number | null; stderr: string }>((resolve) => {
    const child = spawn(process.execPath, ['scripts/obrank.mjs', 'serve', '--port', '0', '--data', data], { stdio: ['ignore', 'ignore', 'pipe'] });
    let stderr = '';
    child.stderr.on('data', (text: Buffer) => { stderr += text.toString(); });
    child.once('exit', (status) => resolve({ status, stderr }));
  });
  await first.close();
  expect(second).toEqual({ status: 2, stderr: `The data folder ${data} is in use by another Obrank. Stop that one, or choose another folder with --data.\n` });
  const file = path.join(folder, 'a-file');
  writeFileSync(file, '');
  expect(obrank('serve', '--port', '0', '--data', file)).toMatchObject({ status: 2, stderr: expect.stringMatching(/cannot be opened/) });
});

test('help exits 0', () => expect(obrank('--help').status).toBe(0));
