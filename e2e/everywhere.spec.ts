import type { Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { byPalette } from './testing/by-keys.ts';
import { expect, saved, test } from './testing/server.ts';

test('keys and the palette lead everywhere', async ({ page, server }) => {
  await page.goto(`${server.address}/m/saltmarsh/blocks/tide_lantern/traits`);
  await expect(page.getByText('Every rule passes for this block.')).toBeVisible();
  await page.keyboard.press(']');
  await expect(page).toHaveURL(/tide_lantern\/states/);
  await page.keyboard.press('[');
  await page.keyboard.press('.');
  await expect(page).toHaveURL(/state=\d+/);
  await page.keyboard.press('ArrowDown');
  await expect(page).toHaveURL(/driftwood_chair\/traits/);
  await page.keyboard.press('f');
  await expect(page.getByLabel('Files of the block')).toBeVisible();
  await page.keyboard.press('f');
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  await page.keyboard.press('Escape');
  await page.keyboard.press('Control+k');
  await page.getByPlaceholder('Go to or do…').fill('salt crust');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/salt_crust/);
  await page.keyboard.press('Control+k');
  await page.getByPlaceholder('Go to or do…').fill('night');
  await page.keyboard.press('Enter');
  await expect(page.locator('html')).toHaveAttribute('data-mantine-color-scheme', 'dark');
});

test('the same mistake in two blocks is fixed at once', async ({ page, server }) => {
  const address = `${server.address}/m/saltmarsh`;
  for (const block of ['reed_thatch', 'tide_lantern']) {
    await page.goto(`${address}/blocks/${block}/tags`);
    const pills = page.getByRole('region', { name: 'Tags' }).locator('.mantine-Pill-root');
    await expect(pills.filter({ hasText: '_dug' })).toHaveCount(1);
    await pills.filter({ hasText: '_dug' }).getByRole('button', { includeHidden: true }).click();
    await expect(page.getByText(/is not in the tag/)).toBeVisible();
    await saved(page);
  }
  await page.getByRole('link', { name: /Inspection/ }).click();
  await page.getByRole('button', { name: 'Fix all 2' }).waitFor();
  await page.keyboard.press('n');
  await expect(page.locator('[data-finding]').first()).toBeFocused();
  await page.keyboard.press('n');
  await expect(page.locator('[data-finding]').nth(1)).toBeFocused();
  await page.keyboard.press('a');
  await expect(page.getByRole('heading', { name: 'Nothing wrong' })).toBeVisible();

  // The report holds what the page shows.
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save the report' }).click();
  const report = JSON.parse(readFileSync(await (await download).path(), 'utf8')) as {
    of: string;
    tally: { error: number };
    findings: { rule: string }[];
  };
  expect(report).toMatchObject({ of: 'saltmarsh', tally: { error: 0 }, findings: [] });
});

const everyPlace = [
  'blocks',
  'blocks/tide_lantern/reactions',
  'fluids/brine',
  'fluids/brine?station=does',
  'fluids/brine?station=looks',
  'fluids/brine?station=world',
  'families/metals',
  'families/metals?material=ebbite',
  'families/oyster?form=stair',
  'families/metals?material=ebbite&form=bar',
  'library',
  'data/traits',
  'data/traits?compare=salt_crust,stock/glass',
  'data/tools',
  'data/items/brack_spade',
  'data/loot/seam_finds',
  'data/tags?tag=saltmarsh:pick_dug',
  'data/tags?of=items',
  'data/recipes/tide_lantern',
  'data/recipes/brack_bar',
  'data/groups',
  'data/texts',
  'data/registry',
  'inspection',
  'inspection/pack',
  'build',
  'sheet',
  'sheet?block=tide_lantern',
  ...['identity', 'traits', 'states', 'looks', 'textures', 'loot', 'tags', 'names', 'registry'].map(
    (facet) => `blocks/tide_lantern/${facet}`,
  ),
];

/** Goes to another place as a link does, and gives what is wrong with it as it is laid out. */
function wrongAt(page: Page, address: string): Promise<{ wide: boolean; nameless: string[] }> {
  return page.evaluate(async (to) => {
    history.pushState(null, '', to);
    dispatchEvent(new PopStateEvent('popstate'));
    // Where the place is fetched first, its heading comes with it.
    while (!document.querySelector('main :is(h1, h2)')) await new Promise(requestAnimationFrame);
    const isNameless = (control: HTMLElement) =>
      !control.hidden &&
      control.checkVisibility() &&
      control.getAttribute('type') !== 'hidden' &&
      (control as HTMLInputElement).type !== 'file' &&
      !(
        control.getAttribute('aria-label') ??
        control.getAttribute('title') ??
        control.textContent.trim()
      ) &&
      !control.getAttribute('aria-hidden') &&
      control.tabIndex !== -1 &&
      !(control as HTMLInputElement).labels?.length &&
      !control.getAttribute('placeholder');
    const controls = [...document.querySelectorAll<HTMLElement>('button, input, select, a')];
    return {
      wide: document.documentElement.scrollWidth > document.documentElement.clientWidth,
      nameless: controls.filter(isNameless).map((control) => control.outerHTML.slice(0, 160)),
    };
  }, address);
}

