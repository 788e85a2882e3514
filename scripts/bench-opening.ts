/**
 * Opens a mod of 2,000 blocks in Chromium for the very first time, with nothing kept from before,
 * and tells the longest task of the page until it is drawn (Long Tasks, W3C).
 */
import type { Browser } from '@playwright/test';
import { writeZip } from '../core/bytes/index.ts';
import { writeModFolder } from '../core/folder/index.ts';
import { moveToNamespace } from '../core/take-over/index.ts';
import { bigMod } from './big-mod.ts';
import type { Line } from './figures.ts';
import { longestTask, watchTasksFromStart } from './long-tasks.ts';
import { withApplication } from './with-application.ts';

const namespace = 'largemarsh';
const openings = 5;

export async function benchOpening(line: Line): Promise<void> {
  await withApplication(async (address, browser) => {
    const { mod, blobs } = bigMod(2000);
    const moved = moveToNamespace(mod, namespace);
    const zip = writeZip(writeModFolder(moved, (sha256) => blobs.get(sha256)!));
    const answer = await fetch(`${address}/api/mods/folder`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/zip' },
      body: new Uint8Array(zip),
    });
    if (!answer.ok) throw new Error(`the mod was refused: ${await answer.text()}`);
    const longest: number[] = [];
    for (let i = 0; i < openings; i += 1)
      longest.push(await openedFirst(browser, `${address}/m/${namespace}/blocks`));
    longest.sort((a, b) => a - b);
    line(
      'opening.longest-task',
      'first opening of 2,000 blocks: longest task',
      `${longest[openings >> 1]?.toFixed(0)} ms`,
      `from ${longest[0]?.toFixed(0)} to ${longest.at(-1)?.toFixed(0)} ms in ${openings} openings`,
    );
  });
}

/** The longest task, in milliseconds, of a page that nobody has opened before; 0 where none is long. */
async function openedFirst(browser: Browser, address: string): Promise<number> {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  await watchTasksFromStart(page);
  await page.goto(address);
  await page.getByText('Bank 12', { exact: true }).waitFor();
  await page.waitForTimeout(2000);
  const longest = await longestTask(page);
  await context.close();
  return longest;
}
