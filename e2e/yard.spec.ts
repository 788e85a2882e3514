import type { Page } from '@playwright/test';
import { writeFileSync } from 'node:fs';
import { readZip } from '../core/bytes/index.ts';
import { loadPack } from '../core/kits/index.ts';
import { Run, type Deed } from '../core/yard/index.ts';
import { randomDeeds } from '../core/yard/testing/random-deeds.ts';
import { editMod } from './testing/edit.ts';
import { expect, test } from './testing/server.ts';

/** Opens the Yard and waits until its world is there. */
async function enter(page: Page, address: string): Promise<void> {
  await page.goto(`${address}/m/saltmarsh/yard`);
  await expect(page.getByRole('region', { name: 'Log' })).toContainText('Saltmarsh');
  await expect(page.getByRole('region', { name: 'In the hand' })).toContainText('Salt crust');
  await page.getByRole('application').focus();
}

async function hold(page: Page, name: string): Promise<void> {
  await page.getByRole('application').focus();
  await page.keyboard.press('h');
  await page.getByLabel('What to hold').fill(name);
  await page.getByRole('option').first().click();
  await page.getByRole('application').focus();
}

async function scene(page: Page, name: string): Promise<void> {
  await page.getByLabel('Scene').click();
  await page.getByRole('option', { name, exact: true }).click();
  await page.getByRole('application').focus();
}

const here = (page: Page) => page.getByRole('complementary', { name: 'What is here' });
const log = (page: Page) => page.getByRole('region', { name: 'Log' });

/** Holds a key until something is so. */
async function holding(page: Page, key: string, isSo: () => Promise<void>): Promise<void> {
  await page.keyboard.down(key);
  await isSo();
  await page.keyboard.up(key);
}

test('the sluice gate on six sides, in words and by buttons, and the states that come of it', async ({
  page,
  server,
}) => {
  await enter(page, server.address);
  await page.getByRole('button', { name: 'Still' }).click();
  const words = page.getByRole('complementary', { name: 'In words' });
  await expect(words).toContainText('Before you is Driftwood door');
  // A block that stands free: on the door, which is dug away then.
  await hold(page, 'oyster tile');
  await words.getByRole('button', { name: 'Place on its side to' }).click();
  await expect(words.getByRole('status')).toHaveText('It stands at 24, 5, 18.');
  await words.getByRole('button', { name: 'Dig it' }).click();
  await words.getByRole('button', { name: 'level', exact: true }).click();
  await expect(words).toContainText('Before you is Oyster tile, at 24, 5, 18');
  await hold(page, 'sluice gate');
  for (const [side, place] of [
    ['north', '24, 5, 17'],
    ['east', '25, 5, 18'],
    ['south', '24, 5, 19'],
    ['west', '23, 5, 18'],
    ['up', '24, 6, 18'],
    ['down', '24, 4, 18'],
  ] as const) {
    await words.getByLabel('Side').click();
    await page.getByRole('option', { name: side, exact: true }).click();
    await words.getByRole('button', { name: 'Place on its side to' }).click();
    await expect(words.getByRole('status')).toContainText(`It stands at ${place}: side `);
    await expect(words.getByRole('status')).toContainText('open false');
    // What stands before the tile would be in the way of the next.
    if (side === 'south') {
      await words.getByRole('button', { name: 'Dig it' }).click();
      await expect(words).toContainText('Before you is Oyster tile');
    }
  }
});

test('thatch is dug with a sickle, falls out and is collected; a lantern lights the night', async ({
  page,
  server,
}) => {
  await enter(page, server.address);
  await scene(page, 'Bare ground');
  await expect(here(page)).toContainText('Sand');
  await hold(page, 'reed thatch');
  await page.keyboard.press('Enter');
  await expect(here(page)).toContainText('saltmarsh:reed_thatch');
  await hold(page, 'flint sickle');
  await expect(here(page)).toContainText('Digs with the flint sickle');
  await holding(page, 'x', () => expect(here(page)).toContainText('Sand'));
  await holding(page, 'w', () =>
    expect(page.getByRole('region', { name: 'Collected' })).toContainText('Reed thatch'),
  );

  // From where one came in: how far one has walked hangs on how fast the machine is.
  await page.getByRole('button', { name: 'Reset' }).click();
  await expect(page.getByRole('region', { name: 'Collected' })).toHaveCount(0);
  await hold(page, 'tide lantern');
  await page.keyboard.press('n');
  await expect(here(page)).toContainText('0 from blocks, 4 from the day');
  await page.keyboard.press('Enter');
  await expect(here(page)).toContainText('saltmarsh:tide_lantern');
  await expect(here(page)).toContainText('0 from blocks, 4 from the day');
  await page.keyboard.press('Enter');
  await expect(here(page)).toContainText('12 from blocks, 4 from the day');
  await expect(here(page)).toContainText('changed since it was placed');
  await page.keyboard.press('Enter');
  await expect(here(page)).toContainText('0 from blocks, 4 from the day');
});

