import { unzipSync, zipSync } from 'fflate';
import { cpSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { kitNamed } from '../core/kits/index.ts';
import { bigMod } from '../scripts/big-mod.ts';
import { brokenPack, changedPack, mirePack, onDisk } from './testing/broken-pack.ts';
import { drop } from './testing/drop.ts';
import { editMod } from './testing/edit.ts';
import { expect, test } from './testing/server.ts';

test('a broken pack is dropped, read, mended and saved as a copy', async ({ page, server }) => {
  await page.goto(`${server.address}/m/saltmarsh/inspection`);
  await page.getByRole('link', { name: 'A pack from elsewhere…' }).click();
  await expect(page.getByRole('heading', { name: 'A pack from elsewhere' })).toBeVisible();
  await drop(page, 'nothing.zip', new Uint8Array([1, 2, 3]));
  await expect(page.getByRole('status')).toContainText(/ZIP/);

  await drop(page, 'marsh.obpack', zipSync(Object.fromEntries(await brokenPack())));
  await expect(page.getByRole('heading', { name: 'marsh.obpack' })).toBeVisible();
  await expect(page.getByText('1 of 3 findings')).toBeVisible();

  // Walked by key: each in its file, with the mend as a strike and an insertion.
  const side = page.getByRole('region', { name: 'The finding' });
  await expect(side.getByText('Did you mean "hardness"?')).toBeVisible();
  await expect(page.locator('del')).toHaveText('hardnes');
  await expect(page.locator('ins')).toHaveText('hardness');
  await page.keyboard.press('n');
  await expect(side.getByText('There is a comma after the last entry. Remove it.')).toBeVisible();
  await expect(page.getByText('rules/loot/salt_crust.json')).toBeVisible();
  await page.keyboard.press('n');
  await expect(side.getByText(/uses the model saltmarsh:lantern\/drak/)).toBeVisible();
  await expect(page.getByRole('img', { name: 'tide_lantern as it would be mended' })).toBeVisible();
  await page.keyboard.press('n');
  await expect(page.getByText('1 of 3 findings')).toBeVisible();

  // One, taken back, and then all that is safe.
  await page.keyboard.press('m');
  await expect(page.getByText('1 of 2 findings')).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByText('1 of 3 findings')).toBeVisible();
  await page.getByRole('button', { name: 'Redo' }).click();
  await expect(page.getByText('1 of 2 findings')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('1 of 3 findings')).toBeVisible();
  await page.getByRole('button', { name: 'Mend all 3 that are safe' }).click();
  await expect(page.getByRole('heading', { name: 'Nothing wrong' })).toBeVisible();
  await expect(page.getByText('3 files mended, not saved')).toBeVisible();

  // What is not saved is let go only when that is said.
  const question = page.getByRole('dialog', { name: '3 files mended, not saved' });
  await page.getByRole('button', { name: 'Another…' }).click();
  await question.getByRole('button', { name: 'Keep it open' }).click();
  await drop(page, 'other.obpack', zipSync(Object.fromEntries(await brokenPack())));
  await expect(question).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(question).toBeHidden();
  await expect(page.getByRole('heading', { name: 'marsh.obpack' })).toBeVisible();
  const asked = page.waitForEvent('dialog');
  await page.close({ runBeforeUnload: true });
  await (await asked).dismiss();

  const report = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save the report' }).click();
  expect(readFileSync(await (await report).path(), 'utf8')).toContain('marsh.obpack');
  const saving = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save a copy' }).click();
  const download = await saving;
  expect(download.suggestedFilename()).toBe('marsh-mended.obpack');
  const copy = new Uint8Array(readFileSync(await download.path()));
  await page.getByRole('button', { name: 'Another…' }).click();
  await drop(page, 'mended.obpack', copy);
  await expect(page.getByRole('heading', { name: 'Nothing wrong' })).toBeVisible();

  // Let go of in the place of another, whose first finding is chosen again.
  await drop(page, 'one.obpack', zipSync(Object.fromEntries(await brokenPack())));
  await expect(page.getByRole('heading', { name: 'one.obpack' })).toBeVisible();
  await page.keyboard.press('n');
  await page.keyboard.press('m');
  await expect(page.getByText('2 of 2 findings')).toBeVisible();
  await drop(page, 'two.obpack', zipSync(Object.fromEntries(await brokenPack())));
  await page.getByRole('dialog').getByRole('button', { name: 'Let it go' }).click();
  await expect(page.getByRole('heading', { name: 'two.obpack' })).toBeVisible();
  await expect(page.getByText('1 of 3 findings')).toBeVisible();
});

