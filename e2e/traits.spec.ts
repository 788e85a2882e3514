import type { Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { sound } from '../demo/art/sounds.ts';
import { expect, saved, test } from './testing/server.ts';
import { pressOnceThere } from './testing/press.ts';

const passes = 'Every rule passes for this block.';

/** Scrolls whatever scrolls: of a long table only the lines in sight are drawn. */
const scrolled = (page: Page, top: number) =>
  page.evaluate((to) => {
    for (const element of document.querySelectorAll('*')) element.scrollTop = to;
  }, top);

test('a block is declared from stock, dragged until a bronze pick takes one second, and gated', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/blocks`);
  await page.getByRole('button', { name: 'New block' }).click();
  await page.getByLabel('Name', { exact: true }).fill('Tide stone');
  await page.getByRole('combobox', { name: 'Stock material' }).fill('granite');
  await page.getByRole('option', { name: 'Granite' }).click();
  await page.getByRole('button', { name: 'Declare the block' }).click();
  await expect(page).toHaveURL(/blocks\/tide_stone\/traits/);
  const bars = page.getByRole('table', { name: 'Seconds to dig' });
  await expect(bars.getByRole('row', { name: /bronze pick/ })).toContainText('2.40 s');
  await page.getByLabel('Only the right tool yields a drop').uncheck();
  // The scale is logarithmic from 0.3 to 16: 3.4 s with bare hands is one second with bronze, which
  // divides by 3.4.
  const ruler = page.getByRole('slider', { name: 'Hardness' }).locator('..');
  const { x, y, width } = (await ruler.boundingBox())!;
  await page.mouse.move(x + width * 0.8, y + 25);
  await page.mouse.down();
  await page.mouse.move(x + width * (Math.log(3.4 / 0.3) / Math.log(16 / 0.3)), y + 25, {
    steps: 6,
  });
  await page.mouse.up();
  await expect(page.getByLabel('Hardness', { exact: true })).toHaveValue('3.4');
  await expect(bars.getByRole('row', { name: /bronze pick/ })).toContainText('1.00 s');
  await expect(bars.getByRole('row', { name: /bare hands/ })).toContainText('1 itself');
  await page.getByLabel('Only the right tool yields a drop').check();
  await expect(bars.getByRole('row', { name: /bare hands/ })).toContainText('10.20 s');
  await expect(bars.getByRole('row', { name: /bare hands/ })).toContainText('nothing');
  await expect(page.getByText('Under a second from the steel pick on.')).toBeVisible();
  await expect(page.getByText('stock: 8 (×0.42)')).toBeVisible();
});

test('light by state: the room follows the state, and a wall tells what it lets through', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/blocks/tide_gauge/traits`);
  const light = page.getByRole('region', { name: 'Light' });
  await light.getByRole('button', { name: 'Make it depend on the state' }).first().click();
  await light.getByLabel('Light emitted, row 1').fill('11');
  await expect(light.getByRole('img', { name: /A room cut open: 11 at the block/ })).toBeVisible();
  await light.getByLabel('Light absorbed, number').fill('4');
  await expect(light.getByText('leaves 10, 6 or 2')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(light.getByText('leaves 10, 6 or 2')).toBeHidden();
});

