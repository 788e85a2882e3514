import { expect, saved, test } from './testing/server.ts';

/** What is done here is done by keys: each act leaves the focus where the next one begins. */
test('a mod, a block and a name that are new have the focus', async ({ page, server }) => {
  await page.goto(server.address);
  await page.getByRole('button', { name: /Change mod/ }).click();
  await page.getByRole('menuitem', { name: 'New mod…' }).press('Enter');
  await page.getByLabel('Title').fill('Eel creek');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Declare the first block' })).toBeFocused();
  await page.keyboard.press('Enter');
  await page.getByLabel('Name', { exact: true }).fill('Eel trap');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { level: 1, name: /Eel trap/ })).toBeFocused();

  // From elsewhere it is no other.
  await page.keyboard.press('Control+k');
  await page.getByPlaceholder('Go to or do…').fill('new block');
  await page.keyboard.press('Enter');
  await page.getByLabel('Name', { exact: true }).fill('Eel basket');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { level: 1, name: /Eel basket/ })).toBeFocused();
  // A dialog that is left gives the focus back.
  await page.getByRole('link', { name: 'Blocks', exact: true }).click();
  const another = page.getByRole('button', { name: 'New block', exact: true });
  await another.press('Enter');
  await page.getByLabel('Name', { exact: true }).press('Escape');
  await expect(another).toBeFocused();

  await page.goto(`${server.address}/m/eel_creek/blocks/eel_basket/identity`);
  await page.getByRole('button', { name: 'Rename' }).press('Enter');
  await page.getByLabel('New id').fill('eel_pot');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/eel_pot/);
  await expect(page.getByRole('button', { name: 'Rename' })).toBeFocused();
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Leave it' }).press('Enter');
  await expect(page.getByRole('button', { name: 'Rename' })).toBeFocused();
});

test('what depends on the state now, and what is taken away', async ({ page, server }) => {
  await page.goto(`${server.address}/m/saltmarsh/blocks/sluice_gate/traits`);
  const friction = page.getByRole('group', { name: 'Rows of friction' });
  await page.getByRole('button', { name: 'Make it depend on the state: friction' }).press('Enter');
  await expect(friction.locator(':focus')).toHaveCount(1);
  // A row that is removed hands the focus to the next one's button.
  await friction.getByRole('button', { name: 'Add a row' }).press('Enter');
  await expect(friction.getByRole('group', { name: /^Row \d/ })).toHaveCount(3);
  await friction.getByRole('button', { name: 'Remove row 1 of friction' }).press('Enter');
  await expect(friction.getByRole('group', { name: /^Row \d/ })).toHaveCount(2);
  await expect(friction.getByRole('button', { name: /Remove row/ }).first()).toBeFocused();

  // The last one of a list hands it to the one before.
  await page.goto(`${server.address}/m/saltmarsh/blocks/sluice_gate/states`);
  const removeOf = (name: string) =>
    page.getByRole('main').getByRole('button', { name: `Remove ${name}`, exact: true });
  await removeOf('side').press('Enter');
  await page.getByRole('dialog').getByRole('button', { name: 'Remove side' }).press('Enter');
  await expect(removeOf('side')).toHaveCount(0);
  await expect(removeOf('open')).toBeFocused();
  await page.keyboard.press('Enter');
  await page.getByRole('dialog').getByRole('button', { name: 'Remove open' }).press('Enter');
  await expect(removeOf('open')).toHaveCount(0);
  await expect(page.locator('main :focus')).toHaveCount(1);
});

test('after a fix the next one has the focus, and after the last one the place', async ({
  page,
  server,
}) => {
  const address = `${server.address}/m/saltmarsh`;
  for (const block of ['reed_thatch', 'tide_lantern']) {
    await page.goto(`${address}/blocks/${block}/tags`);
    const pills = page.getByRole('region', { name: 'Tags' }).locator('.mantine-Pill-root');
    await pills.filter({ hasText: '_dug' }).getByRole('button', { includeHidden: true }).click();
    await expect(page.getByText(/is not in the tag/)).toBeVisible();
    await saved(page);
  }
  await page.getByRole('link', { name: /Inspection/ }).click();
  const mends = page.locator('[data-finding] [data-mend]');
  await expect(mends).toHaveCount(2);
  await mends.first().press('Enter');
  await expect(mends).toHaveCount(1);
  await expect(mends).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Nothing wrong' })).toBeVisible();
  await expect(page.locator(':focus')).toHaveCount(1);
  // What can be used no longer gives the focus on: undone all, redoing is next.
  const undo = page.getByRole('button', { name: 'Undo', exact: true });
  while (await undo.isEnabled()) await undo.press('Enter');
  await expect(page.getByRole('button', { name: 'Redo', exact: true })).toBeFocused();
});

test('many blocks that are changed at once leave the focus in the table', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/data/traits`);
  const grid = page.getByRole('grid', { name: 'Table of traits' });
  await grid.focus();
  await page.keyboard.press('Control+a');
  await page.getByRole('button', { name: /^Change \d+ blocks/ }).press('Enter');
  await expect(grid).toBeFocused();
  await saved(page);
});

test('the shelf is one stop of the tab key and walked by arrows', async ({ page, server }) => {
  await page.goto(`${server.address}/m/saltmarsh/blocks/tide_lantern/traits`);
  await page.getByPlaceholder('Filter blocks').focus();
  await page.keyboard.press('Tab');
  const shelf = page.getByRole('complementary', { name: 'Shelf' });
  await expect(shelf.locator('[aria-current="page"]')).toBeFocused();
  await page.keyboard.press('ArrowDown');
  await expect(page).toHaveURL(/driftwood_chair/);
  await expect(shelf.getByRole('link', { name: /Driftwood chair/ })).toBeFocused();
  await page.keyboard.press('Tab');
  await expect(page.getByRole('navigation', { name: 'Facets' }).locator(':focus')).toHaveCount(1);
});
