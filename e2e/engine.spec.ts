import { expect, saved, test } from './testing/server.ts';

/** Asking a real engine takes as long as the machine needs. */
test.setTimeout(400_000);

test('the engine is asked, says where it sees otherwise, and agrees once that is mended', async ({
  page,
  server,
}) => {
  // Two recipes that take the same: the engine can only give one of them.
  const mod = (await (await fetch(`${server.address}/api/mods/saltmarsh`)).json()) as {
    revision: number;
    mod: { recipes: Record<string, object> };
  };
  const twin = { ...mod.mod.recipes['reed_fence'], gives: 'saltmarsh:salt' };
  const planted = await fetch(`${server.address}/api/mods/saltmarsh/edits`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json', 'If-Match': `"${mod.revision}"` },
    body: JSON.stringify({
      label: 'A twin',
      changes: [{ path: '/recipes/salt_twin', after: twin }],
    }),
  });
  expect(planted.ok).toBe(true);

  await page.goto(`${server.address}/m/saltmarsh/build`);
  await page.getByRole('link', { name: 'Ask the engine' }).click();
  await page.getByRole('button', { name: 'Ask the engine' }).click();
  await expect(page.getByRole('progressbar', { name: 'Asking the engine' })).toBeVisible();
  // Meanwhile one may look at something else.
  await page.getByRole('link', { name: 'Library' }).click();
  await page.getByRole('link', { name: 'Build', exact: true }).click();
  await page.getByRole('link', { name: 'Ask the engine' }).click();
  await expect(page.getByText('1 difference')).toBeVisible({ timeout: 180_000 });
  const apart = page.getByRole('list', { name: 'Differences' });
  await expect(apart).toContainText('predicted');
  await expect(apart.getByRole('listitem')).toHaveCount(1);
  await expect(page.getByRole('table', { name: 'What was asked' })).toContainText('Placings');
  await expect(page.getByLabel('Where the engine comes near')).toContainText('first of 4');

  await apart.getByRole('link').click();
  await expect(page).toHaveURL(/data\/recipes\/\w+/);
  await page.goto(`${server.address}/m/saltmarsh/data/recipes/salt_twin`);
  await page.getByRole('button', { name: 'Remove' }).click();
  await saved(page);
  await page.getByRole('link', { name: 'Build', exact: true }).click();
  await page.getByRole('link', { name: 'Ask the engine' }).click();
  await page.getByRole('button', { name: /^Ask/ }).click();
  await expect(page.getByText('Agrees')).toBeVisible({ timeout: 180_000 });
});

test('asking is cancelled on the way; names and bytes of a block stand under Codes', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/build/engine`);
  await page.getByRole('button', { name: 'Ask the engine' }).click();
  await page.getByText(/[1-9]\d* of [\d,]+ questions answered/).waitFor({ timeout: 180_000 });
  await page.getByRole('button', { name: 'Cancel' }).click();
  await expect(page.getByRole('alert')).toContainText('It was cancelled.');

  await page.getByRole('combobox', { name: 'Kit' }).click();
  await page.getByRole('option', { name: /5\.6 and later/ }).click();
  await page.getByRole('link', { name: 'Blocks' }).click();
  await page.getByRole('link', { name: 'Salt oven' }).click();
  await saved(page);
  await page.getByRole('link', { name: 'States' }).click();
  await page.getByText('Codes', { exact: true }).click();
  const names = page.getByRole('table', { name: 'Names' });
  await expect(names).toContainText('saltmarsh:salt_oven_lit');
  await expect(page.getByLabel('Nodes')).toContainText('keep 8 states apart');
  await names.getByRole('button', { name: 'saltmarsh:salt_oven_lit' }).click();
  await expect(page.getByLabel('Nodes')).toContainText('saltmarsh:salt_oven_lit, byte');
});