test('a report as HTML opens by itself, with every finding in it', async ({ page, server }) => {
  await page.goto(`${server.address}/m/saltmarsh/inspection/pack`);
  await drop(page, 'marsh.obpack', zipSync(Object.fromEntries(await brokenPack())));
  await expect(page.getByText('1 of 3 findings')).toBeVisible();
  const saving = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save the report' }).click();
  const file = path.join(server.folder, 'report.html');
  await (await saving).saveAs(file);
  // As somebody opens it to whom it was sent: from a file, without a server.
  const report = await page.context().newPage();
  await report.goto(`file://${file}`);
  await expect(report).toHaveTitle(/marsh\.obpack/);
  await expect(report.getByRole('heading', { name: 'marsh.obpack' })).toBeVisible();
  await expect(report.getByText('Did you mean "hardness"?')).toBeVisible();
  await expect(report.getByText('rules/loot/salt_crust.json').first()).toBeVisible();
  const width = await report.evaluate(() => document.documentElement.scrollWidth - innerWidth);
  expect(width).toBeLessThanOrEqual(0);
  await report.close();
});

test('a pack that lies on this machine is saved where it lies, unless it was changed there', async ({
  page,
  server,
}) => {
  const folder = onDisk(server.folder, await brokenPack());
  const other = `${folder}-other`;
  cpSync(folder, other, { recursive: true });
  const before = readFileSync(path.join(folder, 'rules/blocks/oyster_brick.json'), 'utf8');
  await page.goto(`${server.address}/m/saltmarsh/inspection/pack`);
  await page.getByLabel('Or where it lies').fill('packs/marsh');
  await page.getByRole('button', { name: 'Open', exact: true }).click();
  await expect(page.getByRole('status')).toContainText('is not a whole path');
  await page.getByLabel('Or where it lies').fill(folder);
  await page.getByRole('button', { name: 'Open', exact: true }).click();
  await expect(page.getByText('1 of 3 findings')).toBeVisible();
  await page.getByRole('button', { name: /Mend all/ }).click();
  await page.getByRole('button', { name: 'Save 3 files' }).click();
  await expect(page.getByRole('button', { name: 'Save 0 files' })).toBeVisible();
  expect(readFileSync(path.join(folder, 'rules/blocks/oyster_brick.json'), 'utf8')).toBe(
    before.replace('"hardnes"', '"hardness"'),
  );

  // Somebody else saves into the folder meanwhile: nothing is written over.
  await page.getByRole('button', { name: 'Another…' }).click();
  await page.getByLabel('Or where it lies').fill(other);
  await page.getByRole('button', { name: 'Open', exact: true }).click();
  await expect(page.getByText('1 of 3 findings')).toBeVisible();
  writeFileSync(path.join(other, 'rules/loot/salt_crust.json'), '{}');
  await page.getByRole('button', { name: /Mend all/ }).click();
  await page.getByRole('button', { name: 'Save 3 files' }).click();
  await expect(page.getByRole('status')).toContainText('was changed since it was read');
  expect(readFileSync(path.join(other, 'rules/loot/salt_crust.json'), 'utf8')).toBe('{}');
  expect(readFileSync(path.join(other, 'rules/blocks/oyster_brick.json'), 'utf8')).toBe(before);
});

test('a folder is chosen, and its files are read without the hidden ones', async ({
  page,
  server,
}) => {
  const folder = onDisk(server.folder, await brokenPack());
  mkdirSync(path.join(folder, '.git'));
  writeFileSync(path.join(folder, '.git/config'), 'nothing');
  await page.goto(`${server.address}/m/saltmarsh/inspection/pack`);
  await page.getByLabel('Folder of a pack').setInputFiles(folder);
  await expect(page.getByText('1 of 3 findings')).toBeVisible();
  const tree = page.getByRole('navigation', { name: 'Files of the pack' });
  await tree.getByText('view/textures/', { exact: true }).click();
  await tree.getByText('oyster_brick.png').click();
  await expect(page.locator('img')).toBeVisible();
});

