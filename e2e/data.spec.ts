import { readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { expect, saved, test } from './testing/server.ts';

const passes = 'Every rule passes for this block.';

test('from a block that drops nothing to a right truth table, with keys alone', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/blocks/oyster_brick/loot`);
  const grid = page.getByRole('grid', { name: 'What would drop' });
  const cell = (name: string) => grid.getByRole('gridcell', { name, exact: true });
  await expect(cell('flint pick: 1 Oyster brick (itself)')).toBeVisible();
  await page.keyboard.press('n');
  await expect(cell('flint pick: nothing')).toBeVisible();
  // With a flint pick shells, with a better one the brick itself, whatever is careful itself, a
  // blast leaves a shell.
  await grid.focus();
  for (const key of [
    'ArrowDown',
    'ArrowDown',
    'Shift+ArrowDown',
    'i',
    'ArrowUp',
    'ArrowUp',
    'ArrowUp',
  ])
    await page.keyboard.press(key);
  await expect(cell('steel pick: 1 Oyster brick (itself)')).toBeVisible();
  await expect(cell('flint pick: nothing')).toBeVisible();
  for (const key of ['ArrowRight', 'c', 'i', 'ArrowLeft', 'ArrowDown', 'Enter'])
    await page.keyboard.press(key);
  await page.keyboard.type('oyster shell');
  await expect(page.getByRole('option', { name: /Oyster shell/ })).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(cell('flint pick: 1 Oyster shell')).toBeVisible();
  await expect(cell('flint pick, careful: 1 Oyster brick (itself)')).toBeVisible();
  await expect(cell('bronze pick: 1 Oyster brick (itself)')).toBeVisible();
  await expect(cell('bare hands: nothing: gated')).toBeVisible();
  await expect(cell('a blast: nothing')).toBeVisible();
  await expect(page.getByText(passes)).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(cell('flint pick: 1 Oyster shell')).toBeVisible();
  for (let step = 0; step < 4; step += 1) await page.keyboard.press('Control+z');
  await expect(cell('flint pick: 1 Oyster brick (itself)')).toBeVisible();
});

test('loot: draws, shares, conditions and tables; the exact odds lie in the band of a hundred thousand breaks', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/blocks/samphire/loot`);
  const cell = (name: RegExp | string) =>
    page.getByRole('grid', { name: 'What would drop' }).getByRole('gridcell', { name });
  await expect(cell(/^bare hands: 0.9 Samphire seeds, 58.8 times in 100$/)).toBeVisible();
  // Three tries at 40 in 100 by three shares in four; luck of one makes it four in five.
  await page.getByLabel('Luck of the player').fill('1');
  await expect(cell(/^bare hands: 0.96 Samphire seeds, 62.72 times in 100$/)).toBeVisible();
  await page.getByLabel('Luck of the player').fill('0');
  await page.getByRole('button', { name: 'Break it 100,000 times' }).click();
  await expect(page.getByText(/Seed 1; the band holds/)).toBeVisible();
  await page.getByRole('button', { name: 'As a table' }).click();
  const numbers = page.getByRole('figure', { name: /How many Samphire seeds/ }).getByRole('row');
  await expect(numbers.nth(1)).toContainText('41.2%');
  const tried = Number(/([\d.]+)% \(/.exec(await numbers.nth(1).innerText())![1]);
  expect(Math.abs(tried - 41.2)).toBeLessThan(1);
  // Another lot, only with a steel sickle or when not by a blast, drawn from a table.
  await page.getByRole('button', { name: '+ Add a lot' }).click();
  const lot = page.getByRole('group', { name: 'Lot 4' });
  await lot.getByLabel('What the lot is').selectOption('draws from');
  await lot.getByLabel('How it is drawn').selectOption('surely');
  await lot.getByRole('button', { name: '+ only when …' }).click();
  await page.getByRole('menuitem', { name: 'a kind of tool' }).click();
  await lot.getByLabel('Kind of tool', { exact: true }).selectOption('sickle');
  await lot.getByLabel('Least grade', { exact: true }).selectOption('steel');
  await expect(cell(/^steel sickle: 0.75 Oyster shell, 75 times in 100; 0.5 Salt/)).toBeVisible();
  await expect(cell(/^bronze sickle: 0.9 Samphire seeds/)).toBeVisible();
  await lot.getByLabel('Least grade', { exact: true }).selectOption('');
  await expect(cell(/^flint sickle: 0.75 Oyster shell/)).toBeVisible();
  // A count that is upside down is found and mended.
  await page
    .getByRole('group', { name: 'Lot 1' })
    .getByLabel('How of it is counted')
    .selectOption('from');
  await page.getByRole('group', { name: 'Lot 1' }).getByLabel('Least of it').fill('4');
  await expect(page.getByRole('group', { name: 'Lot 1' }).getByLabel('Most of it')).toHaveValue(
    '4',
  );
});

