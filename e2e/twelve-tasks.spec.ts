import { existsSync } from 'node:fs';
import path from 'node:path';
import { byPalette, press, tabTo } from './testing/by-keys.ts';
import { editMod } from './testing/edit.ts';
import { expect, saved, test } from './testing/server.ts';

const passes = 'Every rule passes for this block.';

/** What a person does in a first evening, each without the mouse. */
test('1: a block of one’s own, from a material and a shape', async ({ page, server }) => {
  await page.goto(server.address);
  await page.getByRole('heading', { name: 'Blocks' }).waitFor();
  await press(page, 'n');
  await page.getByLabel('Name', { exact: true }).fill('Marsh lamp');
  await page.getByRole('combobox', { name: 'Stock material' }).focus();
  await page.keyboard.type('gran');
  await press(page, 'Enter');
  await page.getByRole('button', { name: 'Declare the block' }).press('Enter');
  await expect(page.getByRole('heading', { level: 1, name: /Marsh lamp/ })).toBeFocused();
  await expect(page.getByText('stock: granite')).toBeVisible();
});

test('2: a number, seen in the seconds of every tool, and back', async ({ page, server }) => {
  await page.goto(`${server.address}/m/saltmarsh/blocks/tide_lantern/traits`);
  const hardness = page.getByLabel('Hardness', { exact: true });
  await tabTo(page, hardness);
  await hardness.fill('6.4');
  await press(page, 'Enter');
  await expect(page.getByText('3.20 s')).toBeVisible();
  // In the field itself undoing is the mod's, not one more edit.
  await expect(hardness).toBeFocused();
  await press(page, 'Control+z');
  await expect(hardness).toHaveValue('3.2');
  await expect(page.getByRole('button', { name: 'Redo' })).toBeEnabled();
  await expect(page.getByText('1.60 s')).toBeVisible();
});

test('3: a state, and light that depends on it', async ({ page, server }) => {
  await page.goto(`${server.address}/m/saltmarsh/blocks/salt_crust/states`);
  await tabTo(page, page.getByRole('button', { name: 'Add a property' }));
  await press(page, 'Enter');
  await page.getByRole('menuitem', { name: /^toggle/ }).press('Enter');
  await expect(page.getByText('2 states · all with a look')).toBeVisible();
  await byPalette(page, 'Traits of Salt crust');
  await expect(page.getByLabel('Hardness', { exact: true })).toBeVisible();
  await byPalette(page, 'Make it depend on the state: light emitted');
  const rows = page.getByRole('group', { name: 'Rows of light emitted' });
  await expect(rows.locator(':focus')).toHaveCount(1);
  await expect(rows.getByRole('group', { name: 'Row 2' })).toBeVisible();
});

test('4: a look, painted for several states at once', async ({ page, server }) => {
  await page.goto(`${server.address}/m/saltmarsh/blocks/sluice_gate/looks?state=0`);
  await expect(page.getByText(passes)).toBeVisible();
  await press(page, 'm');
  await expect(page.getByRole('grid', { name: 'State matrix' })).toBeFocused();
  await press(page, 'Control+a');
  // What is the same but for how it is turned is one look.
  await press(page, 'r');
  await expect(page.getByText('one look in 6 turnings')).toBeVisible();
  await press(page, 'Enter');
  await page.keyboard.type('gate/open');
  await press(page, 'Enter');
  await expect(page.getByRole('grid', { name: 'State matrix' })).toBeFocused();
  await press(page, 'Control+z');
  await expect(page.getByText(passes)).toBeVisible();
});

test('5: a picture, touched up beside the block', async ({ page, server }) => {
  await page.goto(`${server.address}/m/saltmarsh/blocks/salt_crust/textures`);
  await tabTo(page, page.getByRole('link', { name: 'Touch it up' }).first());
  await press(page, 'Enter');
  await expect(page).toHaveURL(/textures\/.*block=salt_crust/);
  await expect(page.getByRole('button', { name: 'Mirror left and right' })).toBeEnabled();
  await byPalette(page, 'Mirror left and right');
  await expect(page.getByRole('button', { name: 'Undo' })).toBeEnabled();
  await saved(page);
});

test('6: what it drops, for one tool another thing', async ({ page, server }) => {
  await page.goto(`${server.address}/m/saltmarsh/blocks/oyster_brick/loot`);
  const grid = page.getByRole('grid', { name: 'What would drop' });
  await tabTo(page, grid);
  await press(page, 'ArrowDown', 'n');
  await expect(page.getByRole('gridcell', { name: 'flint pick: nothing' }).first()).toBeVisible();
  await press(page, 'Control+z');
  await expect(page.getByText(passes)).toBeVisible();
});