test('blocks of a pack are taken over into the mod, in one step that can be undone', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/inspection/pack`);
  await drop(page, 'changed.obpack', zipSync(Object.fromEntries(await changedPack())));
  await page.getByRole('button', { name: 'Take over…' }).click();
  await page.getByText('Blocks into Saltmarsh').click();
  const blocks = page.getByRole('group', { name: 'Blocks of the pack' });
  await blocks.getByLabel('Salt oven', { exact: true }).check();
  await expect(page.getByText('has the very same blocks already')).toBeVisible();
  await blocks.getByLabel('Salt oven', { exact: true }).uncheck();
  await page.getByPlaceholder('Find one of 34 blocks').fill('lantern');
  await blocks.getByLabel('Tide lantern', { exact: true }).check();
  const coming = page.getByRole('region', { name: 'Blocks' });
  await coming.getByLabel('Name of tide_lantern').fill('storm_lantern');
  await page.getByRole('button', { name: 'Take over 1 block' }).click();

  await expect(page).toHaveURL(/\/m\/saltmarsh\/blocks\/storm_lantern$/);
  await expect(page.getByRole('heading', { name: 'Tide lantern' })).toBeVisible();
  await expect(page.getByText(/^Saved/)).toBeVisible();
  const mod = async () =>
    (await (await page.request.get(`${server.address}/api/mods/saltmarsh`)).json()) as {
      mod: { blocks: object; models: object };
    };
  expect(Object.keys((await mod()).mod.blocks)).toContain('storm_lantern');
  expect(Object.keys((await mod()).mod.models)).toContain('lantern/body_2');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(async () => {
    expect(Object.keys((await mod()).mod.blocks)).not.toContain('storm_lantern');
    expect(Object.keys((await mod()).mod.models)).not.toContain('lantern/body_2');
  }).toPass();
});

test('a whole pack becomes a mod, and a build of it is the pack again', async ({
  page,
  server,
}) => {
  const files = (await changedPack()).set('README.md', new TextEncoder().encode('By hand.'));
  await page.goto(`${server.address}/m/saltmarsh/inspection/pack`);
  await drop(page, 'own.obpack', zipSync(Object.fromEntries(files)));
  await page.getByRole('button', { name: 'Take over…' }).click();
  const side = page.getByRole('complementary', { name: 'The mod' });
  await expect(side.getByText('means the same')).toBeVisible();
  await expect(page.getByText('README.md')).toBeVisible();
  await page.getByLabel('Written as a person would').uncheck();
  await page.getByRole('button', { name: 'Make the mod' }).click();
  await expect(side.getByRole('status')).toContainText('There is already a mod called saltmarsh');

  await page.getByLabel('Namespace').fill('mire');
  await page.getByLabel('Title').fill('Mire');
  await page.getByRole('button', { name: 'Make the mod' }).click();
  await expect(page).toHaveURL(/\/m\/mire\/blocks$/);
  await expect(page.getByRole('heading', { name: 'Blocks 34' })).toBeVisible();
  const built = await page.request.get(`${server.address}/api/mods/mire/pack`);
  const again = unzipSync(new Uint8Array(await built.body()));
  expect(new TextDecoder().decode(again['README.md'])).toBe('By hand.');
  const text = (bytes: Uint8Array | undefined) => new TextDecoder().decode(bytes);
  const look = 'view/looks/tide_lantern.json';
  expect(text(again[look])).toBe(text(files.get(look)).replaceAll('saltmarsh:', 'mire:'));
});

test('what cannot be read must be mended before a pack becomes a mod', async ({ page, server }) => {
  await page.goto(`${server.address}/m/saltmarsh/inspection/pack`);
  const files = new Map(await changedPack()).set('registry.json', new TextEncoder().encode('[]'));
  await drop(page, 'broken.obpack', zipSync(Object.fromEntries(files)));
  await page.getByRole('button', { name: 'Take over…' }).click();
  await expect(page.getByText(/^registry\.json could not be read/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Make the mod' })).toBeDisabled();
});

test('the mod and a pack are laid side by side, and what the mod names wrongly is mended', async ({
  page,
  server,
}) => {
  await editMod(page, server.address, [
    {
      path: '/recipes/fired',
      after: { kind: 'fire', takes: 'mire:salt_crst', gives: 'saltmarsh:salt', seconds: 4 },
    },
  ]);
  await page.goto(`${server.address}/m/saltmarsh/inspection/pack`);
  await drop(page, 'mire.obpack', zipSync(Object.fromEntries(await mirePack())));
  await page.getByRole('button', { name: 'Take over…' }).click();
  await page.getByText('Beside Saltmarsh').click();
  await expect(
    page.getByText('mire:salt_crst is named here, but Mire has no item of that name.'),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Name mire:salt_crust' }).click();
  await expect(page.getByText('mire:salt_crst is named here')).toBeHidden();
});

test('a large pack tells how far it is read, and can be cancelled', async ({ page, server }) => {
  const { mod, blobs } = bigMod(2000);
  const files = kitNamed('block-pack').write(mod, (sha256) => blobs.get(sha256)!);
  await page.goto(`${server.address}/m/saltmarsh/inspection/pack`);
  await drop(page, 'large.obpack', zipSync(Object.fromEntries(files), { level: 0 }));
  const status = page.getByRole('status');
  await expect(status).toContainText(/(Reading|Asking the rules): [\d,]+ of [\d,]+/);
  await status.getByRole('button', { name: 'Cancel' }).click();
  await expect(status).toBeEmpty();
  await drop(page, 'marsh.obpack', zipSync(Object.fromEntries(await brokenPack())));
  await expect(page.getByText('1 of 3 findings')).toBeVisible();
});