test('three blocks are missing in the tags of their tools: all three are mended at once', async ({
  page,
  server,
}) => {
  for (const block of ['salt_crust', 'tide_lantern', 'reed_thatch']) {
    await page.goto(`${server.address}/m/saltmarsh/blocks/${block}/tags`);
    const tags = page.getByRole('region', { name: 'Tags' }).getByLabel('Tags', { exact: true });
    await tags.focus();
    for (let i = 0; i < 2; i += 1) await page.keyboard.press('Backspace');
    await expect(page.getByText(/but is not in the tag/)).toBeVisible();
    await saved(page);
  }
  await page.goto(`${server.address}/m/saltmarsh/data/tags`);
  await expect(
    page.getByRole('gridcell', { name: 'Salt crust and saltmarsh:spade_dug: a trait asks for it' }),
  ).toBeVisible();
  await page.goto(`${server.address}/m/saltmarsh/inspection`);
  await page.getByRole('button', { name: 'Fix all 3' }).click();
  await expect(page.getByText(/is not in the tag/)).toHaveCount(0);
  await page.goto(`${server.address}/m/saltmarsh/data/tags`);
  await expect(
    page.getByRole('gridcell', { name: 'Salt crust and saltmarsh:spade_dug: in it' }),
  ).toBeVisible();
});

test('tags: a matrix with keys; tags in tags, what would close a circle is refused', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/data/tags`);
  const cell = (who: string, tag: string, says: string) =>
    page.getByRole('gridcell', { name: `${who} and saltmarsh:${tag}: ${says}`, exact: true });
  await page.getByRole('grid', { name: 'Blocks by tags' }).focus();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Space');
  await expect(cell('Brack seam', 'burns_well', 'in it')).toBeVisible();
  await page.keyboard.press('Space');
  await expect(cell('Brack seam', 'burns_well', 'not in it')).toBeVisible();
  await page.keyboard.press('Control+ArrowDown');
  await cell('#seams', 'lamps', 'not in it').click();
  await page.keyboard.press('Control+ArrowUp');
  await expect(cell('Brack seam', 'lamps', 'in it through another tag')).toBeVisible();
  await page.keyboard.press('Control+ArrowDown');
  await expect(cell('#lamps', 'seams', 'would close a circle')).toBeVisible();
  await cell('#lamps', 'seams', 'would close a circle').click();
  await expect(cell('#lamps', 'seams', 'would close a circle')).toBeVisible();
  await page.getByRole('columnheader', { name: /lamps/ }).click();
  await expect(page.getByText('5 members')).toBeVisible();
  await page.getByRole('button', { name: 'Rename' }).click();
  await page.getByLabel('New id').fill('beacons');
  await expect(page.getByText(/1 block will follow/)).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('columnheader', { name: /beacons/ })).toBeVisible();
  await page.goto(`${server.address}/m/saltmarsh/inspection`);
  await expect(page.getByRole('heading', { name: 'Nothing wrong' })).toBeVisible();
});

test('recipes: filled by typing and by dragging; a clash is found by what tags stand for; what cannot be had is told', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/data/recipes/tide_lantern`);
  await expect(page.getByLabel('What one costs')).toContainText('6 Raw brack');
  await page.getByRole('button', { name: 'New recipe' }).click();
  await page.getByRole('menuitem', { name: /^Mix/ }).click();
  await expect(page.getByRole('heading', { name: /mix/ })).toBeVisible();
  const slots = page.getByRole('grid', { name: /takes/ });
  await slots.focus();
  await page.keyboard.type('samphire');
  await page.getByRole('option', { name: /^Samphire saltmarsh:samphire$/ }).click();
  await expect(slots.getByRole('gridcell', { name: 'Samphire', exact: true })).toBeVisible();
  await page
    .getByRole('button', { name: /^#wicks/ })
    .dragTo(slots.getByRole('gridcell', { name: 'empty' }));
  await expect(slots.getByRole('gridcell', { name: '#saltmarsh:wicks: any of 2' })).toBeVisible();
  // Another mix of the same things that gives something else.
  await page.getByRole('button', { name: 'New recipe' }).click();
  await page.getByRole('menuitem', { name: /^Pattern/ }).click();
  await page.getByRole('button', { name: 'More wide' }).click();
  await page
    .getByRole('button', { name: /^Reed thatch/ })
    .first()
    .click();
  await page.keyboard.press('Escape');
  await page.getByRole('grid', { name: /takes/ }).getByRole('gridcell', { name: 'empty' }).click();
  await page
    .getByRole('button', { name: /^Samphire saltmarsh/ })
    .or(page.getByTitle('Samphire saltmarsh:samphire'))
    .first()
    .click();
  await page.getByLabel('How many it gives').fill('5');
  await expect(page.getByText(/both take/)).toBeVisible();
  // The world stops giving seams: what is made of them cannot be had any more.
  await page.goto(`${server.address}/m/saltmarsh/blocks/siltium_seam/identity`);
  await page.getByLabel('The world has it').uncheck();
  await expect(
    page.getByText(
      'Nobody can come to have saltmarsh:siltium_seam: the world does not give it, and no recipe does.',
    ),
  ).toBeVisible();
  await page.goto(`${server.address}/m/saltmarsh/data/items/siltium_bar`);
  await expect(page.getByText(/^Nobody can come to have saltmarsh:siltium_bar: /)).toBeVisible();
});

