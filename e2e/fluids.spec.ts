import type { Page } from '@playwright/test';
import { fluidScenes, reachOf } from '../core/fluids/index.ts';
import type { Mod } from '../core/mod/index.ts';
import { expect, saved, test } from './testing/server.ts';

const modOf = async (address: string): Promise<Mod> =>
  ((await (await fetch(`${address}/api/mods/saltmarsh`)).json()) as { mod: Mod }).mod;
const section = (page: Page) => page.locator('canvas[data-ticks]');
const atRest = (page: Page) => expect(section(page)).toHaveAttribute('data-rest', 'true');
const number = (page: Page, of: string) =>
  page.locator('dl > div').filter({ hasText: of }).locator('dd');

/** Presses on a cell of the cut, so many cells to the right of the source and above it. */
async function walkTo(page: Page, right: number, up: number): Promise<void> {
  await section(page).focus();
  const go = async (key: string, times: number) => {
    for (let i = 0; i < times; i += 1) await page.keyboard.press(key);
  };
  await go(right > 0 ? 'ArrowRight' : 'ArrowLeft', Math.abs(right));
  await go(up > 0 ? 'ArrowUp' : 'ArrowDown', Math.abs(up));
}

test('brine is poured, stepped and dried: its salt stays', async ({ page, server }) => {
  await page.goto(`${server.address}/m/saltmarsh/blocks`);
  await page.getByRole('link', { name: 'Fluids' }).click();
  await expect(page.getByRole('heading', { name: /Brine/ })).toBeVisible();
  await page.getByText('On flat ground', { exact: true }).click();
  await atRest(page);
  await expect(number(page, 'Rests after')).toContainText('2.3 s');
  await expect(number(page, 'Comes')).toContainText('5');
  await expect(section(page)).toHaveAccessibleName(/1 source, 60 cells/);

  // Step by step: every ninth tick a cell farther.
  await page.getByRole('button', { name: 'Back to the start' }).click();
  await expect(number(page, 'Flows in')).toContainText('0');
  await page.getByRole('button', { name: 'Step' }).click();
  await expect(number(page, 'Now')).toContainText('tick 9');
  await expect(number(page, 'Flows in')).toContainText('4');
  await section(page).focus();
  await page.keyboard.press('.');
  await expect(number(page, 'Flows in')).toContainText('12');
  await page.keyboard.press('p');
  await atRest(page);

  // The source is taken away by keys: what has flowed runs dry, and leaves crust.
  await walkTo(page, 0, 0);
  await page.keyboard.press('Enter');
  await expect(section(page)).toHaveAccessibleName(/0 sources, 0 cells/);
  await atRest(page);
  await page.getByLabel('In the hand').getByText('Pour').click();
  await walkTo(page, 0, 0);
  await page.keyboard.press('Enter');
  // On the crust nothing can be poured: it is solid ground now.
  await expect(section(page)).toHaveAccessibleName(/0 sources, 0 cells/);

  // A changed number is seen in what it does, and can be undone.
  await page.getByRole('button', { name: 'As far as 2 away' }).click();
  await atRest(page);
  await expect(number(page, 'Comes')).toContainText('2');
  await saved(page);
  expect((await modOf(server.address)).fluids['brine']?.reach).toBe(3);
  await page.getByRole('button', { name: 'Undo' }).click();
  await atRest(page);
  await expect(number(page, 'Comes')).toContainText('5');
});

test('the page pours as core does, in every scene', async ({ page, server }) => {
  const { fluids, header } = await modOf(server.address);
  await page.goto(`${server.address}/m/saltmarsh/fluids/brine`);
  for (const scene of fluidScenes) {
    const reach = reachOf(fluids['brine']!, scene, header.tickRate);
    await page.getByText(scene.title, { exact: true }).click();
    await expect(number(page, 'Rests after')).toContainText(
      `${reach.seconds!.toFixed(1)} s${reach.ticks} ticks`,
    );
    await expect(number(page, 'Comes')).toContainText(String(reach.farthest));
    await atRest(page);
    await expect(section(page)).toHaveAttribute('data-ticks', String(reach.ticks));
    await expect(section(page)).toHaveAccessibleName(new RegExp(`1 source, ${reach.cells} cells`));
  }
});

test('a fluid from nothing: pictures, a bucket that nobody can fill, pools, a meeting that never ends', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/fluids`);
  await page.getByRole('button', { name: 'New fluid' }).click();
  await page.getByLabel('What players call it').fill('Brine');
  await expect(page.getByText('brine is the id of a fluid already.')).toBeVisible();
  await page.getByLabel('What players call it').fill('Tar');
  await page.getByText('As thick as mud').click();
  await page.getByRole('button', { name: '#7a5a48' }).click();
  await page.getByRole('button', { name: 'Pour it' }).click();
  await expect(page).toHaveURL(/fluids\/tar$/);
  await expect(page.getByRole('heading', { name: /Tar/ })).toBeVisible();
  await saved(page);
  const made = await modOf(server.address);
  expect(made.fluids['tar']).toMatchObject({ reach: 4, pace: 30, names: { en: 'Tar' } });
  expect(made.textures['fluid/tar_flowing']?.strip).toEqual({ ticks: 2 });
  expect(made.ledger.entries.at(-1)).toMatchObject({ kind: 'fluid', name: 'tar' });

  await page.getByRole('link', { name: 'World', exact: true }).click();
  await page.getByRole('button', { name: 'Make a bucket of it' }).click();
  const foot = page.locator('footer[aria-label=Findings]');
  await expect(foot).toContainText('Nobody can fill saltmarsh:tar_bucket');
  await foot.getByRole('button', { name: /Give the world pools of it/ }).click();
  await expect(page.getByLabel('Pool 1: one in each square of')).toHaveValue('400');
  await expect(foot).not.toContainText('Nobody can fill');

  await page.getByRole('link', { name: 'Does', exact: true }).click();
  await page.getByRole('button', { name: 'Let it meet something' }).click();
  await page.getByLabel('Meeting 1: becomes').fill('Tar');
  await page.keyboard.press('Enter');
  await page.getByLabel('Meeting 1: with').fill('Salt crust');
  await page.keyboard.press('Enter');
  await expect(foot).toContainText('saltmarsh:tar never stops spreading');
  await foot.getByRole('button', { name: /Let it not meet/ }).click();
  await expect(foot).not.toContainText('never stops spreading');

  // Renamed, its bucket follows; removed, its number stays taken.
  await page.getByRole('link', { name: 'World', exact: true }).click();
  await page.getByRole('button', { name: 'Rename' }).click();
  await page.getByLabel('New id').fill('pitch');
  await page
    .getByRole('button', { name: /Rename/ })
    .last()
    .click();
  await expect(page).toHaveURL(/fluids\/pitch/);
  await saved(page);
  expect((await modOf(server.address)).items['tar_bucket']?.bucket?.of).toBe('saltmarsh:pitch');
  await page.getByRole('button', { name: 'Remove pitch' }).click();
  await page.getByRole('button', { name: 'Remove pitch' }).last().click();
  await expect(page).toHaveURL(/fluids\/brine/);
  await saved(page);
  const { ledger } = await modOf(server.address);
  expect(ledger.retired.at(-1)).toMatchObject({ kind: 'fluid', name: 'pitch' });
});
