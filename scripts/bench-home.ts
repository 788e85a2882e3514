/**
 * A mod of 2,000 blocks that lives in a folder: how long linking takes beside reading the same
 * bytes, when a file that is changed by hand is on the page, and how many files an edit writes. And
 * a history of 20,000 edits: the database, and an edit, at the start and at the end.
 */
import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, statSync } from 'node:fs';
import { writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import type { Page } from '@playwright/test';
import { readModFolder, writeModFolder } from '../core/folder/index.ts';
import { sampleMod } from '../core/inspect/sample.ts';
import { moveToNamespace } from '../core/take-over/index.ts';
import { readTree } from '../disk/index.ts';
import { Links } from '../server/linked/links.ts';
import { openDatabase } from '../server/store/database.ts';
import { History } from '../server/store/history.ts';
import { Store } from '../server/store/store.ts';
import { bigMod } from './big-mod.ts';
import type { Line } from './figures.ts';
import { withApplication } from './with-application.ts';

const namespace = 'largemarsh';
const block = 'bank_0012';
const rounds = 5;

export async function benchHome(line: Line): Promise<void> {
  const root = mkdtempSync(path.join(os.tmpdir(), 'obrank-bench-home-'));
  const folder = path.join(root, 'mod');
  const { mod, blobs } = bigMod(2000);
  const moved = moveToNamespace(mod, namespace);
  for (const [file, bytes] of writeModFolder(moved, (sha256) => blobs.get(sha256)!)) {
    mkdirSync(path.dirname(path.join(folder, file)), { recursive: true });
    writeFileSync(path.join(folder, file), bytes);
  }
  await benchLinking(root, folder, line);
  await benchFollowing(folder, line);
  rmSync(root, { recursive: true, force: true });
  await benchHistory(line);
}

async function benchLinking(root: string, folder: string, line: Line): Promise<void> {
  const reading: number[] = [];
  const parsing: number[] = [];
  const linking: number[] = [];
  for (let run = 0; run < rounds; run += 1) {
    reading.push(await timed(() => readTree(folder)));
    parsing.push(await timed(async () => readModFolder((await readTree(folder)).files)));
    const store = new Store(await openDatabase(path.join(root, `data-${run}`)));
    const { mod, blobs } = readModFolder((await readTree(folder)).files);
    await store.addMod(mod, blobs);
    const links = new Links(store, console);
    linking.push(await timed(() => links.link(namespace, folder)));
    await links.end();
    await store.close();
  }
  const [read, parse, link] = [reading, parsing, linking].map(median);
  line(
    'home.link-to-parse',
    'link 2,000 blocks ÷ read and understand the same files',
    (link! / parse!).toFixed(2),
    `${link!.toFixed(0)} ms ÷ ${parse!.toFixed(0)} ms; the bytes alone ${read!.toFixed(0)} ms`,
  );
}

async function benchFollowing(folder: string, line: Line): Promise<void> {
  await withApplication(async (address, browser) => {
    const opened = await fetch(`${address}/api/mods/open`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ folder }),
    });
    if (!opened.ok) throw new Error(`the folder was refused: ${await opened.text()}`);
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    const page = await context.newPage();
    await page.goto(`${address}/m/${namespace}/blocks/${block}/traits`);
    await page.getByLabel('Hardness', { exact: true }).waitFor();
    const seen: number[] = [];
    for (let run = 0; run < rounds * 2 + 1; run += 1) seen.push(await followed(page, folder, run));
    seen.sort((a, b) => a - b);
    line(
      'home.by-hand',
      'a file changed by hand, until it is on the page (2,000 blocks)',
      `${median(seen).toFixed(0)} ms`,
      `from ${seen[0]?.toFixed(0)} to ${seen.at(-1)?.toFixed(0)} ms`,
    );
    const before = changedTimes(folder);
    await page.getByLabel('Hardness', { exact: true }).fill('77');
    const into = await timed(async () => {
      await page.keyboard.press('Enter');
      await untilHolds(() => textOf(folder).includes('77'));
    });
    line(
      'home.into-folder',
      'an edit in the page, until it stands in the folder',
      `${into.toFixed(0)} ms`,
    );
    const after = changedTimes(folder);
    const written = [...after].filter(([file, time]) => before.get(file) !== time);
    line(
      'home.files-written',
      'files that one edit in the page writes',
      String(written.length),
      '',
    );
    await context.close();
  });
}