test('names: missing ones marked, written in the table, out as PO and back in with a plan', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/data/texts`);
  await expect(page.getByText('Every text is there in every language')).toBeVisible();
  await page.getByRole('button', { name: 'Add a language' }).click();
  await page.getByLabel('Language', { exact: true }).fill('cy');
  await page.keyboard.press('Enter');
  await expect(page.getByText('59 texts not in every language')).toBeVisible();
  await page.getByLabel('Filter the texts').fill('block.salt_crust');
  await page.getByLabel('block.salt_crust in cy').fill('Crofen halen');
  await page.getByLabel('Filter the texts').fill('');
  await expect(page.getByText('58 texts not in every language')).toBeVisible();
  await page.getByRole('button', { name: 'Export' }).click();
  const download = page.waitForEvent('download');
  await page.getByRole('menuitem', { name: 'Welsh as PO' }).click();
  const po = readFileSync(await (await download).path(), 'utf8');
  expect(po).toContain('msgctxt "block.salt_crust"\nmsgid "Salt crust"\nmsgstr "Crofen halen"');
  const file = path.join(server.folder, 'cy.po');
  writeFileSync(
    file,
    po
      .replace(
        'msgctxt "item.salt"\nmsgid "Salt"\nmsgstr ""',
        'msgctxt "item.salt"\nmsgid "Salt"\nmsgstr "Halen"',
      )
      .replace('msgctxt "item.raw_brack"', 'msgctxt "item.raw_brakc"')
      .replace('msgid "Raw brack"\nmsgstr ""', 'msgid "Raw brack"\nmsgstr "Brac"'),
  );
  await page.locator('input[type=file]').setInputFiles(file);
  const dialog = page.getByRole('dialog', { name: 'Take in cy.po' });
  await expect(dialog).toContainText('1 text in cy would change');
  await expect(dialog).toContainText(
    'There is no text item.raw_brakc in the mod. Did you mean item.raw_brack?',
  );
  await dialog.getByRole('button', { name: 'Change 1 text' }).click();
  await page.getByLabel('Filter the texts').fill('item.salt');
  await expect(page.getByLabel('item.salt in cy')).toHaveValue('Halen');
});

test('registry: a release is frozen, a rename survives, a retired block without a successor does not; renaming leaves no finding', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/data/registry`);
  await page.getByRole('button', { name: 'Release it' }).click();
  await expect(page.getByText('Worlds of that version mean the same now.')).toBeVisible();
  await expect(page.getByText('Nothing changed.')).toBeVisible();
  await page.getByPlaceholder('Filter by name or number').fill('salt');
  await page.getByRole('link', { name: 'saltmarsh:salt', exact: true }).click();
  await page.getByRole('button', { name: 'Rename' }).click();
  await page.getByLabel('New id').fill('sea_salt');
  await expect(page.getByText(/^4 lots and 8 ingredients will follow/)).toBeVisible();
  await page.getByText(/places$/).click();
  await expect(page.getByText(/^blocks › salt_crust › loot/).first()).toBeVisible();
  await page.getByRole('button', { name: 'Rename', exact: true }).last().click();
  await expect(page).toHaveURL(/data\/items\/sea_salt/);
  await page.goto(`${server.address}/m/saltmarsh/inspection`);
  await expect(page.getByRole('heading', { name: 'Nothing wrong' })).toBeVisible();
  await page.goto(`${server.address}/m/saltmarsh/data/registry`);
  await expect(page.getByText('salt is called sea_salt; its number 6 stays.')).toBeVisible();
  await page.goto(`${server.address}/m/saltmarsh/blocks/oyster_tile/identity`);
  await page.getByRole('button', { name: 'Remove this block' }).click();
  await expect(page.getByRole('heading', { name: /Blocks 33/ })).toBeVisible();
  await page.goto(`${server.address}/m/saltmarsh/data/registry`);
  await expect(page.getByText('Worlds of that version would change.')).toBeVisible();
  await page.getByLabel('What stands for oyster_tile').selectOption({ label: 'Oyster brick' });
  await expect(page.getByText('Worlds of that version mean the same now.')).toBeVisible();
});