test('blasts: exact in the open as curve and table, behind cover, and tried in a wall with a seed', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/blocks/salt_crust/traits`);
  const blast = page.getByRole('region', { name: 'Blast' });
  await blast.getByRole('button', { name: 'As a table' }).click();
  await expect(blast.getByRole('row').nth(5)).toContainText('5');
  await blast.getByLabel('blast rating', { exact: true }).fill('40');
  await expect(
    blast.getByText(
      'It survives nine times in ten: a small charge (4) even touching, a charge (10) even touching, a great charge (24) even touching.',
    ),
  ).toBeVisible();
  await blast.getByText('Behind cover').click();
  await expect(blast.getByRole('figure', { name: 'Odds of survival behind cover' })).toBeVisible();
  await blast.getByLabel('blast rating', { exact: true }).fill('3');
  await blast.getByText('In a wall').click();
  await expect(blast.getByText('150 charges at each distance, seed 1')).toBeVisible({
    timeout: 60_000,
  });
  await expect(
    blast.getByRole('img', {
      name: /Crater of a charge in a wall of it: the front block is gone in/,
    }),
  ).toBeVisible();
  const cancelled = pressOnceThere(page, 'Cancel');
  await blast.getByRole('button', { name: 'Try another seed' }).click();
  await cancelled;
  // What was cancelled has found nothing: the numbers are still those of the first seed.
  await expect(blast.getByText('seed 1')).toBeVisible();
  const cancelledAgain = pressOnceThere(page, 'Cancel');
  await blast.getByLabel('blast rating', { exact: true }).fill('5');
  await cancelledAgain;
  await expect(blast.getByText('Cancelled.')).toBeVisible();
  await expect(blast.getByRole('img', { name: /Crater/ })).toBeHidden();
});

test('sounds: a set of its own with an imported file, its facts, and a file that is none', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/blocks/sluice_gate/traits`);
  const sounds = page.getByRole('region', { name: 'Sound' });
  await sounds.getByRole('button', { name: 'Play step' }).click();
  await expect(sounds.getByText(/Played obrank:timber\/step/)).toBeVisible();
  await sounds.getByRole('button', { name: 'Make a sound set of its own' }).click();
  await expect(sounds.getByRole('button', { name: 'step silent' })).toBeDisabled();
  const choose = sounds.locator('input[type=file]');
  await choose.setInputFiles({
    name: 'Creak.wav',
    mimeType: 'audio/wav',
    buffer: Buffer.from(sound({ seconds: 0.25, decay: 4, low: 0.3, seed: 8 })),
  });
  await sounds
    .getByRole('group', { name: 'Files for step' })
    .getByRole('button', { name: 'Add a file' })
    .click();
  await sounds.getByLabel('File 1 for step', { exact: true }).click();
  await page.getByRole('option', { name: 'saltmarsh:timber/creak' }).click();
  await expect(sounds.getByRole('group', { name: 'Files for step' })).toContainText(
    '0.25 s · one channel · 22,050 Hz · peak -3.1 dB · WAV',
  );
  await sounds.getByLabel('Pitch of file 1 for step, least').fill('0.8');
  await choose.setInputFiles({
    name: 'noise.wav',
    mimeType: 'audio/wav',
    buffer: Buffer.from('RIFFnothing'),
  });
  await expect(sounds.getByRole('alert')).toContainText(
    'noise.wav: This is neither a WAV nor an Ogg file.',
  );
  await saved(page);
  await page.reload();
  await expect(sounds.getByRole('button', { name: 'Play step' })).toContainText('1 file');
});

test('sounds in the library: imported by dropping a file, heard, told who plays them, and removed while nobody does', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/library`);
  await page.locator('input[type=file]').setInputFiles([
    {
      name: 'Low tide.wav',
      mimeType: 'audio/wav',
      buffer: Buffer.from(sound({ seconds: 0.5, decay: 2, low: 0.1, seed: 3 })),
    },
    { name: 'broken.ogg', mimeType: 'audio/ogg', buffer: Buffer.from('OggS') },
  ]);
  const tide = page.getByRole('listitem', { name: 'low_tide' });
  await expect(tide).toContainText('0.50 s · one channel · 22,050 Hz');
  await expect(tide).toContainText('in no set');
  await expect(page.getByRole('alert')).toContainText(
    'broken.ogg: The Ogg file is cut short or damaged between its pages.',
  );
  await expect(page.getByRole('listitem', { name: 'crust/step' })).toContainText('in 1 set: crust');
  await expect(
    page.getByRole('listitem', { name: 'crust/step' }).getByRole('button', { name: 'Remove' }),
  ).toHaveCount(0);
  await tide.getByRole('button', { name: 'Play' }).click();
  await tide.getByRole('button', { name: 'Remove' }).click();
  await expect(tide).toBeHidden();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(tide).toBeVisible();
});

test('the see-through mistake shows in the ground, is found, and mended', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/blocks/tide_lantern/traits?state=13`);
  await expect(page.getByText(passes)).toBeVisible();
  await page.getByText('Ground', { exact: true }).click();
  await page.getByRole('radiogroup', { name: 'Hides neighbours' }).getByText('whole').click();
  await expect(
    page.getByText(/tide_lantern hides its neighbours, but its alpha mode is mask/),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Never hide neighbours' }).click();
  await expect(page.getByText(passes)).toBeVisible();
});

