import { afterEach, beforeEach, expect, test } from '@jest/globals';
import { execFileSync } from 'node:child_process';
import {
  cpSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  realpathSync,
  rmSync,
} from 'node:fs';
import { readdirSync, renameSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import type { FolderAnswer } from '../../core/api/index.ts';
import { startServer, type RunningServer } from '../serve.ts';

let root: string;
let folder: string;
const running: RunningServer[] = [];
beforeEach(() => {
  root = realpathSync(mkdtempSync(path.join(os.tmpdir(), 'obrank-links-')));
  folder = path.join(root, 'saltmarsh');
  cpSync('demo/saltmarsh', folder, { recursive: true });
});
afterEach(async () => {
  for (const server of running.splice(0)) await server.close();
  rmSync(root, { recursive: true, force: true });
});

const lantern = 'blocks/tide_lantern.json';
const textOf = (file: string) => readFileSync(path.join(folder, file), 'utf8');
const write = (file: string, text: string) => writeFileSync(path.join(folder, file), text);

/** A server with a data folder of its own. */
async function start(data: string, options: { folder?: string; demo?: string } = {}) {
  const server = await startServer({ port: 0, data: path.join(root, data), ...options });
  running.push(server);
  // eslint-disable-next-line @typescript-eslint/no-unnecessary-type-parameters -- the test says what it asked for
  const ask = async <T>(method: string, at: string, body?: unknown, revision?: number) => {
    const response = await fetch(`${server.address}/api/mods${at}`, {
      method,
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
      headers: {
        'Content-Type': 'application/json',
        ...(revision === undefined ? {} : { 'If-Match': `"${revision}"` }),
      },
    });
    return { status: response.status, body: (await response.json()) as T };
  };
  const mod = async () => (await ask<Held>('GET', '/saltmarsh')).body;
  return {
    close: server.close,
    opened: server.mod,
    ask,
    mod,
    state: async () => (await ask<FolderAnswer>('GET', '/saltmarsh/folder')).body,
    /** Sets the hardness of the lantern, as a page does. */
    harden: async (after: number) => {
      const { mod: held, revision } = await mod();
      const before = held.blocks['tide_lantern']!.traits.hardness;
      const changes = [{ path: '/blocks/tide_lantern/traits/hardness', before, after }];
      return ask('POST', '/saltmarsh/edits', { label: 'Harder', changes }, revision);
    },
  };
}
interface Held {
  revision: number;
  undo?: string;
  mod: { blocks: Record<string, { traits: { hardness?: number } }> };
}

/** Asks again until the answer is the one that is waited for; the test's own limit ends it. */
async function until(holds: () => Promise<boolean> | boolean): Promise<void> {
  while (!(await holds())) await new Promise((resolve) => setTimeout(resolve, 20));
}

test('a folder is opened, and both sides follow each other', async () => {
  const server = await start('data', { folder, demo: 'demo/saltmarsh' });
  expect(server.opened).toBe('saltmarsh');
  expect(await server.state()).toEqual({ folder, unread: [], clashes: [] });
  const before = textOf(lantern);
  await server.harden(7.5);
  await until(() => textOf(lantern) !== before);
  const lines = [before, textOf(lantern)].map((text) => text.split('\n'));
  expect(lines[1]!.filter((line, i) => line !== lines[0]![i])).toEqual(['    "hardness": 7.5,']);
  expect(readdirSync(path.join(folder, 'blocks')).filter((name) => name.startsWith('.'))).toEqual(
    [],
  );
  write(lantern, before);
  await until(async () => (await server.mod()).undo === 'From the folder: tide_lantern.json');
  const undone = (await server.mod()).revision;
  await server.ask('POST', '/saltmarsh/undo', {}, undone);
  await until(() => textOf(lantern).includes('"hardness": 7.5'));
  const { taken, given } = await server.state();
  expect([taken?.label, given?.label]).toEqual([
    'From the folder: tide_lantern.json',
    'tide_lantern.json',
  ]);
});

test('what changed while the program was away is found when it starts', async () => {
  const server = await start('data', { folder });
  await server.close();
  running.pop();
  const text = textOf(lantern);
  write(lantern, text.replace(/"hardness": [\d.]+/, '"hardness": 6'));
  const again = await start('data');
  expect((await again.mod()).mod.blocks['tide_lantern']!.traits.hardness).toBe(6);
  expect((await again.state()).folder).toBe(folder);
});

test('under version control: commit, edit by hand, check out, and undo that in the page', async () => {
  const git = (...args: string[]) =>
    execFileSync('git', ['-c', 'user.name=ada', '-c', 'user.email=ada@example.org', ...args], {
      cwd: folder,
      encoding: 'utf8',
    });
  git('init', '-q', '-b', 'main');
  git('add', '.');
  git('commit', '-qm', 'Begin');
  const server = await start('data', { folder });
  expect(git('status', '--porcelain')).toBe('');
  const hardness = async () => (await server.mod()).mod.blocks['tide_lantern']!.traits.hardness;
  const first = await hardness();

  await server.harden(4.25);
  await until(() => git('status', '--porcelain') === ` M ${lantern}\n`);
  expect(git('diff', '--numstat')).toBe(`1\t1\t${lantern}\n`);
  git('commit', '-qam', 'Harder, in the page');

  write(lantern, textOf(lantern).replace('"hardness": 4.25', '"hardness": 5'));
  await until(async () => (await hardness()) === 5);
  expect(git('diff', '--numstat')).toBe(`1\t1\t${lantern}\n`);
  git('commit', '-qam', 'Harder still, by hand');

  git('checkout', '-q', 'HEAD~2');
  await until(async () => (await hardness()) === first);
  const { revision, undo } = await server.mod();
  expect(undo).toBe('From the folder: tide_lantern.json');
  expect(git('status', '--porcelain')).toBe('');

  await server.ask('POST', '/saltmarsh/undo', {}, revision);
  await until(() => git('diff', '--numstat') === `1\t1\t${lantern}\n`);
  expect(git('diff', 'main', '--numstat')).toBe('');
});

test('a checkout of a thousand files is one edit', async () => {
  const server = await start('data', { folder });
  const block = textOf('blocks/salt_crust.json');
  for (let i = 0; i < 1000; i += 1) write(`blocks/crust_${i}.json`, block);
  await until(async () => Object.keys((await server.mod()).mod.blocks).length > 1000);
  expect((await server.mod()).undo).toBe('From the folder: 1,000 files');
  expect((await server.mod()).revision).toBe(1);
});

test('a ledger that is gone is written again: its numbers are not taken away', async () => {
  const server = await start('data', { folder });
  const ledger = textOf('ledger.json');
  rmSync(path.join(folder, 'ledger.json'));
  await until(() => existsSync(path.join(folder, 'ledger.json')));
  expect(JSON.parse(textOf('ledger.json'))).toEqual(JSON.parse(ledger));
  expect((await server.mod()).revision).toBe(0);
});

test('a folder that goes is told, and watched again when it is back', async () => {
  const server = await start('data', { folder });
  renameSync(folder, `${folder}-away`);
  await until(async () => (await server.state()).problem !== undefined);
  expect((await server.state()).problem).toBe(`${folder} does not exist.`);
  expect(Object.keys((await server.mod()).mod.blocks)).toHaveLength(14);
  renameSync(`${folder}-away`, folder);
  await until(async () => (await server.state()).problem === undefined);
  write(lantern, textOf(lantern).replace(/"hardness": [\d.]+/, '"hardness": 6'));
  await until(async () => (await server.mod()).mod.blocks['tide_lantern']!.traits.hardness === 6);
});

test('two servers on one folder: the second says so and leaves it alone', async () => {
  const first = await start('data', { folder });
  await expect(start('other', { folder })).rejects.toThrow('linked by another Obrank');
  const other = await start('other', { demo: 'demo/saltmarsh' });
  const refused = await other.ask<{ detail: string }>('POST', '/saltmarsh/folder', { folder });
  expect(refused).toMatchObject({ status: 409 });
  expect(refused.body.detail).toContain('linked by another Obrank');
  await first.close();
  running.shift();
  expect(await other.ask('POST', '/saltmarsh/folder', { folder })).toMatchObject({ status: 200 });
});

test('a folder that another server had is taken up once that lets go of it', async () => {
  const first = await start('data', { folder });
  await first.close();
  running.shift();
  const second = await start('other', { folder });
  const waiting = await start('data');
  expect((await waiting.state()).problem).toContain('linked by another Obrank');
  await waiting.harden(8);
  await second.close();
  running.shift();
  await until(() => textOf(lantern).includes('"hardness": 8'));
  expect((await waiting.state()).problem).toBeUndefined();
});

test('a mod is linked to an empty folder, and unlinked: both sides stay whole', async () => {
  const server = await start('data', { demo: 'demo/saltmarsh' });
  const empty = path.join(root, 'empty');
  const linked = await server.ask('POST', '/saltmarsh/folder', { folder: empty });
  expect(linked).toMatchObject({ status: 200, body: { folder: empty, unread: [] } });
  const names = (at: string) => (readdirSync(at, { recursive: true }) as string[]).sort();
  expect(names(empty)).toEqual(names('demo/saltmarsh'));
  expect(await server.ask('POST', '/saltmarsh/folder', { folder })).toMatchObject({ status: 409 });
  expect(await server.ask('DELETE', '/saltmarsh/folder')).toMatchObject({
    status: 200,
    body: { folder: null },
  });
  await server.harden(9);
  expect(readFileSync(path.join(empty, lantern), 'utf8')).not.toContain('"hardness": 9');
  // Linked again the two are brought together: what only the page holds differently is asked for.
  const differs = await server.ask<{ detail: string }>('POST', '/saltmarsh/folder', {
    folder: empty,
  });
  expect(differs.status).toBe(409);
  expect(differs.body.detail).toContain('different things in 1 file: blocks/tide_lantern.json.');
  await server.ask('POST', '/saltmarsh/folder', { folder: empty, keep: 'page' });
  expect(readFileSync(path.join(empty, lantern), 'utf8')).toContain('"hardness": 9');
});

test('what is no place for the mod is refused in a sentence', async () => {
  const server = await start('data', { demo: 'demo/saltmarsh' });
  const link = async (at: string) =>
    (await server.ask<{ detail: string }>('POST', '/saltmarsh/folder', { folder: at })).body.detail;
  mkdirSync(path.join(root, 'pictures'));
  writeFileSync(path.join(root, 'pictures/cat.png'), '');
  mkdirSync(path.join(root, 'other'));
  writeFileSync(path.join(root, 'other/mod.json'), '{ "namespace": "tidal" }');
  expect(await link('relative/path')).toMatch(/not a whole path/);
  expect(await link(path.join(root, 'none/deeper'))).toBe(`${root}/none does not exist.`);
  expect(await link(path.join(root, 'pictures'))).toMatch(/holds cat\.png and no mod\.json/);
  expect(await link(path.join(root, 'other'))).toMatch(/holds the mod tidal, not saltmarsh/);
  expect(await link(path.join(root, 'pictures/cat.png'))).toMatch(/is a file/);
  expect(existsSync(path.join(root, 'none'))).toBe(false);
  const opened = await server.ask('POST', '/open', { folder: path.join(root, 'other') });
  expect(opened).toMatchObject({ status: 422 });
  expect(await server.state()).toMatchObject({ folder: null });
});