test('7: a tag, put in and taken out', async ({ page, server }) => {
  await page.goto(`${server.address}/m/saltmarsh/data/tags`);
  await tabTo(page, page.getByRole('grid', { name: 'Blocks by tags' }));
  await press(page, 'ArrowRight', 'Space');
  const cell = page.getByRole('gridcell', { name: /^Brack seam and saltmarsh:burns_well/ });
  await expect(cell).toHaveAccessibleName(/: in it$/);
  await press(page, 'Space');
  await expect(cell).toHaveAccessibleName(/: not in it$/);
});

test('8: a recipe, by typing what lies where', async ({ page, server }) => {
  await page.goto(`${server.address}/m/saltmarsh/data/recipes/tide_lantern`);
  await tabTo(page, page.getByRole('button', { name: 'New recipe' }));
  await press(page, 'Enter');
  await page.getByRole('menuitem', { name: /^Mix/ }).press('Enter');
  const slots = page.getByRole('grid', { name: /takes/ });
  await expect(page.getByRole('heading', { name: /mix/ })).toBeVisible();
  await tabTo(page, slots);
  await page.keyboard.type('samphire');
  await expect(page.getByRole('option', { name: /Samphire/ }).first()).toBeVisible();
  await press(page, 'Enter');
  await expect(slots.getByRole('gridcell', { name: /^Samphire/ })).toBeVisible();
});

test('9: an item, named as it is typed', async ({ page, server }) => {
  await page.goto(`${server.address}/m/saltmarsh/data/items`);
  await tabTo(page, page.getByRole('button', { name: 'New item' }));
  await press(page, 'Enter');
  await page.getByLabel('Id of the new item').fill('Reed basket');
  await press(page, 'Enter');
  await expect(page).toHaveURL(/items\/reed_basket/);
  await expect(page.getByRole('link', { name: /Reed basket/ })).toBeVisible();
});

test('10: a language by its name, and a name in it', async ({ page, server }) => {
  await page.goto(`${server.address}/m/saltmarsh/blocks`);
  await page.getByRole('heading', { name: 'Blocks' }).waitFor();
  await byPalette(page, 'language');
  await expect(page).toHaveURL(/data\/texts/);
  await tabTo(page, page.getByRole('button', { name: 'Add a language' }));
  await press(page, 'Enter');
  await page.getByLabel('Language', { exact: true }).fill('Wel');
  await expect(page.getByText(/Welsh, cy/)).toBeVisible();
  await press(page, 'Enter');
  await page.getByLabel('Filter the texts').fill('block.salt_crust');
  await page.getByLabel('block.salt_crust in cy').fill('Crofen halen');
  await press(page, 'Enter');
  await expect(page.getByText(/texts not in every language/)).toBeVisible();
  await saved(page);
});

test('11: a finding, seen before it is mended', async ({ page, server }) => {
  await editMod(page, server.address, [
    { path: '/blocks/tide_lantern/traits/leastGrade', before: 0, after: 7 },
  ]);
  await page.goto(`${server.address}/m/saltmarsh/inspection`);
  const mend = page.getByRole('button', { name: 'Ask for steel' });
  await expect(mend).toBeVisible();
  await press(page, 'n');
  await expect(page.locator('[data-finding]').first()).toBeFocused();
  while (!(await mend.evaluate((one) => one === document.activeElement))) await press(page, 'Tab');
  await expect(page.getByRole('tooltip')).toContainText('leastGrade');
  await press(page, 'Enter');
  await expect(page.getByRole('heading', { name: 'Nothing wrong' })).toBeVisible();
});

test('12: a pack, checked and written', async ({ page, server }) => {
  const target = path.join(server.folder, 'pack');
  await page.goto(`${server.address}/m/saltmarsh/blocks`);
  await page.getByRole('heading', { name: 'Blocks' }).waitFor();
  await byPalette(page, 'export');
  await expect(page).toHaveURL(/build/);
  const folder = page.getByLabel(/Folder on this machine/);
  await tabTo(page, folder);
  await folder.fill(target);
  await expect(page.getByText('379 new')).toBeVisible();
  await tabTo(page, page.getByRole('main').getByRole('button', { name: 'Build the pack' }));
  await press(page, 'Enter');
  await expect(page.getByText('379 the same')).toBeVisible();
  expect(existsSync(path.join(target, 'pack.json'))).toBe(true);
});
