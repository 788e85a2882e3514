/**
 * Takes one picture of each main view from the demo data, into docs/screenshots. Run it after a
 * view has changed.
 */
import { execFileSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import type { Browser, Page } from '@playwright/test';
import { brokenPack, onDisk } from '../e2e/testing/broken-pack.ts';
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

/** A lantern by night, with the light on everything as numbers. */
async function showYard(page: Page): Promise<void> {
  const world = page.getByRole('application');
  const here = page.getByRole('complementary', { name: 'What is here' });
  await here.getByText('Driftwood door').first().waitFor();
  await world.focus();
  await page.keyboard.press('n');
  await page.keyboard.press('h');
  await page.getByLabel('What to hold').fill('tide lantern');
  await page.getByRole('option').first().click();
  await world.focus();
  await page.keyboard.down('s');
  await here.getByText('Sand').first().waitFor();
  await page.keyboard.up('s');
  await page.keyboard.press('Enter');
  await here.getByText('hung').waitFor();
  await page.keyboard.press('Enter');
  await here.getByText('changed since it was placed').waitFor();
  await page.keyboard.press('l');
}

/** A mod that lives in a folder, with a little history from both sides. */
async function showHome(page: Page): Promise<void> {
  const folder = path.join(os.tmpdir(), 'saltmarsh');
  rmSync(folder, { recursive: true, force: true });
  await page.getByRole('textbox', { name: 'Folder', exact: true }).fill(folder);
  await page.getByRole('button', { name: 'Live in this folder' }).click();
  await page.getByText('Both sides are alike.').waitFor();
  const history = page.getByRole('region', { name: 'History' });
  for (const block of ['tide_lantern', 'drying_rack']) {
    const file = path.join(folder, 'blocks', `${block}.json`);
    const { traits, ...rest } = JSON.parse(readFileSync(file, 'utf8')) as { traits: object };
    const harder = { ...rest, traits: { ...traits, hardness: 6 } };
    writeFileSync(file, `${JSON.stringify(harder, null, 2)}\n`);
    await history.getByText(`From the folder: ${block}.json`).waitFor();
  }
  await page
    .getByLabel('Description')
    .fill('Salt pans, sluices and lanterns for a coast that floods twice a day.');
  await page.getByRole('button', { name: 'Next minor' }).click();
  await history.getByText('Make it version 0.4.0').hover();
  await history.getByRole('button', { name: 'Name', exact: true }).first().click();
  await page.getByLabel('Name of this point').fill('before the gate is redrawn');
  await page.getByRole('button', { name: 'Name it' }).click();
  await history.getByText('before the gate is redrawn').waitFor();
  await page.mouse.move(2, 400);
  await page.evaluate(() => window.scrollTo(0, 0));
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
  const pack = onDisk(packs, await brokenPack());
  await shot('pack', 'inspection/pack', 'light', async (page) => {
    await page.getByLabel('Or where it lies').fill(pack);
    await page.getByRole('button', { name: 'Open', exact: true }).click();
    await page.getByText('1 of 3 findings').waitFor();
    await page.keyboard.press('p');
    await page.getByText('mended', { exact: true }).waitFor();
  });
  await shot('yard', 'yard', 'light', showYard);
  await shot('bench-loot', 'blocks/brack_seam/loot', 'light', async (page) => {
    await page.getByRole('grid', { name: 'What would drop' }).focus();
    for (const key of ['ArrowDown', 'Shift+ArrowDown']) await page.keyboard.press(key);
  });
  await shot('families', 'families/metals?material=ebbite', 'light', async (page) => {
    await page.getByRole('gridcell').last().waitFor();
  });
  await shot('fluids', 'fluids/brine', 'light', async (page) => {
    await page.locator('canvas[data-rest=true]').waitFor();
  });
  await shot('bench-reactions', 'blocks/sluice_lever/reactions', 'light', async (page) => {
    const scene = page.getByRole('group', { name: 'What happens if' });
    await scene.getByRole('button', { name: /^to its east: / }).click();
    await scene.getByLabel('What stands to its east').fill('Sluice gate');
    await page.keyboard.press('Enter');
    await scene.getByRole('button', { name: /^the block itself/ }).click();
    await scene.getByRole('button', { name: 'Use', exact: true }).click();
    await scene.getByRole('button', { name: 'Until nothing is to come' }).click();
    await scene.getByRole('list', { name: 'What came of it' }).scrollIntoViewIfNeeded();
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
  await shot('home', 'home', 'light', showHome);
  await shot('kits', 'kits', 'light', async (page) => {
    await page.getByRole('button', { name: 'New kit' }).click();
    await page.getByLabel('What it is called').fill('Lock Gate');
    await page.getByRole('radio', { name: /^Lock Gate/ }).click();
    await page.getByRole('button', { name: 'Begin it' }).click();
    await page.getByRole('button', { name: /Blocks.*each block/ }).click();
    await page.getByLabel('Shown for').click();
    await page.getByRole('option', { name: 'tide_lantern' }).click();
    await page.getByLabel('What it writes').getByText('c8923a').hover();
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
