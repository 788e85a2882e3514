import { cpSync, existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { press, tabTo } from './testing/by-keys.ts';
import { expect, saved, test } from './testing/server.ts';

const lantern = 'blocks/tide_lantern.json';
/** Types another hardness into the lantern's file, as a text editor does. */
function type(folder: string, hardness: number): void {
  const file = path.join(folder, lantern);
  const text = readFileSync(file, 'utf8');
  writeFileSync(file, text.replace(/"hardness": [\d.]+/, `"hardness": ${hardness}`));
}

test('a mod from a folder: edited outside, broken, mended, looked back at, a block brought back', async ({
  page,
  server,
}) => {
  // The demo is put away, so that the folder of that name can be opened.
  const folder = path.join(server.folder, 'saltmarsh');
  cpSync('demo/saltmarsh', folder, { recursive: true });
  await page.goto(`${server.address}/mods`);
  await page.getByRole('button', { name: 'More about Saltmarsh' }).click();
  await page.getByRole('menuitem', { name: 'Put into the bin' }).click();
  const forGood = page.getByRole('button', { name: 'Delete Saltmarsh for good' });
  await forGood.click();
  await expect(forGood).toHaveCount(2);
  await forGood.last().click();
  await expect(page.getByRole('heading', { name: 'Bin' })).toHaveCount(0);
  await expect(page.getByText('There is no mod here yet.')).toBeVisible();
  await page.getByLabel('Folder of a mod').fill(folder);
  await page.getByRole('button', { name: 'Open this folder' }).click();
  await expect(page).toHaveURL(/\/m\/saltmarsh\/blocks$/);

  // What is typed in an editor is in the page at once.
  type(folder, 6);
  await expect(page.locator('[data-block="tide_lantern"]')).toContainText('6 s');
  await expect(page.getByRole('button', { name: 'Undo' })).toHaveAttribute(
    'title',
    'Undo: From the folder: tide_lantern.json (Ctrl Z)',
  );

  // A file that is broken is told, and left alone.
  const file = path.join(folder, lantern);
  const whole = readFileSync(file, 'utf8');
  writeFileSync(file, whole.replace('{', '{,'));
  await expect(page.getByRole('link', { name: 'Folder: 1 file unread' })).toBeVisible();
  await page.getByRole('link', { name: /^Inspection/ }).click();
  await expect(page.getByText(/blocks\/tide_lantern\.json, line 1, column 2/)).toBeVisible();
  await page.getByRole('link', { name: 'Folder: 1 file unread' }).click();
  await expect(page.getByText(`${lantern}:1:2`)).toBeVisible();
  writeFileSync(file, whole);
  await expect(page.getByText('Both sides are alike.')).toBeVisible();
  await expect(page.getByRole('link', { name: 'Folder: 1 file unread' })).toHaveCount(0);

  // The history: the block as it was before, and brought back.
  const history = page.getByRole('region', { name: 'History' });
  await expect(history.getByText('From the folder: tide_lantern.json')).toBeVisible();
  rmSync(file);
  await expect(history.getByText('From the folder: tide_lantern.json')).toHaveCount(2);
  await history.getByRole('link', { name: 'Look' }).last().click();
  await expect(page).toHaveURL(/saltmarsh@1\/blocks$/);
  await page.locator('[data-block="tide_lantern"]').click();
  const band = page.getByRole('complementary', { name: 'The mod as it was' });
  await band.getByRole('button', { name: 'Bring Tide lantern back as it is here' }).click();
  await expect(page).toHaveURL(/\/m\/saltmarsh\/blocks\/tide_lantern/);
  await expect.poll(() => existsSync(file)).toBe(true);
  const { $schema: _, ...before } = JSON.parse(whole) as Record<string, unknown>;
  expect(JSON.parse(readFileSync(file, 'utf8'))).toEqual(before);
});

test('both sides change one value: both are shown, one is chosen, and the other can be had back', async ({
  page,
  server,
}) => {
  const folder = path.join(server.folder, 'linked');
  await page.goto(`${server.address}/m/saltmarsh/home`);
  const section = page.getByRole('region', { name: 'Folder' });
  await section.getByRole('textbox', { name: 'Folder' }).fill(folder);
  await section.getByRole('button', { name: 'Live in this folder' }).click();
  await expect(section.getByText('Both sides are alike.')).toBeVisible();

  // While a file is broken, the page goes on; whole again, both sides have changed the same value.
  const file = path.join(folder, lantern);
  const whole = readFileSync(file, 'utf8');
  writeFileSync(file, '{');
  await expect(section.getByText(/tide_lantern\.json:1/)).toBeVisible();
  await page.goto(`${server.address}/m/saltmarsh/blocks/tide_lantern/traits`);
  await page.getByLabel('Hardness', { exact: true }).fill('5');
  await page.keyboard.press('Enter');
  await saved(page);
  writeFileSync(file, whole.replace(/"hardness": [\d.]+/, '"hardness": 7'));
  await page.getByRole('link', { name: 'Folder: choose in 1 file' }).click();
  await expect(section.getByRole('row', { name: /traits › hardness 5 7/ })).toBeVisible();
  await section.getByRole('button', { name: 'Take the folder’s' }).click();
  await expect(section.getByText('Both sides are alike.')).toBeVisible();
  expect(readFileSync(file, 'utf8')).toContain('"hardness": 7');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(() => readFileSync(file, 'utf8')).toContain('"hardness": 5');

  // Unlinked, both sides stay as they are.
  await section.getByRole('button', { name: 'Unlink' }).click();
  await expect(section.getByRole('button', { name: 'Live in this folder' })).toBeVisible();
  type(folder, 9);
  await page.goto(`${server.address}/m/saltmarsh/blocks`);
  await expect(page.locator('[data-block="tide_lantern"]')).toContainText('5 s');
});

test('the settings of the mod are set by the keyboard alone', async ({ page, server }) => {
  await page.goto(`${server.address}/m/saltmarsh/home`);
  await tabTo(page, page.getByLabel('Title'));
  await page.keyboard.press('Control+A');
  await page.keyboard.type('Salt coast');
  await press(page, 'Enter');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Salt coast');
  await tabTo(page, page.getByRole('button', { name: 'Next minor' }));
  await press(page, 'Enter');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('0.4.0');
  await tabTo(page, page.getByLabel('Description'));
  await page.keyboard.type('Salt works by the sea.');
  await tabTo(page, page.getByLabel('Licence'));
  await page.keyboard.press('Control+A');
  await page.keyboard.type('apache 2');
  await press(page, 'Enter');
  await tabTo(page, page.getByRole('button', { name: 'Make it Apache-2.0' }));
  await press(page, 'Enter');
  await expect(page.getByLabel('Licence')).toHaveValue('Apache-2.0');
  await tabTo(page, page.getByLabel('Another mod that is needed'));
  await page.keyboard.type('driftwood');
  await press(page, 'Enter');
  await tabTo(page, page.getByLabel('Versions of driftwood'));
  await page.keyboard.type('^1.2.0');
  await press(page, 'Enter');
  await saved(page);
  const answer = await page.request.get(`${server.address}/api/mods/saltmarsh`);
  const { mod } = (await answer.json()) as { mod: { header: object } };
  expect(mod.header).toMatchObject({
    title: 'Salt coast',
    version: '0.4.0',
    description: 'Salt works by the sea.',
    license: 'Apache-2.0',
    needs: [{ namespace: 'driftwood', versions: '^1.2.0' }],
  });
});

test('a mod is duplicated, put into the bin and brought back; a point of the history has a name', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/mods`);
  await page.getByRole('button', { name: 'More about Saltmarsh' }).click();
  await page.getByRole('menuitem', { name: 'Duplicate…' }).click();
  await page.getByRole('button', { name: 'Duplicate it' }).click();
  await expect(page).toHaveURL(/\/m\/saltmarsh_copy\/home$/);
  await page.getByRole('button', { name: 'Next patch' }).click();
  const history = page.getByRole('region', { name: 'History' });
  await history.getByText('Make it version 0.3.1').hover();
  await history.getByRole('button', { name: 'Name', exact: true }).click();
  await page.getByLabel('Name of this point').fill('before the gate was redrawn');
  await page.getByRole('button', { name: 'Name it' }).click();
  await expect(history.getByText('before the gate was redrawn')).toBeVisible();

  await page.goto(`${server.address}/mods`);
  await expect(page.getByText('nothing wrong')).toHaveCount(2);
  await page.getByRole('button', { name: 'More about Saltmarsh copy' }).click();
  await page.getByRole('menuitem', { name: 'Put into the bin' }).click();
  await expect(page.getByText('goes in 30 days')).toBeVisible();
  await page.getByRole('button', { name: 'Bring back' }).click();
  await page.getByRole('link', { name: /Saltmarsh copy/ }).click();
  await expect(page).toHaveURL(/\/m\/saltmarsh_copy\/blocks$/);
  await page.getByRole('button', { name: /^Mod: Saltmarsh copy 0\.3\.1/ }).click();
  await expect(page.getByRole('menuitem', { name: 'All mods' })).toBeVisible();
});

test('a mod that is built for several targets: how each stands, and building each', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/home`);
  await page.getByRole('checkbox', { name: 'Field notes, plain text' }).check();
  await expect(page.getByText('nothing wrong')).toHaveCount(2);
  await expect(page.getByRole('button', { name: 'Asked first' })).toHaveCount(1);
  await saved(page);
  await page.goto(`${server.address}/m/saltmarsh/build`);
  const target = page.getByLabel(/Folder on this machine/);
  await target.fill(`${server.folder}/pack`);
  await page.getByRole('combobox', { name: 'Kit' }).click();
  await page.getByRole('option', { name: 'Field notes, plain text' }).click();
  // Each target has its own place, and choosing one changes nothing in the mod.
  await expect(target).not.toHaveValue(`${server.folder}/pack`);
  await target.fill(`${server.folder}/notes`);
  await expect(page.getByText(/\d+ new/)).toBeVisible();
  await page.getByRole('button', { name: 'Build the pack' }).click();
  await expect.poll(() => existsSync(path.join(server.folder, 'notes'))).toBe(true);
  await page.getByRole('combobox', { name: 'Kit' }).click();
  await page.getByRole('option', { name: 'Block Pack, edition 1', exact: true }).click();
  await expect(target).toHaveValue(`${server.folder}/pack`);
  await expect(page.getByText(/\d+ new/)).toBeVisible();
  const answer = await page.request.get(`${server.address}/api/mods/saltmarsh`);
  const { mod, revision } = (await answer.json()) as { mod: { header: object }; revision: number };
  expect(revision).toBe(1);
  expect(mod.header).toMatchObject({ kit: 'block-pack', alsoFor: ['field-notes'] });
});