test('a thousand are broken for their drops; a charge takes what is weak; the world is as one left it', async ({
  page,
  server,
}) => {
  await enter(page, server.address);
  await page.keyboard.press('m');
  await expect(here(page)).toContainText('1,000 broken');
  await page.keyboard.press('t');
  await expect(log(page)).toContainText(/The charge of 4 takes \d+ blocks\./);
  await page.getByRole('link', { name: 'Blocks' }).click();
  await page.getByRole('link', { name: 'Yard' }).click();
  await expect(log(page)).toContainText('Loaded');
  await expect(here(page)).toContainText('Collected');
  await expect(here(page)).not.toContainText('Driftwood door');
});

test('the world is kept with the mod, each scene as it was left, whatever the browser forgets', async ({
  page,
  server,
}) => {
  await enter(page, server.address);
  const kept = page.waitForResponse(
    (answer) => answer.url().endsWith('/yard/world') && answer.request().method() === 'POST',
  );
  await page.keyboard.press('t');
  await expect(log(page)).toContainText(/The charge of 4 takes \d+ blocks\./);
  await kept;
  await scene(page, 'Bare ground');
  await expect(page.getByLabel('Scene')).toHaveValue('Bare ground');
  const left = page.waitForRequest((request) => {
    const asked = request.method() === 'POST' && request.url().endsWith('/yard/world');
    return asked && request.postData()?.includes('"scene":"Ground and wall"') === true;
  });
  await scene(page, 'Ground and wall');
  await (await left).response();
  await expect(page.getByLabel('Scene')).toHaveValue('Ground and wall');
  await expect(here(page)).not.toContainText('Driftwood door');
  await page.evaluate(() => localStorage.clear());
  await page.reload();
  await enter(page, server.address);
  await expect(page.getByLabel('Scene')).toHaveValue('Ground and wall');
  await expect(here(page)).not.toContainText('Driftwood door');
  await page.getByRole('button', { name: 'Reset' }).click();
  await expect(here(page)).toContainText('Driftwood door');
  // A reset can be taken back, and that too.
  const back = page.getByRole('button', { name: 'World before' });
  await back.click();
  await expect(here(page)).not.toContainText('Driftwood door');
  await back.click();
  await expect(here(page)).toContainText('Driftwood door');
});

test('a world that cannot be kept is not left, and that is said until it is kept', async ({
  page,
  server,
}) => {
  await enter(page, server.address);
  await page.route('**/yard/world', (route) =>
    route.request().method() === 'POST' ? route.abort() : route.continue(),
  );
  await page.keyboard.press('t');
  await scene(page, 'Bare ground');
  await expect(log(page)).toContainText('The world is not kept.');
  await expect(page.getByLabel('Scene')).toHaveValue('Ground and wall');
  await page.unroute('**/yard/world');
  await expect(log(page)).not.toContainText('The world is not kept.');
  await scene(page, 'Bare ground');
  await expect(page.getByLabel('Scene')).toHaveValue('Bare ground');
});

test('a region is marked, its states stand beside what moving makes of them, and it is turned', async ({
  page,
  server,
}) => {
  await enter(page, server.address);
  await expect(here(page)).toContainText('Driftwood door');
  const region = page.getByRole('region', { name: 'Marked region' });
  await page.keyboard.press('g');
  await expect(region).toContainText('1 × 1 × 1');
  await expect(region).toContainText(/is.*heading=(\w+).*turned.*heading=(?!\1)\w+/s);
  const is = region.getByRole('definition').first();
  const before = await is.textContent();
  await region.getByRole('button', { name: 'Turn a quarter' }).click();
  await expect(is).not.toHaveText(before!);
  await region.getByRole('button', { name: 'forget' }).click();
  await expect(region).toHaveCount(0);
});