test('items, groups and loot tables are made, shown, and taken away', async ({ page, server }) => {
  await page.goto(`${server.address}/m/saltmarsh/data/items`);
  await page.getByRole('button', { name: 'New item' }).click();
  await page.getByLabel('Id of the new item').fill('Salt');
  await expect(page.getByText('There is already something of that name.')).toBeVisible();
  await page.getByLabel('Id of the new item').fill('Kelp pail');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: /Kelp pail/ })).toBeVisible();
  await page.getByLabel('What it is').selectOption('a bucket');
  await page.getByLabel('What is in the bucket').selectOption('saltmarsh:salt_crust');
  await page.getByRole('combobox', { name: 'Empty bucket' }).click();
  await page.keyboard.type('oyster shell');
  await page.getByRole('option', { name: /Oyster shell/ }).click();
  await expect(page.getByText('It is dipped from Salt crust with Oyster shell.')).toBeVisible();
  await page.goto(`${server.address}/m/saltmarsh/data/groups`);
  await page.getByRole('button', { name: 'New group' }).click();
  await page.getByLabel('Id of the new group').fill('Odds and ends');
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Name of odds_and_ends in en')).toHaveValue('Odds and ends');
  await page.getByRole('button', { name: 'Move odds_and_ends up' }).click();
  await page.goto(`${server.address}/m/saltmarsh/data/loot`);
  await page.getByRole('button', { name: 'New loot table' }).click();
  await page.getByLabel('Id of the new loot table').fill('flotsam');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: '+ Add a lot' }).click();
  await expect(
    page.getByText('No block draws from the loot table saltmarsh:flotsam.'),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Remove this table' }).click();
  await expect(page).toHaveURL(/data\/loot$/);
});