for (const [hour, scheme] of [
  ['day', 'light'],
  ['night', 'dark'],
] as const)
  test(`nothing scrolls sideways at 1280 × 800, and every control has a name, by ${hour}`, async ({
    page,
    server,
  }) => {
    await page.emulateMedia({ colorScheme: scheme });
    await page.goto(`${server.address}/m/saltmarsh/blocks`);
    await expect(page.locator('main h1')).toBeVisible();
    for (const place of everyPlace)
      expect({ place, ...(await wrongAt(page, `/m/saltmarsh/${place}`)) }).toEqual({
        place,
        wide: false,
        nameless: [],
      });
  });

test('a mod begins empty and teaches; an address that leads nowhere says so', async ({
  page,
  server,
}) => {
  await page.goto(server.address);
  await page.getByRole('button', { name: /Change mod/ }).click();
  await page.getByRole('menuitem', { name: 'New mod…' }).click();
  await page.getByLabel('Title').fill('Eel creek');
  await page.getByRole('button', { name: 'Begin the mod' }).click();
  await expect(page.getByRole('heading', { name: 'No block yet' })).toBeVisible();
  await page.getByRole('button', { name: 'Declare the first block' }).click();
  await page.getByLabel('Name', { exact: true }).fill('Eel trap');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Every rule passes for this block.')).toBeVisible();
  await page.goto(`${server.address}/m/saltmarsh/blocks/nothing`);
  await expect(page.getByText('There is no block called nothing')).toBeVisible();
  await page.goto(`${server.address}/m/nowhere/blocks`);
  await expect(page.getByText('There is no mod called nowhere.')).toBeVisible();
});

test('keys in fields: undoing what is committed, leaving by Escape, and a way past the bar', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/blocks/tide_lantern/traits`);
  await expect(page.getByText('Every rule passes for this block.')).toBeVisible();
  // A link leads past the bar to the work.
  await page.keyboard.press('Tab');
  await expect(page.getByRole('link', { name: 'Skip to the work' })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('main')).toBeFocused();
  // A number refuses what no number has; undoing there is the mod's once it is committed.
  await page.goto(`${server.address}/m/saltmarsh/textures/gauge%2Fwater/frames`);
  const ticks = page.getByLabel('Ticks of every frame');
  await ticks.fill('9');
  await ticks.press('Enter');
  await expect(page.getByRole('button', { name: 'Frame 1, 9 ticks' })).toBeVisible();
  await ticks.focus();
  await ticks.press(']');
  await expect(ticks).toHaveValue('9');
  await ticks.press('Control+z');
  await expect(ticks).toHaveValue('6');
  // A switch keeps no key to itself that it does not need.
  const blends = page.getByRole('switch', { name: 'Each goes over into the next one' });
  await blends.focus();
  await blends.press('Space');
  await expect(blends).not.toBeChecked();
  await blends.press('Control+z');
  await expect(blends).toBeChecked();
  // Escape leaves the field, and only then the desk.
  await ticks.focus();
  await ticks.press('Escape');
  await expect(ticks).not.toBeFocused();
  await expect(page).toHaveURL(/frames$/);
  // What has the focus shows it.
  const filter = page.getByPlaceholder('Filter pictures');
  const before = await filter.screenshot();
  await page.keyboard.press('Tab');
  await filter.focus();
  expect((await filter.screenshot()).equals(before)).toBe(false);
});

test('the mod itself: its lines are edited where they stand, and found by what they are', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/blocks`);
  await page.getByRole('heading', { name: 'Blocks' }).waitFor();
  await byPalette(page, 'authors');
  await expect(page).toHaveURL(/\/home$/);
  await page.getByRole('button', { name: 'Next minor' }).press('Enter');
  await expect(page.getByRole('button', { name: /Mod: Saltmarsh 0\.4\.0/ })).toBeVisible();
  const version = page.getByLabel('Version', { exact: true });
  await version.fill('1.0');
  await expect(page.getByText('A version is like 0.3.0 or 1.0.0-rc.1.')).toBeVisible();
  await version.press('Escape');
  await page.getByLabel('Authors').fill('Wren');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Wren', { exact: true })).toBeVisible();
  await page.getByLabel('Title', { exact: true }).fill('Salt works');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Salt works' })).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(page.getByText('Wren', { exact: true })).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('heading', { name: 'Saltmarsh' })).toBeVisible();
});