test('a pail is poured out and filled again; things are called as one wishes', async ({
  page,
  server,
}) => {
  await enter(page, server.address);
  await scene(page, 'Bare ground');
  await holding(page, 'ArrowDown', () => expect(here(page)).toContainText('obrank:'));
  await hold(page, 'pail of brine');
  const hand = page.getByRole('region', { name: 'In the hand' });
  await expect(hand).toContainText('Pail of brine');
  await page.keyboard.press('Enter');
  await expect(log(page)).toContainText('saltmarsh:pail is left');
  await expect(hand.locator('b')).toHaveText('Pail');
  await page.keyboard.press('Enter');
  await expect(log(page)).toContainText('saltmarsh:brine_pail is in the hand');
  await hold(page, 'sluice gate');
  await hand.getByLabel('Language of the names').click();
  await page.getByRole('option').nth(1).click();
  await expect(hand).not.toContainText('Sluice gate');
});

test('on every save the pack is loaded anew in place: what changed is said, what is amiss leads to its editor', async ({
  page,
  server,
}) => {
  await enter(page, server.address);
  await page.getByLabel('load on every save').check();
  await editMod(page, server.address, [
    {
      path: '/models/gate~1shut/slots/boards',
      before: 'saltmarsh:gate/boards',
      after: 'saltmarsh:gate/bords',
    },
  ]);
  await expect(log(page)).toContainText('1 of the pack');
  await log(page).getByRole('button', { name: /^all/ }).click();
  const lines = page.getByRole('dialog');
  await expect(lines).toContainText('view/models/gate/shut.json is another');
  await lines.getByRole('link', { name: /gate\/bords of the model/ }).click();
  await expect(page).toHaveURL(/blocks\/sluice_gate\/looks/);
});

test('ten thousand random deeds give the same world in Node and in the page', async ({
  page,
  server,
}, info) => {
  const answer = await fetch(`${server.address}/api/mods/saltmarsh/yard`);
  const { world } = loadPack(readZip(new Uint8Array(await answer.arrayBuffer())));
  const run = new Run(world, { scene: 'Ground and wall', seed: 11 });
  const due = new Map<number, Deed[]>();
  const deeds = randomDeeds(world, 10_000);
  for (const [tick, deed] of deeds) due.set(tick, [...(due.get(tick) ?? []), deed]);
  for (let tick = 0; tick <= deeds.at(-1)![0]; tick += 1) run.tick(due.get(tick));
  const file = info.outputPath('run.json');
  writeFileSync(file, JSON.stringify(run.recorded()));

  await enter(page, server.address);
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: 'Play a run' }).click(),
  ]);
  await chooser.setFiles(file);
  await expect(log(page)).toContainText('Played again, the same');
  await expect(log(page)).toContainText(run.digest().slice(0, 8));
});

test('from the bench a block comes to stand in the Yard, before whoever is there', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/blocks/salt_oven`);
  await expect(page.getByRole('heading', { name: 'Salt oven' })).toBeVisible();
  await page.keyboard.press('y');
  await expect(page).toHaveURL(/\/yard$/);
  await expect(page.getByRole('region', { name: 'In the hand' })).toContainText('Salt oven');
  await page.getByRole('button', { name: 'Still' }).click();
  await expect(page.getByRole('complementary', { name: 'In words' })).toContainText(
    /Salt oven|It stands at/,
  );
});

test('the scene looks as it did: every state, from where one comes in', async ({
  page,
  server,
}) => {
  await enter(page, server.address);
  await scene(page, 'Every state');
  await page.keyboard.press(' ');
  await expect(page.getByRole('region', { name: 'The day' })).toContainText('stopped');
  // The world alone, without what lies over it.
  await page.addStyleTag({ content: '[role="application"] ~ * { visibility: hidden }' });
  await page.getByRole('application').blur();
  await expect(page.getByRole('application').locator('canvas')).toHaveScreenshot(
    'every-state.png',
    {
      maxDiffPixelRatio: 0.02,
    },
  );
});
