import { expect, saved, test } from './testing/server.ts';

test.use({ isFirstVisit: true });

test('a first visit: one line leads to a block of one’s own, and never comes back', async ({
  page,
  server,
}) => {
  await page.goto(server.address);
  const line = page.getByRole('complementary', { name: 'First steps' });
  await expect(line).toContainText('1 of 6');
  await line.getByRole('button', { name: 'Begin' }).press('Enter');
  await page.getByLabel('Name', { exact: true }).fill('Marsh lamp');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/marsh_lamp\/traits/);

  // Its picture is left as it is; the number is at hand, since one is there.
  await expect(line).toContainText('2 of 6');
  await line.getByRole('link', { name: 'Go there' }).press('Enter');
  await expect(page).toHaveURL(/marsh_lamp\/textures/);
  await expect(line.getByRole('link', { name: 'Go there' })).toHaveCount(0);
  await line.getByRole('button', { name: 'Leave it as it is' }).press('Enter');
  await expect(line).toContainText('3 of 6');
  await line.getByRole('link', { name: 'Go there' }).press('Enter');
  await page.getByLabel('Hardness', { exact: true }).fill('3');
  await page.keyboard.press('Enter');

  await expect(line).toContainText('4 of 6');
  await line.getByRole('link', { name: 'Go there' }).press('Enter');
  await page.getByRole('button', { name: 'Add a property' }).press('Enter');
  await page.getByRole('menuitem').first().press('Enter');
  await expect(line).toContainText('5 of 6');
  await line.getByRole('button', { name: 'Leave it as it is' }).press('Enter');
  await expect(line).toContainText('6 of 6');
  await saved(page);

  // It is remembered, and once it is not wanted it is gone for good.
  await page.reload();
  await expect(line).toContainText('6 of 6');
  await line.getByRole('link', { name: 'Go there' }).press('Enter');
  await expect(page).toHaveURL(/\/build$/);
  await page.getByLabel(/Folder on this machine/).fill(`${server.folder}/pack`);
  const build = page.getByRole('button', { name: 'Build the pack' });
  await expect(page.getByText(/\d+ new/)).toBeVisible();
  await expect(build).toBeEnabled();
  await build.press('Enter');
  await expect(line).toContainText('Your block is built.');
  await line.getByRole('button', { name: 'Done' }).press('Enter');
  await expect(line).toHaveCount(0);
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Build' })).toBeVisible();
  await expect(line).toHaveCount(0);
});
