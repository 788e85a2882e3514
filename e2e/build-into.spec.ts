import { chmodSync, existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import type { Page } from '@playwright/test';
import { expect, test } from './testing/server.ts';

const read = (file: string) => JSON.parse(readFileSync(file, 'utf8')) as Record<string, unknown>;
const target = (page: Page) => page.getByLabel(/Folder on this machine/);
const builds = (page: Page) => page.getByRole('button', { name: /^Build (the|it)/ });

test('one block comes into the pack of somebody else, whose words and lists stay', async ({
  page,
  server,
}) => {
  const pack = path.join(server.folder, 'theirs');
  const words = path.join(pack, 'view/words/en.json');
  mkdirSync(path.dirname(words), { recursive: true });
  writeFileSync(
    words,
    JSON.stringify({ language: 'en', texts: { 'block.mud': 'Mud', 'block.salt_crust': 'Crust' } }),
  );
  writeFileSync(path.join(pack, 'notes.txt'), 'theirs');
  await page.goto(`${server.address}/m/saltmarsh/build`);
  await target(page).fill(pack);
  await expect(page.getByText(/1 that Obrank did not write/)).toBeVisible();

  await page.getByRole('checkbox', { name: /somebody else’s pack/ }).check();
  await page.getByLabel('Blocks that go there').fill('salt_c');
  await page.getByRole('option', { name: 'salt_crust' }).click();
  // One word is said by both: it is asked, and nothing else is.
  await expect(page.getByText(/differ in the same place in 1 of the files/)).toBeVisible();
  await page.getByRole('button', { name: /en\.json both changed it/ }).click();
  const both = page.getByRole('region', { name: 'Changed by both' });
  await expect(both).toContainText('/texts/block.salt_crust');
  await both
    .getByRole('button', { name: /As I have it/ })
    .last()
    .click();
  await expect(page.getByText(/1 put together · 1 not Obrank’s, left alone/)).toBeVisible();
  await builds(page).click();
  await expect(page.getByText('Built', { exact: true })).toBeVisible();
  expect(read(words)['texts']).toMatchObject({
    'block.mud': 'Mud',
    'block.salt_crust': 'Crust',
    'item.salt': 'Salt',
  });
  expect(existsSync(path.join(pack, 'rules/blocks/salt_crust.json'))).toBe(true);
  expect(existsSync(path.join(pack, 'rules/blocks/tide_lantern.json'))).toBe(false);
  expect(readFileSync(path.join(pack, 'notes.txt'), 'utf8')).toBe('theirs');

  // It goes on so, also where one comes back to it.
  await page.reload();
  await expect(page.getByRole('checkbox', { name: /somebody else’s pack/ })).toBeChecked();
  await expect(page.getByText('salt_crust', { exact: true }).first()).toBeVisible();
  await expect(page.getByText(/the same · 1 put together/)).toBeVisible();
});

test('folders and files are opened in the programs that one names, and in none until then', async ({
  page,
  server,
}) => {
  const heard = path.join(server.folder, 'heard');
  const program = path.join(server.folder, 'edit');
  writeFileSync(
    program,
    `#!/bin/sh\nprintf '%s|' "$@" > "${heard}.part"\nmv "${heard}.part" "${heard}"\n`,
  );
  chmodSync(program, 0o755);
  const pack = path.join(server.folder, 'pack');
  await page.goto(`${server.address}/m/saltmarsh/build`);
  await target(page).fill(pack);
  await expect(page.getByText('379 new')).toBeVisible();
  await builds(page).click();
  await expect(page.getByText('379 the same')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Open the folder' })).toHaveCount(0);

  await page.goto(`${server.address}/m/saltmarsh/home`);
  const forFiles = page.getByLabel('Opens files at a line');
  await forFiles.fill('no-such-editor');
  await forFiles.press('Enter');
  await expect(page.getByText(/There is no program no-such-editor/)).toBeVisible();
  await forFiles.fill(`"${program}" +{line} {place}`);
  await forFiles.press('Enter');
  await expect(page.getByText(/There is no program/)).toHaveCount(0);
  const forFolders = page.getByLabel('Opens folders');
  await forFolders.fill(program);
  const named = page.waitForResponse(
    (answer) => answer.request().postData()?.includes('"forFolders"') === true,
  );
  await forFolders.press('Enter');
  await named;

  const file = path.join(pack, 'rules/blocks/tide_lantern.json');
  await page.goto(`${server.address}/m/saltmarsh/build`);
  await page.getByRole('button', { name: 'Open the folder' }).click();
  await expect.poll(() => existsSync(heard)).toBe(true);
  expect(readFileSync(heard, 'utf8')).toBe(`${pack}|`);
  rmSync(heard);
  const lines = readFileSync(file, 'utf8').split('\n');
  const at = lines.findIndex((line) => line.includes('"hardness"'));
  writeFileSync(file, lines.with(at, lines[at]!.replace('3.2', '9')).join('\n'));
  await page.reload();
  await page.getByRole('button', { name: /tide_lantern\.json kept by hand/ }).click();
  await page.getByRole('checkbox', { name: /This file is mine/ }).uncheck();
  await page.getByRole('button', { name: 'Open this file' }).click();
  await expect.poll(() => existsSync(heard)).toBe(true);
  expect(readFileSync(heard, 'utf8')).toMatch(new RegExp(`^\\+\\d+\\|${file}\\|$`));
});