test('renaming in the library: a texture, a model, a sound and a sound set keep everything that names them', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/library`);
  const rename = async (from: string, to: string) => {
    await page
      .getByRole('button', { name: `Rename ${from}`, exact: true })
      .first()
      .click();
    const dialog = page.getByRole('dialog');
    await dialog.getByLabel('New id').fill('Not A Name');
    await expect(dialog.getByRole('alert')).toHaveText(
      'Use lowercase letters, digits and underscores, beginning with a letter.',
    );
    await dialog.getByLabel('New id').fill(to);
    await dialog.getByRole('button', { name: 'Rename', exact: true }).click();
    await expect(dialog).toHaveCount(0);
  };
  await rename('lantern/brass', 'lantern/beaten_brass');
  await rename('lantern/lit', 'lantern/burning');
  await rename('crust', 'salt_crunch');
  await expect(page.getByRole('article', { name: 'lantern/beaten_brass' })).toBeVisible();
  await expect(
    page.getByRole('list', { name: 'Models' }).getByRole('listitem', { name: 'lantern/burning' }),
  ).toContainText('tide_lantern');
  await expect(
    page.getByRole('list', { name: 'Sound sets' }).getByRole('listitem', { name: 'salt_crunch' }),
  ).toContainText('salt_crust');
  await page.goto(`${server.address}/m/saltmarsh/inspection`);
  await expect(page.getByRole('heading', { name: 'Nothing wrong' })).toBeVisible();
});

test('what the item carries: a state that does not come back is found, and the drop then keeps it', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/blocks/tide_lantern/states`);
  await page.getByRole('region', { name: 'States' }).getByText('Placing', { exact: true }).click();
  await page.getByRole('button', { name: 'Add a rule' }).click();
  const rule = page.getByRole('group', { name: 'Rule 5' });
  await rule.getByRole('combobox', { name: 'How' }).click();
  await page.getByRole('option', { name: 'what the item carries' }).click();
  await page
    .getByRole('navigation', { name: 'Facets' })
    .getByRole('link', { name: 'Loot' })
    .click();
  const cell = (name: RegExp) =>
    page.getByRole('grid', { name: 'What would drop' }).getByRole('gridcell', { name });
  // A block that drops itself carries it by itself.
  await expect(
    cell(/^flint pick, .*: 1 Tide lantern \(itself\), keeping lit$/).first(),
  ).toBeVisible();
  await page.getByRole('button', { name: 'As a list of draws' }).click();
  await expect(
    page.getByText('tide_lantern: placing takes lit from the item, but lot 1 does not carry it.'),
  ).toBeVisible();
  await page
    .getByRole('group', { name: 'Lot 1' })
    .getByRole('button', { name: 'lit', exact: true })
    .click();
  await expect(page.getByText(passes)).toBeVisible();
  await expect(cell(/^steel pick, .*keeping lit$/).first()).toBeVisible();
});

test('a cell of the table is edited where it stands, for all chosen lines at once', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/data/traits`);
  const grid = page.getByRole('grid', { name: 'Table of traits' });
  const cell = (block: string, column: number) => page.locator(`#cell-${block}-${column}`);
  await grid.focus();
  await page.keyboard.press('ArrowRight');
  const first = await grid.getAttribute('aria-activedescendant');
  expect(first).toMatch(/^cell-brack_seam-1$/);
  // Typing begins the value; Enter takes it and goes down, Escape leaves it.
  await page.keyboard.type('7,5');
  const field = page.getByLabel('New hardness');
  await expect(field).toHaveValue('7,5');
  await page.keyboard.press('Enter');
  await expect(cell('brack_seam', 1)).toHaveText('7.5');
  await expect(grid).toBeFocused();
  await expect(grid).toHaveAttribute('aria-activedescendant', /driftwood_chair-1$/);
  await page.keyboard.press('F2');
  await field.fill('soft');
  await page.keyboard.press('Enter');
  await expect(field).toHaveAttribute('aria-invalid', 'true');
  await page.keyboard.press('Escape');
  await expect(field).toHaveCount(0);
  await expect(grid).toBeFocused();
  // Over many lines: a grade by its name.
  await page.keyboard.press('Shift+ArrowDown');
  await page.keyboard.press('Shift+ArrowDown');
  await expect(page.getByText('3 lines chosen')).toBeVisible();
  const grade = await page
    .getByRole('columnheader')
    .evaluateAll((heads) => heads.findIndex((head) => head.textContent.startsWith('least grade')));
  for (let i = 1; i < grade; i += 1) await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Enter');
  await page.getByLabel('New least grade').fill('steel');
  await expect(page.getByText('3 blocks', { exact: true })).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(cell('drying_rack', grade)).toHaveText('steel');
  await expect(cell('driftwood_chair', grade)).toHaveText('steel');
  await saved(page);
  await page.keyboard.press('Control+z');
  await expect(cell('drying_rack', grade)).not.toHaveText('steel');
});
