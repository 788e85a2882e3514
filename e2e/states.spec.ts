import { readFileSync } from 'node:fs';
import { coverage, expandRows, StateSpace } from '../core/states/index.ts';
import type { Block, Mod } from '../core/mod/index.ts';
import { expect, saved, test, type Running } from './testing/server.ts';

const passes = 'Every rule passes for this block.';
/** The mod as the server holds it. */
const held = async (server: Running): Promise<Mod> =>
  ((await (await fetch(`${server.address}/api/mods/saltmarsh`)).json()) as { mod: Mod }).mod;
const looksOf = (block: Block) => {
  const space = new StateSpace(block.states.properties);
  return {
    space,
    shown: expandRows(
      block.looks.rows.map(({ when, use }) => ({ when, value: use })),
      space,
    ),
  };
};

test('the matrix of the gate is painted from nothing with the keyboard alone', async ({
  page,
  server,
}) => {
  const painted = looksOf((await held(server)).blocks['sluice_gate']!);
  await page.goto(`${server.address}/m/saltmarsh/blocks/sluice_gate/looks?state=0`);
  await expect(page.getByText(passes)).toBeVisible();
  const press = async (...keys: string[]) => {
    for (const key of keys) await page.keyboard.press(key);
  };
  // Into the matrix, everything away.
  await press('m');
  const grid = page.getByRole('grid', { name: 'State matrix' });
  await expect(grid).toBeFocused();
  await press('Control+a', 'Delete');
  await expect(
    page.getByText('sluice_gate: 12 states have no look; the first is side = north, open = false.'),
  ).toBeVisible();
  await expect(page.getByRole('gridcell', { name: /without a look/ })).toHaveCount(12);
  // All of them are the shut gate, spread along the side that it faces.
  await press('Control+a', 'Enter');
  await page.keyboard.type('gate/shut');
  await press('Enter');
  await expect(grid).toBeFocused();
  await expect(page.getByRole('gridcell', { name: /without a look/ })).toHaveCount(0);
  await press('s');
  // The row of those that are open, wherever it lies: the other model, turned as they are.
  await press('ArrowDown', 'r');
  await expect(page.getByRole('gridcell', { selected: true })).toHaveCount(6);
  await press('Enter');
  await page.keyboard.type('gate/open');
  await press('Enter');
  await expect(page.getByText(passes)).toBeVisible();
  await saved(page);
  const { blocks } = await held(server);
  const { space, shown } = looksOf(blocks['sluice_gate']!);
  expect(shown.map((use) => use![0]!.model)).toEqual(painted.shown.map((use) => use![0]!.model));
  expect(shown.map((use) => use![0]!.front ?? 'south')).toEqual(
    shown.map((_, state) => space.decode(state)['side']),
  );
  await expect(page.getByText('12 rows, and no fewer would do')).toBeVisible();
  // One undo for each stroke.
  await press('Control+z');
  await expect(page.getByText('sluice_gate looks the same')).toHaveCount(0);
  await expect(page.getByRole('gridcell', { name: 'side = up, open = true' })).toBeVisible();
});

