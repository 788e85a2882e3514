import { readFileSync } from 'node:fs';
import path from 'node:path';
import { expect, saved, test } from './testing/server.ts';

test('a kit of three files is written from nothing, and the mod is built with it', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/kits`);
  await page.getByRole('button', { name: 'New kit' }).click();
  await page.getByLabel('What it is called').fill('Tidal engine');
  await page.getByRole('button', { name: 'Begin it' }).click();
  await expect(page.getByRole('heading', { name: /Tidal engine/ })).toBeVisible();
  const written = page.getByLabel('What it writes');
  const template = page.getByRole('textbox', { name: /^Template / });
  await expect(written).toContainText('"id": "saltmarsh:');

  // What is typed is seen at once; a mistake stands at its line, and what stood there is known.
  await page.getByLabel('Shown for').click();
  await page.getByRole('option', { name: 'sluice_gate' }).click();
  await expect(written).toContainText('saltmarsh:sluice_gate');
  await template.fill('{\n  "id": {{ block.id | jsn }}\n}\n');
  await expect(page.getByRole('alert')).toContainText(
    'There is no filter "jsn". Did you mean json?',
  );
  await template.fill('{\n  "id": {{ block.id | json }},\n}\n');
  await expect(page.getByRole('alert')).toContainText('cannot be read as JSON');
  await template.fill(
    '{\n  "id": {{ block.id | json }},\n  "digs": {{ block.traits.hardness }}\n}\n',
  );
  await expect(written).toContainText('"digs": 3.4');
  await expect(page.getByRole('alert')).toHaveCount(0);

  // What is pointed at and the part that wrote it are marked alike.
  await written.getByText('3.4').hover();
  await expect(page.locator('mark')).toHaveText('{{ block.traits.hardness }}');

  // A second and a third file.
  await page.getByRole('button', { name: 'New rule' }).click();
  await page.getByRole('menuitem', { name: 'For the mod, once' }).click();
  const to = page.getByLabel('Path', { exact: true });
  await expect(to).toHaveValue('mod.txt');
  await to.fill('{{ mod.namespace }}.txt');
  await template.fill('{{ mod.title }} {{ mod.version }}: {{ mod.blocks.size }} blocks\n');
  await expect(written).toContainText('Saltmarsh 0.3.0: 34 blocks');
  await page.getByRole('button', { name: 'New rule' }).click();
  await page.getByRole('menuitem', { name: 'For each language' }).click();
  await expect(to).toHaveValue('languages/{{ language.tag }}.txt');
  await to.fill('words-{{ language.tag }}.csv');
  await template.fill(
    'key,text\n{% for text in language.texts %}{{ text.key }},"{{ text.text }}"\n{% endfor %}',
  );
  await expect(written).toContainText('block.salt_crust,"Salt crust"');
  await saved(page);

  // It is built for beside the others, into a folder of its own.
  const target = path.join(server.folder, 'tidal');
  await page.getByRole('link', { name: 'Build', exact: true }).first().click();
  await page.getByRole('combobox', { name: 'Kit' }).click();
  await page.getByRole('option', { name: 'Tidal engine' }).click();
  await page.getByLabel(/Folder on this machine/).fill(target);
  await expect(page.getByText('37 new')).toBeVisible();
  await page.getByRole('button', { name: 'Build the pack' }).last().click();
  await expect(page.getByText('37 the same')).toBeVisible();
  expect(JSON.parse(readFileSync(path.join(target, 'blocks/sluice_gate.json'), 'utf8'))).toEqual({
    id: 'saltmarsh:sluice_gate',
    digs: 3.4,
  });
  expect(readFileSync(path.join(target, 'saltmarsh.txt'), 'utf8')).toBe(
    'Saltmarsh 0.3.0: 34 blocks\n',
  );
  expect(readFileSync(path.join(target, 'words-de.csv'), 'utf8')).toContain('block.salt_crust,');
});

test('what the engine holds stands beside what the mod asks, and inspection tells what is beyond', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/kits`);
  await page.getByRole('button', { name: 'New kit' }).click();
  await page.getByLabel('What it is called').fill('Small engine');
  await page.getByRole('button', { name: 'Begin it' }).click();
  await page.getByRole('link', { name: 'Holds' }).click();
  const states = page.getByRole('row', { name: /States of a block/ });
  await expect(states).toContainText('oyster_brick_stair');
  await states.getByRole('textbox').fill('16');
  await states.getByRole('textbox').press('Enter');
  await expect(page.getByText(/In brick stands what this mod asks beyond/)).toBeVisible();
  await saved(page);
  await page.getByRole('link', { name: 'Inspection' }).click();
  await expect(
    page.getByText(/tide_lantern has 24 states; Small engine holds at most 16/),
  ).toBeVisible();
  await expect(page.getByText('Small engine', { exact: true }).first()).toBeVisible();

  // What it is expected to write is told when it is no longer written.
  await page.goBack();
  await page.getByRole('link', { name: 'Writes' }).click();
  await page.getByRole('button', { name: 'Expect this' }).click();
  await expect(page.getByText('as expected')).toBeVisible();
  await page.getByRole('textbox', { name: /^Template / }).fill('{ "id": {{ block.id | json }} }\n');
  await expect(page.getByRole('button', { name: /Not as expected/ })).toBeVisible();
  await page.getByRole('link', { name: 'Expected' }).click();
  const list = page.getByRole('list', { name: 'Expected files' });
  await expect(list).toContainText('differs');
  await list.getByRole('button', { name: 'Expect what is written' }).click();
  await expect(list).toContainText('as expected');

  // It is called otherwise, and its files go with it; the palette knows it by its title.
  await page.getByRole('link', { name: 'Itself' }).click();
  const name = page.getByLabel('Name', { exact: true });
  await name.fill('block-pack');
  await expect(page.getByText('There is a kit called block-pack already.')).toBeVisible();
  await name.fill('tiny-engine');
  await name.press('Enter');
  await expect(page).toHaveURL(/kits\/tiny-engine/);
  const lists = page.getByRole('combobox', { name: 'Lists, a thing a line' });
  await lists.fill('.list');
  await lists.press('Enter');
  await saved(page);
  const { mod } = (await (
    await page.request.get(`${server.address}/api/mods/saltmarsh`)
  ).json()) as { mod: { kits: object; kitFiles: object; header: object } };
  expect(Object.keys(mod.kits)).toEqual(['tiny-engine']);
  expect(Object.keys(mod.kitFiles).every((path) => path.startsWith('tiny-engine/'))).toBe(true);
  expect(mod.kits).toMatchObject({ 'tiny-engine': { lists: ['.list'] } });
  expect(mod.header).toMatchObject({ alsoFor: ['tiny-engine'] });
  await page.goto(`${server.address}/m/saltmarsh/blocks`);
  await expect(page.getByRole('heading', { name: /Blocks 34/ })).toBeVisible();
  await page.keyboard.press('Control+k');
  await page.getByPlaceholder('Go to or do…').fill('Small engine');
  await page.keyboard.press('Enter');

  // A kit that goes is no longer built for; undo brings it back.
  await page.getByRole('link', { name: 'Itself' }).click();
  await page.getByRole('button', { name: 'Remove the kit' }).click();
  await expect(page.getByRole('heading', { name: 'No kit of your own yet' })).toBeVisible();
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(page.getByRole('heading', { name: /Small engine/ })).toBeVisible();
});