const fileIn = (folder: string): string => path.join(folder, 'blocks', `${block}.json`);
const textOf = (folder: string): string => readFileSync(fileIn(folder), 'utf8');

/** How long it takes until the page shows what was typed into the file, in milliseconds. */
async function followed(page: Page, folder: string, run: number): Promise<number> {
  const value = 20 + run;
  const seen = page.evaluate(
    (wanted) =>
      new Promise<number>((resolve) => {
        const look = () => {
          const fields = [...document.querySelectorAll('input')];
          if (fields.some((field) => field.value === wanted)) resolve(Date.now());
          else requestAnimationFrame(look);
        };
        look();
      }),
    String(value),
  );
  const { traits, ...rest } = JSON.parse(textOf(folder)) as { traits: object };
  const began = Date.now();
  writeFileSync(
    fileIn(folder),
    JSON.stringify({ ...rest, traits: { ...traits, hardness: value } }),
  );
  return (await seen) - began;
}

const changedTimes = (folder: string): Map<string, number> =>
  new Map(
    (readdirSync(folder, { recursive: true }) as string[])
      .map((file) => [file, statSync(path.join(folder, file))] as const)
      .filter(([, found]) => found.isFile())
      .map(([file, found]) => [file, found.mtimeMs]),
  );

async function untilHolds(holds: () => boolean): Promise<void> {
  while (!holds()) await new Promise((resolve) => setTimeout(resolve, 10));
}

const median = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[values.length >> 1] ?? NaN;

async function timed(work: () => Promise<unknown>): Promise<number> {
  const began = performance.now();
  await work();
  return performance.now() - began;
}

const edits = 20_000;
const sample = 500;

async function benchHistory(line: Line): Promise<void> {
  const data = mkdtempSync(path.join(os.tmpdir(), 'obrank-bench-history-'));
  const store = new Store(await openDatabase(data));
  await store.addMod({ ...sampleMod(), textures: {} }, new Map());
  const stop = new History(store).follow(console);
  const times: number[] = [];
  const sizes: number[] = [];
  for (let i = 0; i < edits; i += 1) {
    times.push(await timed(() => editOnce(store, i)));
    if (i === sample || i === edits / 2 || i === edits - 1) sizes.push(sizeOf(data));
  }
  stop();
  const [first, last] = [times.slice(0, sample), times.slice(-sample)].map(median);
  line(
    'history.edit-ratio',
    '20,000 edits: an edit at the end ÷ at the start',
    (last! / first!).toFixed(2),
    `${last!.toFixed(2)} ms ÷ ${first!.toFixed(2)} ms; the longest ${Math.max(...times).toFixed(0)} ms`,
  );
  line(
    'history.size',
    'size of the database after 500, 10,000 and 20,000 edits',
    sizes.map((bytes) => `${(bytes / 1048576).toFixed(1)} MB`).join(', '),
    '',
  );
  await store.close();
  rmSync(data, { recursive: true, force: true });
}

async function editOnce(store: Store, i: number): Promise<void> {
  const { mod, revision } = await store.mod('saltmarsh');
  const before = mod.blocks['bank']!.traits.hardness;
  const changes = [{ path: '/blocks/bank/traits/hardness', before, after: (i % 900) + 1 }];
  await store.edit('saltmarsh', revision, 'a bench', { label: `Edit ${i}`, changes });
}

const sizeOf = (folder: string): number =>
  readdirSync(folder).reduce((sum, file) => sum + statSync(path.join(folder, file)).size, 0);