test('a property is renamed and everything that names it follows; a value likewise; removing says what it touches', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/blocks/tide_lantern/states`);
  const before = await held(server);
  const name = page.getByRole('group', { name: 'Property hung' }).getByLabel('Property name');
  await name.fill('lit');
  await expect(name).toHaveAttribute('title', 'There is a property called lit already.');
  await name.fill('fixed_to');
  await name.press('Enter');
  await expect(page.getByText(passes)).toBeVisible();
  await page.getByLabel('Value 2 of fixed_to').fill('bracket');
  await page.getByLabel('Value 2 of fixed_to').press('Enter');
  await expect(page.getByText(passes)).toBeVisible();
  await saved(page);
  const { blocks } = await held(server);
  expect(JSON.stringify(blocks['tide_lantern'])).toBe(
    JSON.stringify(before.blocks['tide_lantern'])
      .replaceAll('"hung"', '"fixed_to"')
      .replaceAll('"wall"', '"bracket"'),
  );
  await page.getByLabel('Remove fixed_to').click();
  await expect(
    page.getByText('Removing fixed_to touches 12 rows of the look and 2 rules of placing.'),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Remove fixed_to' }).last().click();
  await expect(page.getByText('8 states · all with a look')).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByText('24 states · all with a look')).toBeVisible();
});

test('coverage is broken, seen in the matrix, and mended; a dead row names what covers it; the rows are made fewer', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/blocks/tide_lantern/looks`);
  await page.getByRole('button', { name: 'Open the matrix' }).click();
  const row = page.getByRole('group', { name: 'Row 9', exact: true });
  await row.getByRole('group', { name: 'lit' }).getByRole('button', { name: 'true' }).click();
  await row.getByRole('group', { name: 'lit' }).getByRole('button', { name: 'false' }).click();
  await expect(
    page.getByText(
      'tide_lantern: 4 states have no look; the first is heading = north, hung = floor, lit = false.',
    ),
  ).toBeVisible();
  await expect(page.getByRole('gridcell', { name: /without a look/ })).toHaveCount(4);
  await expect(page.getByText(/never matches|12 rows/).first()).toBeVisible();
  await page.getByRole('button', { name: 'Copy the nearest look for all of them' }).click();
  await expect(page.getByRole('gridcell', { name: /without a look/ })).toHaveCount(0);
  await page.getByRole('button', { name: /^Say it in \d+ rows$/ }).click();
  await expect(page.getByText(/rows, and no fewer would do|no list has fewer than/)).toBeVisible();
  const lantern = (await held(server)).blocks['tide_lantern']!;
  await saved(page);
  const { space } = looksOf(lantern);
  expect(
    coverage(
      (await held(server)).blocks['tide_lantern']!.looks.rows.map(({ when }) => ({
        when,
        value: 0,
      })),
      space,
    ).uncovered.isEmpty,
  ).toBe(true);
});

test('a lantern is placed on all six sides: the state and its picture follow, and what placing never gives is told', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/blocks/tide_lantern/states`);
  await page.getByText('Placing', { exact: true }).click();
  const tried = page.getByRole('group', { name: 'Try the placing' });
  const cube = tried.getByRole('group', { name: /Click the side/ });
  const expected = {
    north: ['north', 'wall'],
    east: ['east', 'wall'],
    south: ['south', 'wall'],
    west: ['west', 'wall'],
    up: ['south', 'floor'],
    down: ['south', 'ceiling'],
  } as const;
  for (const [side, [heading, hung]] of Object.entries(expected)) {
    await cube.getByRole('button', { name: new RegExp(`^${side}(,|$)`) }).click();
    await expect(tried.locator('[data-property="hung"]')).toHaveText(`hung = ${hung}`);
    await expect(tried.locator('[data-property="heading"]')).toHaveText(`heading = ${heading}`);
  }
  // On the floor it looks toward the player, who walks round it.
  await cube.getByRole('button', { name: /^up/ }).click();
  await cube.getByRole('button', { name: 'The player stands east of it' }).click();
  await expect(tried.locator('[data-property="heading"]')).toHaveText('heading = east');
  await expect(page.getByText('12 of 24 states. Its reactions change lit.')).toBeVisible();
  // A fence joins what stands beside it.
  await page.goto(`${server.address}/m/saltmarsh/blocks/reed_fence/states`);
  await page.getByRole('button', { name: 'Neighbour east: open' }).click();
  await expect(page.locator('[data-property="east"]')).toHaveText('east = true');
  await expect(page.getByText('Each of the 16 states.')).toBeVisible();
});

test('codes: a small kit says what to drop or to move; fields and tables are proved; a clash is found and mended', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/build`);
  await page.getByRole('combobox', { name: 'Kit' }).click();
  await page.getByRole('option', { name: /four-bit/ }).click();
  await page.goto(`${server.address}/m/saltmarsh/blocks/tide_lantern/states`);
  await page.getByText('Codes', { exact: true }).click();
  await expect(
    page.getByText(
      'tide_lantern has 24 states; Block Pack, edition 1, for four-bit states holds at most 16. Without lit there would be 12.',
    ),
  ).toBeVisible();
  const advice = page.getByRole('group', { name: 'What to drop or to move' });
  await expect(advice).toContainText('without lit: 12 states');
  await advice.getByRole('button', { name: 'Move it: 2 blocks' }).click();
  await expect(advice).toHaveCount(0);
  await expect(
    page.getByText('Proved: each of the 12 states has a code of its own and comes back from it.'),
  ).toBeVisible();
  await expect(page.getByRole('link', { name: /Tide lantern \(lit: true\)/ })).toBeVisible();
  await page.getByText('Table by hand', { exact: true }).click();
  await page.getByLabel('Code of heading = north, hung = floor').fill('2');
  await expect(page.getByText(/share the code 2\./).first()).toBeVisible();
  await page.getByRole('button', { name: 'Lay the codes out afresh' }).click();
  await expect(page.getByText('Proved: each of the 12 states')).toBeVisible();
  await page.getByText('Bit fields', { exact: true }).click();
  await expect(
    page.getByText('Each property in bits of its own: heading from bit 2, hung from bit 0.'),
  ).toBeVisible();
});

