import { readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { readZip } from '../core/bytes/index.ts';
import { inspectBuilt } from '../core/inspect/index.ts';
import { blockPack } from '../core/kits/block-pack/index.ts';
import { editMod } from './testing/edit.ts';
import { expect, saved, test } from './testing/server.ts';

test('from declaration to a checked, built pack: change, see, err, mend, undo, build, download, reload', async ({
  page,
  server,
}) => {
  await page.goto(server.address);
  await expect(page.getByRole('heading', { name: /Blocks 34/ })).toBeVisible();
  await page.getByRole('link', { name: /Tide lantern/ }).click();
  await expect(page.getByText('Every rule passes for this block.')).toBeVisible();

  // Change hardness: the dig times move at once, the file shows the lines that will change.
  const hardness = page.getByLabel('Hardness', { exact: true });
  await hardness.fill('6.4');
  await expect(page.getByRole('table', { name: 'Seconds to dig' })).toContainText(
    '19.20 s384 ticksnothing',
  );
  await saved(page);
  await page.getByRole('button', { name: /files/ }).click();
  const files = page.getByLabel('Files of the block');
  await expect(files.getByLabel('new line').locator('..')).toHaveText(/"hardness": 6\.4/);
  await expect(files.getByLabel('old line').locator('..')).toHaveText(/"hardness": 3\.2/);
  await page.getByRole('button', { name: 'Back to the stage' }).click();

  // Make an error: two states lose their look. It is found, its state is hatched, the fix mends it.
  await page.getByRole('link', { name: 'Looks' }).click();
  await page.getByLabel('Remove row 8').click();
  await expect(
    page.getByText('tide_lantern: the state heading = west, hung = wall, lit = true has no look.'),
  ).toBeVisible();
  await expect(page.getByText('24 states · 1 without a look')).toBeVisible();
  await expect(page.getByRole('link', { name: 'Inspection' })).toContainText('1');
  await page.getByRole('button', { name: /^Copy the look of heading = / }).click();
  await expect(page.getByText('Every rule passes for this block.')).toBeVisible();

  // Undo goes back over both steps and the hardness, one by one.
  await saved(page);
  const undo = page.getByRole('button', { name: 'Undo' });
  await undo.click();
  await expect(page.getByText('24 states · 1 without a look')).toBeVisible();
  await undo.click();
  await expect(page.getByText('24 states · all with a look')).toBeVisible();
  await undo.click();
  await expect(undo).toBeDisabled();
  await page.getByRole('button', { name: 'Redo' }).click();
  await page.getByRole('link', { name: 'Traits' }).click();
  await expect(hardness).toHaveValue('6.4');
  await saved(page);

  // Build into a folder, then see nothing left to do; download the pack and check it with the
  // reader.
  const target = path.join(server.folder, 'pack');
  await page.getByRole('link', { name: 'Build', exact: true }).click();
  await page.getByLabel(/Folder on this machine/).fill(target);
  await expect(page.getByText('379 new')).toBeVisible();
  await page.getByRole('button', { name: 'Build the pack' }).click();
  await expect(page.getByText('379 the same')).toBeVisible();
  expect(
    JSON.parse(readFileSync(path.join(target, 'rules/blocks/tide_lantern.json'), 'utf8')),
  ).toMatchObject({ hardness: 6.4 });
  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Download the .obpack' }).click();
  const pack = readFileSync(await (await download).path());
  expect(inspectBuilt(blockPack, readZip(pack))).toEqual([]);

  // Reload: everything is there.
  await page.reload();
  await expect(page.getByLabel(/Folder on this machine/)).toHaveValue(target);
  await page.getByRole('link', { name: 'Blocks' }).click();
  await page.getByRole('link', { name: /Tide lantern/ }).click();
  await expect(hardness).toHaveValue('6.4');
});

test('a hand edit in the output folder stays, and what both changed is asked place by place', async ({
  page,
  server,
}) => {
  const target = path.join(server.folder, 'pack');
  await page.goto(`${server.address}/m/saltmarsh/build`);
  await page.getByLabel(/Folder on this machine/).fill(target);
  const build = page.getByRole('button', { name: /^Build/ }).last();
  await expect(page.getByText('379 new')).toBeVisible();
  await build.click();
  await expect(page.getByText('379 the same')).toBeVisible();
  const file = path.join(target, 'rules/blocks/tide_lantern.json');
  const built = JSON.parse(readFileSync(file, 'utf8')) as Record<string, unknown>;
  const byHand = { ...built, hardness: 9, blastRating: 7 };
  writeFileSync(file, JSON.stringify(byHand));
  await page.reload();
  await expect(page.getByText('378 the same · 1 kept by hand')).toBeVisible();
  await build.click();
  await expect(page.getByText('Built', { exact: true })).toBeVisible();
  expect(JSON.parse(readFileSync(file, 'utf8'))).toMatchObject({ hardness: 9, blastRating: 7 });

  // The mod changes the same place: the two stand side by side.
  await editMod(page, server.address, [
    { path: '/blocks/tide_lantern/traits/hardness', before: 3.2, after: 4.5 },
  ]);
  await expect(
    page.getByText(/You and the mod changed the same place in 1 of the files/),
  ).toBeVisible();
  await expect(build).toBeDisabled();
  await page.getByRole('button', { name: /tide_lantern\.json both changed it/ }).click();
  const both = page.getByRole('region', { name: 'Changed by both' });
  await expect(both).toContainText('1 place to decide');
  await expect(both).toContainText('/hardness was 3.2');
  await both.getByRole('button', { name: /As it is built now/ }).click();
  await expect(both).toContainText('All decided');
  await expect(build).toBeEnabled();
  await build.click();
  await expect(page.getByText('Built', { exact: true })).toBeVisible();
  expect(JSON.parse(readFileSync(file, 'utf8'))).toMatchObject({ hardness: 4.5, blastRating: 7 });

  // A file is one's own whatever the mod says, until one says otherwise.
  await page.getByRole('button', { name: /tide_lantern\.json kept by hand/ }).click();
  const mine = page.getByRole('checkbox', { name: /This file is mine/ });
  await mine.check();
  await expect(page.getByText('1 yours')).toBeVisible();
  await mine.uncheck();
  await page.getByRole('button', { name: 'Drop what was changed by hand' }).click();
  await expect(page.getByText(/^1 changed · 37\d the same/)).toBeVisible();
  await build.click();
  await expect(page.getByText('379 the same')).toBeVisible();
  expect(JSON.parse(readFileSync(file, 'utf8'))).toEqual({ ...built, hardness: 4.5 });
  await page.getByLabel(/Folder on this machine/).fill('/dev/null');
  await expect(
    page.getByText('/dev/null is not a place for a pack. Choose a folder of its own.'),
  ).toBeVisible();
});

test('build as I go: what changes is built a moment later, wherever one is in the page', async ({
  page,
  server,
}) => {
  const target = path.join(server.folder, 'pack');
  await page.goto(`${server.address}/m/saltmarsh/build`);
  await page.getByLabel(/Folder on this machine/).fill(target);
  await expect(page.getByText('379 new')).toBeVisible();
  await page.getByRole('checkbox', { name: 'Build as I go' }).check();
  await expect(page.getByText(/^Built at /)).toBeVisible();
  await expect(page.getByText('379 the same')).toBeVisible();
  await page.getByRole('link', { name: 'Blocks' }).click();
  await page.getByRole('link', { name: /Tide lantern/ }).click();
  const hardness = page.getByLabel('Hardness', { exact: true });
  await hardness.fill('5.5');
  await hardness.press('Enter');
  const file = path.join(target, 'rules/blocks/tide_lantern.json');
  // While the whole folder is put in the place of the one before, the file is in neither.
  await expect(() => {
    expect(readFileSync(file, 'utf8')).toContain('"hardness": 5.5');
  }).toPass();
  // Turned off, it rests.
  await page.getByRole('link', { name: 'Build', exact: true }).first().click();
  await page.getByRole('checkbox', { name: 'Build as I go' }).uncheck();
  await editMod(
    page,
    server.address,
    [{ path: '/blocks/tide_lantern/traits/hardness', before: 5.5, after: 6.5 }],
    1,
  );
  await expect(page.getByText(/2 changed · 377 the same/)).toBeVisible();
  expect(readFileSync(file, 'utf8')).toContain('"hardness": 5.5');
});

test('a block is declared from stock and is complete; a picture that is none is refused with the reason', async ({
  page,
  server,
}) => {
  await page.goto(server.address);
  await page.getByRole('button', { name: 'New block' }).click();
  await page.getByLabel('Name', { exact: true }).fill('Mussel brick');
  await page.getByRole('combobox', { name: 'Stock material' }).fill('brick');
  await page.getByRole('option', { name: 'Brick' }).click();
  // Bricks are made, and nothing makes these yet: here the world shall have them.
  const origin = page.getByRole('radiogroup', { name: 'How players come by it' });
  await expect(origin.getByRole('radio', { name: 'Players make it' })).toBeChecked();
  await origin.getByText('The world has it').click();
  await page.getByRole('button', { name: 'Declare the block' }).click();
  await expect(page).toHaveURL(/blocks\/mussel_brick\/traits/);
  // German is a language of the mod, and a new block has no German name yet.
  await expect(page.getByText('mussel_brick has no name in de.')).toBeVisible();
  await page.keyboard.press('9');
  await page.getByLabel('Name in de').fill('Muschelziegel');
  await expect(page.getByText('Every rule passes for this block.')).toBeVisible();
  await saved(page);
  await page.getByRole('link', { name: 'Textures' }).click();
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Replace with a PNG' }).click();
  await (
    await chooser
  ).setFiles({ name: 'brick.png', mimeType: 'image/png', buffer: Buffer.from('no picture') });
  await expect(page.getByRole('alert')).toHaveText(
    'This is no PNG, GIF or WebP: its first bytes are those of another kind of file.',
  );
});

test('in a searchable choice Enter takes what was typed, at once and without the mouse; what is called nothing is not taken', async ({
  page,
  server,
}) => {
  await page.goto(server.address);
  await page.getByRole('button', { name: 'New block' }).click();
  await page.getByLabel('Name', { exact: true }).fill('Mussel brick');
  const stock = page.getByRole('combobox', { name: 'Stock material' });
  await stock.focus();
  await page.keyboard.type('bri');
  await page.keyboard.press('Enter');
  await expect(stock).toHaveValue('Brick');
  await stock.focus();
  await page.keyboard.type('zzz');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Nothing is called so')).toBeVisible();
  await page.getByLabel('Name', { exact: true }).focus();
  await expect(stock).toHaveValue('Brick');
  // An arrow goes through the list, and Enter takes where it stands.
  await stock.focus();
  await page.keyboard.type('gr');
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('Enter');
  await expect(stock).toHaveValue('Granite');
  await page.getByRole('button', { name: 'Declare the block' }).click();
  await expect(page).toHaveURL(/blocks\/mussel_brick\/traits/);
  await expect(page.getByText('stock: granite')).toBeVisible();
});

test('the server is killed and comes back: what was marked as saved is there, and what was not is sent again', async ({
  page,
  killable: server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/blocks/tide_lantern/traits`);
  const hardness = page.getByLabel('Hardness', { exact: true });
  await hardness.fill('7');
  await saved(page);
  await server.kill();
  await hardness.fill('8');
  await expect(page.getByText('Not saved: the server does not answer')).toBeVisible();
  await server.start();
  await saved(page);
  await page.reload();
  await expect(hardness).toHaveValue('8');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(hardness).toHaveValue('7');
});

test('the disk is full: the page says so, keeps what was typed, and saves it by itself once there is room', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/blocks/tide_lantern/traits`);
  const problem = {
    type: 'about:blank',
    title: 'Disk full',
    status: 507,
    detail: 'The disk that holds the mods is full, so nothing of this was saved.',
  };
  await page.route('**/edits', (route) =>
    route.fulfill({
      status: 507,
      contentType: 'application/problem+json',
      body: JSON.stringify(problem),
    }),
  );
  const hardness = page.getByLabel('Hardness', { exact: true });
  await hardness.fill('7');
  await expect(page.getByText('Not saved: the disk cannot take it')).toBeVisible();
  await expect(
    page.getByText('The disk that holds the mods is full, so nothing of this was saved.'),
  ).toBeVisible();
  await hardness.fill('8');
  await page.unroute('**/edits');
  await saved(page);
  await page.reload();
  await expect(hardness).toHaveValue('8');
});

test('two windows: other places are merged, the same place is asked about and no text is lost', async ({
  page,
  server,
  context,
}) => {
  const address = `${server.address}/m/saltmarsh/blocks/tide_lantern`;
  const other = await context.newPage();
  await page.goto(`${address}/traits`);
  await other.goto(`${address}/traits`);
  const [mine, theirs] = [
    page.getByLabel('blast rating', { exact: true }),
    other.getByLabel('Hardness', { exact: true }),
  ];
  await theirs.fill('5');
  await expect(page.getByLabel('Hardness', { exact: true })).toHaveValue('5');
  await mine.fill('9');
  await expect(other.getByLabel('blast rating', { exact: true })).toHaveValue('9');

  // The same place at once: the first window is kept from sending until the second has been saved.
  let held: (() => void) | undefined;
  await page.route(
    '**/edits',
    async (route) => {
      await new Promise<void>((resolve) => {
        held = resolve;
      });
      await route.continue();
    },
    { times: 1 },
  );
  await page.getByLabel('Hardness', { exact: true }).fill('11');
  await expect.poll(() => held !== undefined).toBe(true);
  await theirs.fill('12');
  await saved(other);
  held!();
  const dialog = page.getByRole('dialog', { name: 'Somebody else was faster' });
  await expect(dialog).toContainText(/window [a-z]{4} did “Change hardness”/);
  await expect(dialog).toContainText('11');
  await expect(dialog).toContainText('12');
  await dialog.getByRole('button', { name: 'Keep mine' }).click();
  await expect(other.getByLabel('Hardness', { exact: true })).toHaveValue('11');
});
