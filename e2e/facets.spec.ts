import { basePicture, decodePicture, encodePicture } from '../core/textures/index.ts';
import { expect, saved, test } from './testing/server.ts';

const passes = 'Every rule passes for this block.';

test('identity: the name changes everywhere at once; a removed block comes back with undo', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/blocks/reed_thatch/identity`);
  await page.getByLabel('Name', { exact: true }).fill('Bundled reed');
  await expect(page.getByRole('complementary', { name: 'Shelf' })).toContainText('Bundled reed');
  await page
    .getByLabel('Note')
    .or(page.getByPlaceholder(/For yourself/))
    .fill('It lies as it was set.');
  await saved(page);
  await page.getByRole('button', { name: 'Remove this block' }).click();
  await expect(page.getByRole('heading', { name: /Blocks 33/ })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Undo' })).toHaveAttribute(
    'title',
    /Undo: Remove Bundled reed/,
  );
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('heading', { name: /Blocks 34/ })).toBeVisible();
  await page.getByRole('link', { name: /Bundled reed/ }).click();
  await expect(page.getByText(passes)).toBeVisible();
});

test('identity: an id is renamed, what names it is told first and follows, and nothing new is found', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/blocks/salt_crust/identity`);
  await page.getByRole('button', { name: 'Rename' }).click();
  await expect(page.getByText(/1 recipe.* will follow/)).toBeVisible();
  const field = page.getByLabel('New id');
  await field.fill('tide_lantern');
  await expect(page.getByText('There is already one called tide_lantern.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Rename' })).toBeDisabled();
  await field.fill('salt_rind');
  await field.press('Enter');
  await expect(page).toHaveURL(/blocks\/salt_rind\/identity/);
  await expect(page.getByText(passes)).toBeVisible();
  await saved(page);
  const { mod } = (await (
    await page.request.get(`${server.address}/api/mods/saltmarsh`)
  ).json()) as {
    mod: {
      recipes: Record<string, { gives: string }>;
      ledger: { entries: { name: string; formerly?: string[] }[] };
    };
  };
  expect(mod.recipes['salt_crust']!.gives).toBe('saltmarsh:salt_rind');
  expect(mod.ledger.entries.find((entry) => entry.name === 'salt_rind')!.formerly).toEqual([
    'salt_crust',
  ]);
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.goto(`${server.address}/m/saltmarsh/blocks/salt_crust/identity`);
  await expect(page.getByText(passes)).toBeVisible();
});

test('traits: the ruler moves by keys and by dragging, the bars follow; back to stock gives up a change', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/blocks/tide_lantern/traits`);
  const handle = page.getByRole('slider', { name: 'Hardness on the ruler' });
  const value = page.getByLabel('Hardness', { exact: true });
  await handle.focus();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('PageUp');
  await expect(value).toHaveValue('4.3');
  const ruler = page.getByRole('slider', { name: 'Hardness' }).locator('..');
  const { x, y, width } = (await ruler.boundingBox())!;
  await page.mouse.move(x + width / 2, y + 25);
  await page.mouse.down();
  await page.mouse.move(x + width * 0.905, y + 25, { steps: 5 });
  await page.mouse.up();
  // Near a tick the ruler takes the material's value.
  await expect(handle).toHaveAttribute('aria-valuetext', /like bronze/);
  await expect(value).toHaveValue('11');
  const bars = page.getByRole('table', { name: 'Seconds to dig' });
  await expect(bars).toContainText('33.00 s660 ticksnothing');
  await page.getByLabel('Only the right tool yields a drop').uncheck();
  await expect(bars).toContainText('11.00 s');
  await expect(bars).not.toContainText('nothing');
  await page.getByRole('button', { name: 'back to stock' }).first().click();
  await expect(value).toHaveValue('11');
  await page.getByLabel('Unbreakable').check();
  await expect(page.getByText('Nothing that a player holds digs it.')).toBeVisible();
});

test('traits: light by state, its reach, and a fraction that is found and mended', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/blocks/tide_lantern/traits?state=15`);
  await expect(page.getByText('Reads by it up to 6 blocks away; dark at 13.')).toBeVisible();
  await expect(
    page.getByRole('img', {
      name: 'A room cut open: 13 at the block, 13 of 27 cells of the floor bright enough to read by',
    }),
  ).toBeVisible();
  await expect(
    page.getByText('Of a light of 15 a wall one, two or three thick leaves 13, 12 or 11.'),
  ).toBeVisible();
  await expect(page.getByText('Under a second from the bronze pick on.')).toBeVisible();
  const level = page.getByLabel('Light emitted, row 1');
  await level.fill('0.8');
  await expect(
    page.getByText('tide_lantern has light emitted 0.8; levels are whole numbers from 0 to 15.'),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Make it 12' }).click();
  await expect(level).toHaveValue('12');
  await expect(page.getByText('Reads by it up to 5 blocks away; dark at 12.')).toBeVisible();
  await page.getByLabel('Remove row 2 of Light emitted').click();
  await page.getByLabel('Remove row 1 of Light emitted').click();
  await expect(
    page.getByText(
      'tide_lantern has a property lit, but gives the same light whether it is true or false.',
    ),
  ).toBeVisible();
});