test('the contact sheet shows every state, is exported, and marks what changed since', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/sheet?block=sluice_gate`);
  await expect(page.getByText('12 states in 12 columns')).toBeVisible();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Export as PNG' }).click();
  const png = await (await download).path();
  await page.getByRole('button', { name: 'side = up, open = true' }).click();
  await expect(page).toHaveURL(/sluice_gate\/looks\?state=9/);
  await expect(page.getByText(passes)).toBeVisible();
  await page.keyboard.press('m');
  await expect(page.getByRole('grid', { name: 'State matrix' })).toBeFocused();
  await page.keyboard.press('Delete');
  await expect(
    page.getByText('sluice_gate: the state side = up, open = true has no look.'),
  ).toBeVisible();
  await page.getByRole('link', { name: 'Contact sheet' }).click();
  await page.getByText('the last build', { exact: true }).click();
  await expect(page.getByText(/pixels in 1 picture differ/)).toBeVisible();
  await page.getByText('a PNG', { exact: true }).click();
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Choose an earlier sheet' }).click();
  await (
    await chooser
  ).setFiles({ name: 'before.png', mimeType: 'image/png', buffer: readFileSync(png) });
  await expect(page.getByText(/pixels in 1 picture differ/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'side = up, open = true, differs' })).toBeVisible();
  const again = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'before.png' }).click();
  await (
    await again
  ).setFiles({ name: 'no.png', mimeType: 'image/png', buffer: Buffer.from('no picture') });
  await expect(page.getByRole('alert')).toContainText('not a PNG');
});

test('the matrix with the mouse: heads, conditions, ranges, candidates for several, another arrangement that is remembered', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/blocks/tide_lantern/looks`);
  await page.getByRole('button', { name: 'Open the matrix' }).click();
  const chosen = page.getByRole('gridcell', { selected: true });
  await page.getByRole('button', { name: 'Choose all with hung = ceiling' }).click();
  await expect(chosen).toHaveCount(8);
  await page
    .getByRole('group', { name: 'Choose states' })
    .getByRole('group', { name: 'lit' })
    .getByRole('button', { name: 'true' })
    .click();
  await expect(chosen).toHaveCount(12);
  const cell = (name: string) => page.getByRole('gridcell', { name, exact: true });
  await cell('heading = north, hung = floor, lit = false').click();
  await cell('heading = east, hung = floor, lit = true').click({ modifiers: ['Shift'] });
  await expect(chosen).toHaveCount(4);
  await cell('heading = west, hung = floor, lit = true').click({ modifiers: ['Control'] });
  await expect(chosen).toHaveCount(5);
  await cell('heading = north, hung = floor, lit = false').click();
  // A second candidate for one cell: both have half of the share, and the state has a row of its
  // own.
  const brush = page.getByRole('group', { name: 'Brush' });
  await brush.getByRole('button', { name: 'Add a candidate' }).click();
  await expect(brush).toContainText('50%');
  await expect(page.getByText(passes)).toBeVisible();
  // The cube turns what is chosen: front to the west, then the top down.
  await brush
    .getByRole('group', { name: 'Pick where the front faces' })
    .getByRole('button', { name: 'west', exact: true })
    .click();
  await brush
    .getByRole('group', { name: 'Pick where the top points' })
    .getByRole('button', { name: 'down', exact: true })
    .click();
  await expect(
    brush.getByRole('button', { name: 'front faces west, top points down' }),
  ).toBeVisible();
  await page.getByLabel('lit runs').selectOption('tabs');
  await expect(page.getByRole('gridcell')).toHaveCount(12);
  await page.reload();
  await expect(page.getByRole('gridcell')).toHaveCount(12);
  await page.getByRole('combobox', { name: 'lit shown' }).click();
  await page.getByRole('option', { name: 'true' }).click();
  await expect(cell('heading = north, hung = floor, lit = true')).toBeVisible();
});