test('many blocks at once: seen before it is done, done, and undone in one step; side by side with stock', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/data/traits`);
  const line = (name: string) => page.getByRole('row', { name: new RegExp(name) });
  await line('Salt crust').click();
  await line('Siltium seam').click({ modifiers: ['Shift'] });
  await expect(page.getByText('5 lines chosen')).toBeVisible();
  await expect(line('Salt crust')).toContainText('1.2 1.8');
  await page.getByRole('button', { name: 'Change 5 blocks' }).click();
  await expect(line('Salt crust').getByRole('gridcell').first()).toHaveText('1.8');
  await expect(page.getByRole('button', { name: 'Undo' })).toHaveAttribute(
    'title',
    /Multiply hardness of 5 blocks/,
  );
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(line('Salt crust').getByRole('gridcell').first()).toHaveText('1.2');
  await page
    .getByRole('columnheader', { name: /hardness/ })
    .getByRole('button')
    .click();
  await expect(page.getByRole('columnheader', { name: /hardness/ })).toHaveAttribute(
    'aria-sort',
    'ascending',
  );
  await scrolled(page, 0);
  await expect(page.getByRole('row').nth(1)).toContainText('Samphire');
  await page.getByRole('button', { name: 'Side by side' }).click();
  const beside = page.getByRole('table', { name: 'Side by side' });
  await page.getByLabel('Add to the comparison').click();
  await page.getByRole('option', { name: 'Granite, stock' }).click();
  await expect(beside.getByRole('row', { name: /dug with bare hands/ })).toContainText(
    '24.00 s, no drop',
  );
  await expect(page).toHaveURL(/stock%2Fgranite|stock\/granite/);
});

test('CSV: what is exported comes in unchanged; changed cells are shown first; a bad line is named and touches nothing', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/data/traits`);
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Export CSV' }).click();
  const text = readFileSync(await (await download).path(), 'utf8');
  const take = (csv: string) =>
    page
      .locator('input[type=file]')
      .setInputFiles({ name: 'traits.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) });
  const dialog = page.getByRole('dialog');
  await take(text);
  await expect(dialog).toContainText('Nothing in it differs from the mod.');
  await dialog.getByRole('button', { name: 'Close', exact: true }).last().click();
  await take(
    text.replace('salt_crust,1.2,', 'salt_crust,2.5,').replace('tide_gauge,2,', 'tide_gauge,soft,'),
  );
  await expect(dialog.getByRole('alert')).toContainText('tide_gauge: soft is no hardness.');
  await expect(dialog).toContainText('1 cell of 1 block would change');
  await dialog.getByRole('button', { name: 'Change 1 cell' }).click();
  await expect(
    page
      .getByRole('row', { name: /Salt crust/ })
      .getByRole('gridcell')
      .first(),
  ).toHaveText('2.5');
  await scrolled(page, 100_000);
  await expect(
    page
      .getByRole('row', { name: /Tide gauge/ })
      .getByRole('gridcell')
      .first(),
  ).toHaveText('2');
  await saved(page);
});

test('the tool ladder: a new pace shows at once, and blocks go on asking for the same tool when grades move', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/data/tools`);
  const ladder = page.getByRole('table', { name: 'Tool ladder' });
  await ladder.getByLabel('Pace of bronze').fill('4');
  await expect(ladder.getByRole('row').nth(2)).toContainText('2.00 s');
  await expect(ladder.getByRole('row').nth(1)).toContainText('28 blocks');
  await page.getByRole('button', { name: 'Move flint down in the list' }).click();
  await expect(ladder.getByLabel('Name of grade 1')).toHaveValue('flint');
  await expect(ladder.getByRole('row').nth(2)).toContainText('28 blocks');
  await ladder.getByLabel('Name of grade 0').fill('flint');
  await page.keyboard.press('Enter');
  await expect(ladder.getByText('Another grade has this name.')).toBeVisible();
  await page.keyboard.press('Escape');
  await page.goto(`${server.address}/m/saltmarsh/blocks/tide_lantern/traits`);
  await expect(page.getByLabel('Least grade')).toHaveValue('flint up');
});

test('a kit with numbers of its own: what its engine does stands beside the reference, for every tool', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/build`);
  await page.getByRole('combobox', { name: /kit/i }).click();
  await page.getByRole('option', { name: /four-bit/ }).click();
  await page.goto(`${server.address}/m/saltmarsh/blocks/tide_lantern/traits`);
  const bars = page.getByRole('table', { name: 'Seconds to dig' });
  await expect(bars.getByRole('row', { name: /bare hands/ })).toContainText(
    '9.60 s12.80 s192 ticks128 ticks',
  );
  await expect(bars.getByRole('row', { name: /bronze pick/ })).toContainText(
    '0.95 s1.00 s19 ticks10 ticks',
  );
  await expect(
    page.getByText('10 ticks a second, the wrong tool takes 4 times as long.'),
  ).toBeVisible();
  await page.getByLabel('Dug with care').check();
  await expect(bars.getByRole('row', { name: /bronze pick/ })).toContainText('1 itself');
});
