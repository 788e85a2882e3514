import type { Page } from '@playwright/test';
import { expandFamilies } from '../core/families/index.ts';
import type { Mod } from '../core/mod/index.ts';
import { editMod } from './testing/edit.ts';
import { expect, saved, test } from './testing/server.ts';

const modOf = async (address: string): Promise<Mod> =>
  ((await (await fetch(`${address}/api/mods/saltmarsh`)).json()) as { mod: Mod }).mod;
const cell = (page: Page, name: RegExp | string) => page.getByRole('gridcell', { name });

test('a family from nothing: forms, a second material, one cell otherwise, a material renamed', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/blocks`);
  await page.getByRole('link', { name: 'Families' }).click();
  await page.getByRole('button', { name: 'New family' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('What the family is called').fill('Marsh lime');
  await dialog.getByLabel('Its first material').fill('Grey lime');
  await dialog.getByRole('group', { name: 'Forms' }).getByText('Plate', { exact: true }).click();
  await dialog.getByRole('button', { name: 'Make 4 things' }).click();
  await expect(page).toHaveURL(/families\/marsh_lime\?material=grey_lime/);
  await expect(cell(page, 'Grey lime stair')).toBeVisible();

  // A second material comes in every form at once, with pictures of its own.
  await page.getByRole('columnheader', { name: /1 material/ }).click();
  await page.getByLabel('Name of a new material').fill('white lime');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('columnheader', { name: 'white lime' })).toBeVisible();
  await expect(page.getByRole('gridcell')).toHaveCount(8);
  await saved(page);
  const made = await modOf(server.address);
  expect(Object.keys(made.textures).filter((name) => name.endsWith('_lime'))).toEqual([
    'grey_lime',
    'white_lime',
  ]);
  expect(Object.keys(made.blocks).some((name) => name.includes('lime'))).toBe(false);

  // One cell is changed on its bench; the loom shows that it differs.
  await cell(page, 'White lime stair').click();
  await page.getByRole('button', { name: 'Open on the bench' }).click();
  await page.getByRole('link', { name: 'Traits' }).click();
  await page.getByLabel('Hardness', { exact: true }).fill('9');
  await saved(page);
  await page.getByRole('link', { name: /marsh lime: white lime × stair, 1 difference/ }).click();
  await expect(cell(page, 'White lime stair, 1 difference')).toBeVisible();
  const differences = page.getByRole('list', { name: 'Differences' });
  await expect(differences).toContainText('traits › hardness');
  await differences.getByRole('button', { name: 'In all of white lime' }).click();
  await expect(cell(page, 'White lime stair')).toBeVisible();
  await saved(page);
  const hard = expandFamilies(await modOf(server.address)).blocks;
  expect(hard['white_lime_slab']?.traits.hardness).toBe(9);
  expect(hard['grey_lime_stair']?.traits.hardness).not.toBe(9);

  // A material that is renamed takes everything along, and the numbers stay.
  const numbers = (mod: Mod) => mod.ledger.entries.map(({ number }) => number);
  const before = await modOf(server.address);
  await page.getByRole('columnheader', { name: 'white lime' }).click();
  await page.getByLabel('Id of the material').fill('chalk_lime');
  await expect(page.getByText(/white_lime becomes chalk_lime/)).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('columnheader', { name: 'chalk lime' })).toBeVisible();
  await saved(page);
  const after = await modOf(server.address);
  expect(numbers(after)).toEqual(numbers(before));
  expect(Object.keys(after.textures)).toContain('chalk_lime');
  expect(Object.keys(expandFamilies(after).blocks)).toContain('chalk_lime_stair');
  for (let step = 0; step < 2; step += 1) await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('columnheader', { name: 'white lime' })).toBeVisible();
});

test('a cell is left out and taken in again by keys, and its number comes back', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/families/oyster`);
  await cell(page, 'Oyster tile slab').click();
  await page.keyboard.press('ArrowDown');
  await expect(cell(page, 'Oyster tile stair')).toBeFocused();
  await page.keyboard.press('Delete');
  await expect(cell(page, 'Oyster tile stair, left out')).toBeVisible();
  await saved(page);
  const numberOf = (mod: Mod, part: 'entries' | 'retired') =>
    mod.ledger[part].find(({ name }) => name === 'oyster_tile_stair')?.number;
  const out = await modOf(server.address);
  expect([numberOf(out, 'entries'), numberOf(out, 'retired')]).toEqual([undefined, 49]);
  await page.getByRole('button', { name: 'Take it in' }).click();
  await expect(cell(page, 'Oyster tile stair')).toBeVisible();
  await saved(page);
  expect(numberOf(await modOf(server.address), 'entries')).toBe(49);
});