test('a layer is added for the chosen states of a fence; turning shows what becomes of them; a choice that does not come back is found', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/blocks/reed_fence/looks`);
  await page.getByRole('button', { name: 'Open the matrix' }).click();
  await page.getByRole('button', { name: 'Choose all with north = true' }).click();
  const layer = page.getByRole('group', { name: 'Layer' });
  await expect(layer).toContainText('A layer for 8 states');
  await layer.getByRole('combobox', { name: 'Model' }).fill('fence/post');
  await page.getByRole('option', { name: 'saltmarsh:fence/post' }).click();
  await expect(page.getByRole('group', { name: 'Row 6', exact: true })).toContainText('8 states');
  await saved(page);
  expect((await held(server)).blocks['reed_fence']!.looks.rows.at(-1)).toEqual({
    when: { north: true },
    use: [{ model: 'saltmarsh:fence/post' }],
  });
  await page.goto(`${server.address}/m/saltmarsh/blocks/tide_lantern/states?state=0`);
  await page.getByText('Turning', { exact: true }).click();
  await expect(
    page.getByText(
      'Proved for all 24 states: four quarter turns come back, two mirrors come back, and a turn undoes itself between mirrors.',
    ),
  ).toBeVisible();
  await expect(page.getByRole('button', { name: /a quarter/ }).first()).toContainText(
    'heading east',
  );
  await page.getByRole('combobox', { name: 'floor turned becomes' }).click();
  await page.getByRole('option', { name: 'wall', exact: true }).click();
  await expect(
    page.getByText(
      /After four quarter turns the state heading = north, hung = floor, lit = false comes back as/,
    ),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Let the choices stay as they are' }).click();
  await expect(page.getByText(passes)).toBeVisible();
});

test('friction and shapes by state have the editor of every row, with what no row covers and what is said twice', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/blocks/tide_lantern/traits?state=1`);
  await page.getByRole('button', { name: 'Make it depend on the state' }).nth(1).click();
  const friction = page.getByRole('group', { name: 'Rows of friction' });
  await expect(friction).toContainText('in all other states');
  await friction.getByLabel('Friction, row 1').fill('0.1');
  await expect(friction).toContainText('2 rows, and no fewer would do');
  await friction.getByRole('button', { name: 'Add a row' }).click();
  await friction.getByLabel('Move row 2 up').click();
  await expect(friction).toContainText('never matches: row 1 covers it');
  await friction.getByRole('button', { name: 'Say it in 2 rows' }).click();
  await friction.getByLabel('Remove row 2 of friction').click();
  await expect(friction).toContainText('12 states have no value.');
  await page.getByRole('button', { name: 'Make it depend on the state' }).last().click();
  const outline = page.getByRole('group', { name: 'Rows of the outline shape' });
  await expect(outline).toContainText('in all other states');
  await expect(
    page.getByText('Nothing in this state. The stage shows it under Outline.'),
  ).toBeVisible();
});
