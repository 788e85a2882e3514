/**
 * Takes one picture of each main view from the demo data, into docs/screenshots. Run it after a
 * view has changed.
 */
import { execFileSync } from 'node:child_process';
import { mkdirSync, mkdtempSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import type { Browser, Page } from '@playwright/test';
import { brokenPack, changedPack, onDisk } from '../e2e/testing/broken-pack.ts';
import { withApplication } from './with-application.ts';

/** Opens a place, does something there, and takes its picture once everything has been drawn. */
async function shotOf(
  address: string,
  browser: Browser,
  name: string,
  place: string,
  scheme: 'light' | 'dark',
  act: (page: Page) => Promise<void> = () => Promise.resolve(),
): Promise<void> {
  const page = await browser.newPage({
    viewport: { width: 1280, height: 800 },
    colorScheme: scheme,
  });
  await page.addInitScript(() =>
    window.localStorage.setItem('obrank.first-visit', '{"isOver":true}'),
  );
  await page.goto(`${address}/m/saltmarsh/${place}`);
  await page.waitForLoadState('networkidle').catch(() => undefined);
  await act(page);
  await page.waitForTimeout(1500);
  mkdirSync('docs/screenshots', { recursive: true });
  await page.screenshot({ path: `docs/screenshots/${name}.png` });
  await page.close();
}

/** Keys count once the bench is drawn, which may be after the last file has come. */
async function openMatrix(page: Page): Promise<void> {
  await page.getByRole('group', { name: 'Stage' }).waitFor();
  await page.keyboard.press('m');
  await page.getByRole('gridcell', { selected: true }).waitFor();
}

await withApplication(async (address, browser) => {
  const shot = (
    name: string,
    place: string,
    scheme: 'light' | 'dark',
    act?: (page: Page) => Promise<void>,
  ) => shotOf(address, browser, name, place, scheme, act);
  await shot('blocks', 'blocks', 'light');
  await shot('bench-traits', 'blocks/tide_lantern/traits', 'light');
  await shot('bench-night', 'blocks/tide_lantern/looks', 'dark', async (page) => {
    await page.getByText('Night', { exact: true }).click();
    await page.getByRole('button', { name: 'Light' }).click();
  });
  await shot('bench-matrix', 'blocks/sluice_gate/looks?state=4', 'light', async (page) => {
    await openMatrix(page);
    await page.keyboard.press('Shift+ArrowRight');
    await page.keyboard.press('Shift+ArrowDown');
  });
  await shot('bench-placing', 'blocks/tide_lantern/states', 'light', async (page) => {
    await page
      .getByRole('region', { name: 'States' })
      .getByText('Placing', { exact: true })
      .click();
    await page
      .getByRole('group', { name: /Click the side/ })
      .getByRole('button', { name: /^west/ })
      .click();
  });
  await shot('desk-boxes', 'models/drying_rack/boxes', 'light', async (page) => {
    await page.getByRole('button', { name: /^leg front 2×/ }).click();
  });
  await shot('texture-making', 'textures/seam%2Febbite/make', 'dark', async (page) => {
    await page.getByRole('button', { name: 'Ore in a rock' }).click();
    const below = page.getByLabel('Over the picture').first();
    await below.fill('oyster_tile');
    await below.press('Enter');
    await page.getByRole('slider', { name: 'In a vein' }).press('End');
    await page.getByRole('button', { name: 'Make it so' }).and(page.locator(':enabled')).waitFor();
  });
  await shot('texture-desk', 'textures/oyster_tile?block=oyster_tile', 'light', async (page) => {
    await page.getByRole('radio', { name: 'Draw' }).click();
    await page.getByRole('button', { name: 'Left as right' }).click();
    const tones = page.getByRole('group', { name: 'Tones of the picture' });
    await tones.getByRole('button').nth(1).click();
    await page.getByRole('application').hover({ position: { x: 90, y: 200 } });
  });
  const packs = mkdtempSync(path.join(os.tmpdir(), 'obrank-shots-'));
  const changed = onDisk(packs, await changedPack());
  await shot('take-over', 'inspection/pack', 'light', async (page) => {
    await page.getByLabel('Or where it lies').fill(changed);
    await page.getByRole('button', { name: 'Open', exact: true }).click();
    await page.getByRole('button', { name: 'Take over…' }).click();
    await page.getByText('Blocks into Saltmarsh').click();
    await page.getByLabel('Tide lantern', { exact: true }).check();
    await page.getByRole('button', { name: 'Take over 1 block' }).waitFor();
  });
  const pack = onDisk(packs, await brokenPack());
  await shot('pack', 'inspection/pack', 'light', async (page) => {
    await page.getByLabel('Or where it lies').fill(pack);
    await page.getByRole('button', { name: 'Open', exact: true }).click();
    await page.getByText('1 of 3 findings').waitFor();
    await page.keyboard.press('p');
    await page.getByText('mended', { exact: true }).waitFor();
  });
  await shot('data-traits', 'data/traits', 'light', async (page) => {
    for (const name of [/Salt crust/, /Tide lantern/, /Reed thatch/])
      await page.getByRole('row', { name }).click();
  });
  await shot('bench-loot', 'blocks/brack_seam/loot', 'light', async (page) => {
    await page.getByRole('grid', { name: 'What would drop' }).focus();
    for (const key of ['ArrowDown', 'Shift+ArrowDown']) await page.keyboard.press(key);
  });
  await shot('data-recipes', 'data/recipes/tide_lantern', 'light', async (page) => {
    await page.locator('#slot-5').click();
  });
  await shot('bench-files', 'blocks/tide_lantern/traits', 'light', async (page) => {
    await page.getByText('Day', { exact: true }).click();
    await page.getByLabel('Hardness', { exact: true }).fill('4.5');
    await page.getByRole('button', { name: /files/ }).click();
  });
  await shot('inspection', 'blocks/tide_lantern/looks', 'light', async (page) => {
    await page.getByLabel('Remove row 8').click();
    await page.getByRole('link', { name: 'Tags' }).click();
    await page
      .getByRole('region', { name: 'Tags' })
      .locator('.mantine-Pill-root')
      .first()
      .getByRole('button', { includeHidden: true })
      .click();
    await page
      .getByRole('link', { name: /Inspection/ })
      .filter({ hasText: '2' })
      .click();
  });
  await shot('build', 'build', 'light', async (page) => {
    await page.getByLabel(/Folder on this machine/).fill('/tmp/saltmarsh-pack');
    await page
      .getByText(/\d+ new/)
      .first()
      .waitFor();
  });
  await shot('verdict', 'build/engine', 'dark', async (page) => {
    await page.getByRole('button', { name: 'Ask the engine' }).click();
    await page.getByText('Agrees').waitFor({ timeout: 300_000 });
  });
  await shot('sheet', 'blocks/tide_lantern/looks?state=3', 'light', async (page) => {
    await openMatrix(page);
    await page.keyboard.press('Shift+ArrowDown');
    await page.keyboard.press('Enter');
    await page.locator('input:focus').waitFor();
    await page.keyboard.type('lantern/hanging_lit');
    await page.getByRole('option', { name: 'saltmarsh:lantern/hanging_lit' }).click();
    await page.getByRole('link', { name: 'Contact sheet' }).click();
    await page.getByText('the last build', { exact: true }).click();
  });
});

// The real engine's own picture of the same mod.
execFileSync(
  process.execPath,
  [
    'scripts/obrank.mjs',
    'try',
    'demo/saltmarsh',
    '--engine',
    '--picture',
    'docs/screenshots/engine-gallery.png',
    '--overwrite',
  ],
  { stdio: 'inherit' },
);
