import type { Page } from '@playwright/test';
import type { Mod } from '../core/mod/index.ts';
import { expect, saved, test } from './testing/server.ts';

const modOf = async (address: string): Promise<Mod> =>
  ((await (await fetch(`${address}/api/mods/saltmarsh`)).json()) as { mod: Mod }).mod;
const scene = (page: Page) => page.getByRole('group', { name: 'What happens if' });
const lines = (page: Page) => scene(page).getByRole('list', { name: 'What came of it' });

async function stand(page: Page, side: string, what: string): Promise<void> {
  await scene(page)
    .getByRole('button', { name: new RegExp(`^${side}: `) })
    .click();
  await scene(page).getByLabel(`What stands ${side}`).fill(what);
  await page.keyboard.press('Enter');
  await expect(
    scene(page).getByRole('button', { name: `${side}: ${what}`, exact: true }),
  ).toBeVisible();
}

test('a button opens a gate, and both come back', async ({ page, server }) => {
  await page.goto(`${server.address}/m/saltmarsh/blocks/oyster_brick_button/reactions`);
  await expect(
    page.getByRole('button', { name: /^2\. When 20 ticks have passed, if pressed is true/ }),
  ).toBeVisible();
  await stand(page, 'to its east', 'Sluice gate');
  await scene(page)
    .getByRole('button', { name: /^the block itself/ })
    .click();
  await scene(page).getByRole('button', { name: 'Use', exact: true }).click();
  await scene(page).getByRole('button', { name: 'A tick' }).click();
  await expect(lines(page)).toContainText('Oyster brick button: pressed becomes true');
  await expect(lines(page)).toContainText('Sluice gate: open becomes true');
  // The stage shows the block as it is now.
  await expect(page).toHaveURL(/state=5$/);
  await scene(page).getByRole('button', { name: 'Until nothing is to come' }).click();
  await expect(lines(page)).toContainText('Oyster brick button: pressed becomes false');
  await expect(lines(page)).toContainText('Sluice gate: open becomes false');
});

test('a lantern is lit by use and put out by brine', async ({ page, server }) => {
  await page.goto(`${server.address}/m/saltmarsh/blocks/tide_lantern/reactions?state=2`);
  await scene(page).getByRole('button', { name: 'Use', exact: true }).click();
  await expect(lines(page)).toContainText('Tide lantern: lit goes to its next value');
  await stand(page, 'to its east', 'Brine');
  await scene(page).getByRole('button', { name: 'A tick' }).click();
  await expect(lines(page)).toContainText('Tide lantern: lit becomes false');
});

test('a reaction from nothing, written in place: what can never happen is said, and taken back', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/blocks/salt_oven/reactions`);
  await page.getByRole('button', { name: 'Add a reaction' }).click();
  const first = page.getByRole('group', { name: 'Reaction 1' });
  await first.getByLabel('Property, action 1 of reaction 1').selectOption('lit');
  await first.getByLabel('always').selectOption({ label: 'in the hand is…' });
  await first.getByLabel('In the hand of reaction 1').fill('Pail of brine');
  await page.keyboard.press('Enter');
  await first.getByLabel('and then…').selectOption({ label: 'the player gets…' });
  await first.getByLabel(/^Item, action 2/).fill('Salt');
  await page.keyboard.press('Enter');
  await expect(
    first.getByRole('button', {
      name: '1. When it is used by a player, if Pail of brine is in the hand: lit goes to its next value and the player gets Salt.',
    }),
  ).toBeVisible();
  await saved(page);
  expect((await modOf(server.address)).blocks['salt_oven']?.reactions).toEqual([
    {
      when: 'used',
      by: 'players',
      if: { holds: 'saltmarsh:brine_pail' },
      then: [
        { do: 'flip', property: 'lit' },
        { do: 'give', item: 'saltmarsh:salt' },
      ],
    },
  ]);

  // The same once more can never happen: the first always answers.
  await page.getByRole('button', { name: 'Add a reaction' }).click();
  const second = page.getByRole('group', { name: 'Reaction 2' });
  await second.getByLabel('always').selectOption({ label: 'in the hand is…' });
  await second.getByLabel('In the hand of reaction 2').fill('Pail of brine');
  await page.keyboard.press('Enter');
  await expect(second).toContainText('never: an earlier one always answers');
  const foot = page.locator('footer[aria-label=Findings]');
  await expect(foot).toContainText('an earlier one always answers');
  await foot.getByRole('button', { name: 'Remove the reaction' }).click();
  await expect(second).toBeHidden();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(second).toBeVisible();
});