test('tones of a material repaint what is made of it, in one step that is undone', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/families/metals?material=ebbite`);
  const seam = async () => (await modOf(server.address)).textures['seam/ebbite']?.picture.sha256;
  const before = await seam();
  await page.getByText('Those of a stock material').click();
  await page
    .getByRole('group', { name: 'Tones of stock materials' })
    .getByRole('button', { name: 'Clay' })
    .click();
  await expect.poll(seam).not.toBe(before);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(seam).toBe(before);
});

test('an original that is painted anew: what was made from it is told, and made again', async ({
  page,
  server,
}) => {
  const seam = async () => (await modOf(server.address)).textures['seam/ebbite']!;
  await page.goto(`${server.address}/m/saltmarsh/families/metals?material=ebbite`);
  await page.getByText('Those of a stock material').click();
  await page
    .getByRole('group', { name: 'Tones of stock materials' })
    .getByRole('button', { name: 'Clay' })
    .click();
  await expect.poll(async () => (await seam()).toned?.from).toBe('saltmarsh:seam/brack');
  const first = (await seam()).picture.sha256;
  const { textures } = await modOf(server.address);
  const path = '/textures/seam~1brack/picture';
  const [before, after] = ['seam/brack', 'oyster_brick'].map((name) => textures[name]!.picture);
  await editMod(page, server.address, [{ path, before, after }], 1);
  await page.goto(`${server.address}/m/saltmarsh/inspection`);
  await expect(
    page.getByText(/seam\/ebbite was made from saltmarsh:seam\/brack, which has been painted/),
  ).toBeVisible();
  await page.goto(`${server.address}/m/saltmarsh/families/metals`);
  await expect(
    page.getByText(/1 picture was made from seam\/brack as it was before/),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Make it again' }).click();
  await expect.poll(async () => (await seam()).picture.sha256).not.toBe(first);
  await expect(page.getByText(/was made from seam\/brack/)).toHaveCount(0);
});

test('blocks that are there are gathered: nothing about them changes', async ({ page, server }) => {
  await page.goto(`${server.address}/m/saltmarsh/families/oyster`);
  await page.getByRole('columnheader', { name: /2 materials/ }).click();
  await page.getByRole('button', { name: 'Take the family apart' }).click();
  await saved(page);
  const apart = await modOf(server.address);
  expect(Object.keys(apart.blocks)).toContain('oyster_tile_stair');
  await page.getByRole('button', { name: 'Gather what is there' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Filter what is there').fill('oyster_');
  await dialog.getByRole('button', { name: 'Choose these' }).click();
  // The shell is an item of another kind.
  await dialog.getByText('Oyster shell').click();
  const proposed = dialog.getByRole('table', { name: 'The family as it would be' });
  await expect(proposed.getByRole('columnheader', { name: 'tile' })).toBeVisible();
  await dialog.getByLabel('What the family is called').fill('shellwork');
  await dialog.getByRole('button', { name: 'Gather 12 things' }).click();
  await expect(page).toHaveURL(/families\/shellwork/);
  await expect(page.getByRole('gridcell')).toHaveCount(12);
  await saved(page);
  const gathered = await modOf(server.address);
  const flat = expandFamilies(gathered);
  for (const kind of ['blocks', 'models', 'recipes', 'ledger'] as const)
    expect(flat[kind]).toEqual(expandFamilies(apart)[kind]);
  expect(Object.keys(gathered.blocks).some((name) => name.startsWith('oyster'))).toBe(false);
});

test('a bad name, a name that is taken and a family that is gone are said', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/families/metals?material=brack`);
  await page.getByLabel('Id of the material').fill('Ebb ite');
  await expect(page.getByText('Use lowercase letters, digits and underscores')).toBeVisible();
  await page.getByLabel('Id of the material').fill('ebbite');
  await expect(page.getByText('There is already a material called ebbite.')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByLabel('Id of the material')).toHaveValue('brack');
  await page.goto(`${server.address}/m/saltmarsh/families/none`);
  await expect(page.getByText(/There is no family/)).toBeVisible();
});
