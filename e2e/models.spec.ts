import { encodePicture } from '../core/textures/index.ts';
import { rolePicture } from '../core/forms/index.ts';
import { expect, saved, test } from './testing/server.ts';

test('a machine with a front that faces the player, from nothing in six actions', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/blocks`);
  await page.getByRole('button', { name: 'New block' }).click();
  await page.getByLabel('Name', { exact: true }).fill('Brine kettle');
  const shapes = page.getByRole('group', { name: 'Shape' });
  await expect(shapes.getByRole('radio')).toHaveCount(19);
  await shapes.getByText('Six sides').click();
  await expect(page.getByText(/A front that faces the player who places it/)).toBeVisible();
  await page.getByRole('button', { name: 'Declare the block' }).click();
  await expect(page).toHaveURL(/blocks\/brine_kettle\/traits/);
  await saved(page);
  await page.getByRole('link', { name: 'States' }).click();
  await page.getByRole('region', { name: 'States' }).getByText('Placing', { exact: true }).click();
  await page.getByRole('button', { name: 'The player stands west of it' }).click();
  await expect(page.getByRole('group', { name: 'Try the placing' })).toContainText('west');
  // Complete from the start: only its name in the other language is missing.
  await expect(page.getByLabel('Findings')).toContainText('brine_kettle has no name in de');
  await page.getByRole('link', { name: 'Textures' }).click();
  await expect(page.getByRole('img', { name: /^saltmarsh:brine_kettle/ })).toHaveCount(3);
});

test('the shape is chosen with arrows, and follows the material', async ({ page, server }) => {
  await page.goto(`${server.address}/m/saltmarsh/blocks`);
  await expect(page.getByRole('heading', { name: 'Blocks' })).toBeVisible();
  await page.keyboard.press('n');
  await page.getByLabel('Name', { exact: true }).fill('Kelp rail');
  await page.getByRole('radio', { name: 'Cube' }).focus();
  for (let i = 0; i < 7; i += 1) await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('radio', { name: 'Stair' })).toBeChecked();
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/blocks\/kelp_rail\/traits/);
  await expect(page.getByText('40 states · all with a look')).toBeVisible();
});

test('open slots of a template are found, filled by choosing and by importing, each in one step', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/blocks/salt_crust/looks`);
  await page
    .getByRole('button', { name: /^Model: / })
    .first()
    .click();
  await page.keyboard.type('obrank:column');
  await page.keyboard.press('Enter');
  const foot = page.getByLabel('Findings');
  await expect(foot).toContainText('whose slots side and end have no texture');
  await page.getByRole('navigation', { name: 'Facets' }).getByText('Textures').click();
  const textures = page.getByRole('region', { name: 'Textures' });
  await expect(textures.getByText('open', { exact: true })).toHaveCount(2);
  await textures.getByRole('combobox', { name: 'Texture' }).first().click();
  await page.getByRole('option', { name: 'saltmarsh:reed_thatch_side', exact: true }).click();
  await expect(textures.getByText('open', { exact: true })).toHaveCount(1);
  const png = encodePicture(rolePicture('end', '#e9e4d8', 16, 5));
  await textures
    .getByRole('button', { name: 'Import a PNG' })
    .locator('xpath=..')
    .locator('input[type=file]')
    .setInputFiles({ name: 'salt.png', mimeType: 'image/png', buffer: Buffer.from(png) });
  await expect(textures.getByText('open', { exact: true })).toHaveCount(0);
  await expect(foot).not.toContainText('no texture');
  await saved(page);
  await page.keyboard.press('Control+z');
  await expect(textures.getByText('open', { exact: true })).toHaveCount(1);
  await page.keyboard.press('Control+z');
  await expect(textures.getByText('open', { exact: true })).toHaveCount(2);
});

test('a block takes another shape: what is lost is said first, its pictures stay, undo brings all back', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/blocks/reed_thatch/looks`);
  const states = page.getByText(/states · all with a look/);
  await expect(states).toHaveText('3 states · all with a look');
  await page.getByRole('button', { name: 'Another shape' }).click();
  const dialog = page.getByRole('dialog', { name: 'Another shape for Reed thatch' });
  await expect(dialog.getByRole('radio', { name: 'Column' })).toBeChecked();
  await expect(dialog.getByRole('button', { name: 'Take this shape' })).toBeDisabled();
  await dialog.getByText('Stair', { exact: true }).click();
  await expect(dialog).toContainText(
    'It loses 3 rows of the look, 1 rule of placing and the property axis.',
  );
  await expect(dialog).toContainText('Its pictures stay.');
  await dialog.getByRole('button', { name: 'Take this shape' }).click();
  await expect(states).toHaveText('40 states · all with a look');
  await expect(page.getByLabel('Findings')).toContainText('Every rule passes');
  await saved(page);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(states).toHaveText('3 states · all with a look');
});

test('an outline is fitted to the model: how many boxes, how much air, in every state, with undo', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/blocks/tide_lantern/traits`);
  const shapes = page.getByRole('region', { name: 'Shapes' });
  await shapes.getByRole('button', { name: 'Fit to the model' }).last().click();
  const covers = shapes.getByRole('radiogroup', { name: 'Boxes that cover the model' });
  await expect(covers.getByRole('radio')).toHaveCount(6);
  await expect(covers).toContainText('One box more would take');
  await covers.getByText('2 boxes', { exact: true }).click();
  await expect(covers).toContainText(/One bumps into air at most \d\.\d texels/);
  await covers.getByRole('button', { name: 'Use 2 boxes' }).click();
  await expect(shapes.getByText('by state')).toBeVisible();
  await expect(shapes.getByText(/^2 boxes in this state/)).toBeVisible();
  await expect(page.getByLabel('Findings')).toContainText('Every rule passes');
  await saved(page);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(shapes.getByText('by state')).toHaveCount(0);
});