test('states: a new property multiplies the states, is found to do nothing, and goes away again', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/blocks/salt_crust/states`);
  await page.getByRole('button', { name: 'Add a property' }).click();
  await page.getByRole('menuitem', { name: /^number/ }).click();
  await expect(page.getByText('4 states · all with a look')).toBeVisible();
  await page.getByLabel('the mod’s code changes it').check();
  await expect(page.getByText('4 states · all with a look')).toBeVisible();
  await expect(page.getByText('salt_crust: nothing depends on the property level.')).toBeVisible();
  await page.getByLabel('to', { exact: true }).fill('999999');
  await page.getByLabel('to', { exact: true }).press('Enter');
  await expect(
    page.getByText(/salt_crust has 1[\d,]* states; Block Pack, edition 1 holds at most 65,536\./),
  ).toBeVisible();
  await page.getByLabel('Remove level').click();
  await expect(page.getByText(passes)).toBeVisible();
  await expect(page.getByText('This block has one state.')).toBeVisible();
});

test('looks: a model that turns, a row that is dead, candidates with their shares', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/blocks/reed_thatch/looks`);
  await page.getByRole('button', { name: 'Add a row' }).click();
  await expect(
    page.getByText(
      'reed_thatch: row 4 of the look can never match: rows 1, 2 and 3 above it already cover its states.',
    ),
  ).toBeVisible();
  await expect(page.getByText('never matches: rows 1, 2 and 3 cover it')).toBeVisible();
  await page.getByRole('button', { name: 'Remove row 4' }).first().click();
  await expect(page.getByText(passes)).toBeVisible();
  const row = page.getByLabel('Row 1', { exact: true });
  await row.getByRole('button', { name: /front faces south/ }).click();
  await row
    .getByRole('group', { name: 'Pick where the front faces' })
    .getByRole('button', { name: 'up', exact: true })
    .click();
  // East is at right angles to up, so the top stays where it was; now the top is asked for, and
  // only what is at right angles is offered.
  await expect(row.getByRole('button', { name: 'front faces up, top points east' })).toBeVisible();
  const tops = row.getByRole('group', { name: 'Pick where the top points' });
  await expect(tops.getByRole('button', { name: 'down', exact: true })).toHaveAttribute(
    'aria-disabled',
    'true',
  );
  await tops.getByRole('button', { name: 'west', exact: true }).click();
  await expect(row.getByRole('button', { name: 'front faces up, top points west' })).toBeVisible();
  await row.getByLabel('Keep texture upright').check();
  await expect(
    row.getByRole('button', { name: 'front faces up, top points west, upright' }),
  ).toBeVisible();
  await row.getByRole('button', { name: 'Add a candidate' }).click();
  await expect(row.getByLabel('Share')).toHaveCount(2);
  await expect(row).toContainText('50%');
  await row.getByLabel('Share').first().fill('3');
  await expect(row).toContainText('75%');
});

