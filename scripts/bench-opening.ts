/**
 * Opens a mod of 2,000 blocks in Chromium for the very first time, with nothing kept from before,
 * and tells the longest task of the page until it is drawn (Long Tasks, W3C).
 */
import type { Browser } from '@playwright/test';
import type { Line } from './figures.ts';
import { longestTask, watchTasksFromStart } from './long-tasks.ts';
import { bringLargeMarsh } from './large-marsh.ts';
import { withApplication } from './with-application.ts';

const openings = 5;

export async function benchOpening(line: Line): Promise<void> {
  await withApplication(async (address, browser) => {
    const namespace = await bringLargeMarsh(address);
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
