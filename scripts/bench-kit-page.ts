/**
 * Types into a template of a kit in Chromium, among 2,000 blocks, and tells how long after each key
 * what it writes stands there, drawn.
 */
import type { Page } from '@playwright/test';
import type { Line } from './figures.ts';
import { bringLargeMarsh } from './large-marsh.ts';
import { withApplication } from './with-application.ts';

const keys = 30;

type Watched = Window & { lags: number[] };

export async function benchKitPage(line: Line): Promise<void> {
  await withApplication(async (address, browser) => {
    const namespace = await bringLargeMarsh(address);
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(`${address}/m/${namespace}/kits`);
    await page.getByRole('button', { name: 'New kit' }).click();
    await page.getByLabel('What it is called').fill('Tidal engine');
    await page.getByRole('button', { name: 'Begin it' }).click();
    const template = page.getByRole('textbox', { name: /^Template / });
    await template.fill(
      '{"n": 0, "id": {{ block.id | json }}, "looks": {{ block.look | json }} }\n',
    );
    await page.getByLabel('What it writes').getByText('"n": 0').waitFor();
    await page.waitForTimeout(5000);
    await template.focus();
    await page.keyboard.press('Home');
    for (let i = 0; i < 6; i += 1) await page.keyboard.press('ArrowRight');
    await watchLags(page);
    for (let i = 0; i < keys; i += 1) {
      await page.keyboard.press(String(1 + (i % 9)));
      await page.waitForFunction(
        (many) => (window as unknown as Watched).lags.length >= many,
        i + 1,
      );
      await page.keyboard.press('Backspace');
      await page.waitForTimeout(150);
      await page.evaluate((many) => (window as unknown as Watched).lags.splice(many), i + 1);
    }
    const lags = await page.evaluate(() => (window as unknown as Watched).lags);
    lags.sort((a, b) => a - b);
    line(
      'kits.key-in-page',
      'a key in a template to what it writes, drawn, among 2,000 blocks',
      `${lags[keys >> 1]?.toFixed(0)} ms`,
      `median of ${keys} keys; the 95th of a hundred ${lags[Math.floor(keys * 0.95)]?.toFixed(0)} ms`,
    );
  });
}

/** Lets a page keep how long after a key its preview was other, and had been drawn. */
const watchLags = (page: Page): Promise<void> =>
  page.evaluate(() => {
    const lags: number[] = [];
    Object.assign(window, { lags });
    let pressed: number | undefined;
    window.addEventListener('keydown', ({ timeStamp }) => (pressed = timeStamp), true);
    const written = document.querySelector('[aria-label="What it writes"]');
    new MutationObserver(() => {
      const since = pressed;
      pressed = undefined;
      if (since !== undefined)
        requestAnimationFrame((drawn) => lags.push(Math.max(drawn, performance.now()) - since));
    }).observe(written!, { subtree: true, childList: true, characterData: true });
  });