test('textures: a picture is imported in the library and shown by the block; long names stay in their place', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/library`);
  const png = Buffer.from(encodePicture(basePicture('#6699aa', 16, 5)));
  const name = 'a_very_long_name_of_a_texture_that_somebody_chose_in_a_hurry';
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Import files' }).click();
  await (
    await chooser
  ).setFiles([
    { name: `${name}.png`, mimeType: 'image/png', buffer: png },
    { name: 'broken.png', mimeType: 'image/png', buffer: png.subarray(0, 50) },
  ]);
  await expect(page.getByRole('alert')).toContainText(
    'broken.png: The PNG is cut short: its end is missing.',
  );
  const dialog = page.getByRole('dialog', { name: 'Pictures come in' });
  await expect(dialog.getByText(`Called ${name}; nobody shows it yet.`)).toBeVisible();
  await dialog.getByRole('button', { name: 'Take in 1 picture' }).click();
  await expect(page.getByLabel(name, { exact: true })).toContainText('used by nobody');
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(1280);
  await page.goto(`${server.address}/m/saltmarsh/blocks/reed_thatch/textures`);
  const texture = page.getByRole('combobox', { name: 'Texture' }).first();
  await texture.fill('very_long');
  await page.getByRole('option', { name: new RegExp(name) }).click();
  await expect(texture).toHaveValue(`saltmarsh:${name}`);
  await saved(page);
  await page.reload();
  await expect(texture).toHaveValue(`saltmarsh:${name}`);
});

test('loot: what each way gets follows at once; nothing on purpose is no finding, nothing unsaid is one', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/blocks/salt_crust/loot`);
  const cell = (name: RegExp | string) =>
    page.getByRole('grid', { name: 'What would drop' }).getByRole('gridcell', { name });
  await expect(cell('flint spade: 2 Salt')).toBeVisible();
  await expect(cell('bare hands, careful: 1 Salt crust (itself)')).toBeVisible();
  await page.getByRole('group', { name: 'Lot 2' }).getByLabel('Most of it').fill('6');
  await expect(cell('steel spade: 4 Salt')).toBeVisible();
  await page.getByRole('button', { name: /^Nothing, on purpose/ }).click();
  await expect(cell('bare hands: nothing')).toBeVisible();
  await expect(page.getByText(passes)).toBeVisible();
  await page.getByRole('button', { name: /^Itself/ }).click();
  await expect(cell('bare hands: 1 Salt crust (itself)')).toBeVisible();
  await page.goto(`${server.address}/m/saltmarsh/blocks/tide_lantern/loot`);
  await expect(cell('bare hands: nothing: gated')).toBeVisible();
});

test('tags, names and registry: what is missing is said, and one click mends it', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/blocks/tide_lantern/tags`);
  await page
    .getByRole('region', { name: 'Tags' })
    .getByLabel('Tags', { exact: true })
    .fill('glows in fog');
  await page.keyboard.press('Enter');
  await expect(
    page.getByText(
      'tide_lantern is in the tag saltmarsh:glows_in_fog, which the mod does not declare.',
    ),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Declare saltmarsh:glows_in_fog' }).click();
  await expect(page.getByText(passes)).toBeVisible();
  await page.keyboard.press('Escape');
  await page
    .getByRole('navigation', { name: 'Facets' })
    .getByRole('link', { name: 'Names' })
    .click();
  await page.getByLabel('Name in en').fill('');
  await expect(page.getByText('tide_lantern has no name in en.')).toBeVisible();
  await expect(
    page.getByRole('navigation', { name: 'Facets' }).getByRole('link', { name: 'Names' }),
  ).toHaveAttribute('title', 'Names: with warnings');
  await page.getByRole('button', { name: 'Call it "Tide lantern" in en' }).click();
  await expect(page.getByText(passes)).toBeVisible();
  await page
    .getByRole('navigation', { name: 'Facets' })
    .getByRole('link', { name: 'Registry' })
    .click();
  await expect(page.getByText('5 of 16 bits')).toBeVisible();
  await expect(page.getByText('heading = south, hung = wall, lit = true')).toBeVisible();
});

test('the stage draws the block: pixels of brass where the lantern stands, and other ones at night', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/blocks/tide_lantern/traits?state=4`);
  const canvas = page.getByRole('group', { name: 'Stage' }).locator('canvas');
  await expect(canvas).toBeVisible();
  /** The mean colour of a patch in the middle of the stage, as it is seen. */
  const middle = async () => {
    const { x, y, width, height } = (await canvas.boundingBox())!;
    const clip = { x: x + width / 2 - 20, y: y + height / 2 - 20, width: 40, height: 40 };
    const { data } = decodePicture(await page.screenshot({ clip }));
    return [0, 1, 2].map(
      (channel) =>
        data.filter((_, i) => i % 4 === channel).reduce((sum, value) => sum + value, 0) / 1600,
    );
  };
  await expect
    .poll(async () => {
      const [r, , b] = await middle();
      return r! - b!;
    })
    .toBeGreaterThan(15);
  const day = await middle();
  await page.getByText('Night', { exact: true }).click();
  await expect.poll(async () => (await middle())[0]).toBeLessThan(day[0]! * 0.6);
  const night = await middle();
  await page.getByText('In a wall', { exact: true }).click();
  await page.getByRole('button', { name: 'Outline', exact: true }).click();
  await expect.poll(middle).not.toEqual(night);
});
