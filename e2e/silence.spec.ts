import { editMod } from './testing/edit.ts';
import { expect, test } from './testing/server.ts';

test('a finding is silenced with a reason, listed, told of when it is gone, and told again', async ({
  page,
  server,
}) => {
  await editMod(page, server.address, [
    { path: '/blocks/salt_crust/identity/group', before: 'salt_works' },
  ]);
  await page.goto(`${server.address}/m/saltmarsh/inspection`);
  const finding = page.getByText('salt_crust is in no catalogue group, so players cannot find it.');
  await expect(finding).toBeVisible();
  await page.getByRole('button', { name: 'Silence…' }).first().click();
  await expect(page.getByRole('button', { name: 'Silence it' })).toBeDisabled();
  await page.getByLabel('Why this need not be told').fill('Commands give it.');
  await page.keyboard.press('Enter');
  const otherwise = page.getByRole('region', { name: 'Told otherwise' });
  await expect(otherwise.getByText('Commands give it.')).toBeVisible();
  await expect(page.getByText('0 errors, 0 warnings, 0 hints.')).toBeVisible();
  // It is kept in the mod.
  await expect(page.getByText(/^Undo/)).toBeEnabled();
  await page.reload();
  await expect(otherwise.getByText('Commands give it.')).toBeVisible();
  await otherwise.getByRole('button', { name: 'Tell it again' }).click();
  await expect(finding).toBeVisible();
  await expect(otherwise).toBeHidden();
});

test('a rule counts otherwise in this mod, with a reason, and as it says itself again', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/inspection`);
  await page.getByRole('link', { name: 'Rules' }).click();
  await page.getByLabel('Find a rule').fill('identity/no-group');
  const rule = page.getByRole('listitem').filter({ hasText: 'identity/no-group' });
  await rule.getByRole('button', { name: 'warning' }).click();
  await page.getByLabel('Why identity/no-group counts otherwise here').fill('We are strict.');
  await page.getByRole('button', { name: 'Count as error' }).click();
  await expect(rule.getByRole('button', { name: 'error' })).toBeVisible();
  await page.getByRole('link', { name: 'Back to the findings' }).click();
  const otherwise = page.getByRole('region', { name: 'Told otherwise' });
  await expect(otherwise.getByText('We are strict.')).toBeVisible();
  await otherwise.getByRole('button', { name: 'Let it count again' }).click();
  await expect(otherwise).toBeHidden();
});

test('one cause at several places is one line, and is mended at all of them at once', async ({
  page,
  server,
}) => {
  const { mod } = (await (
    await page.request.get(`${server.address}/api/mods/saltmarsh`)
  ).json()) as { mod: { blocks: Record<string, { loot?: unknown }> } };
  const loot = { draws: [{ times: 1, lots: [{ give: 'saltmarsh:raw_brak' }] }] };
  await editMod(
    page,
    server.address,
    ['kelp_pane', 'reed_fence', 'salt_crust'].map((name) => ({
      path: `/blocks/${name}/loot`,
      before: mod.blocks[name]!.loot,
      after: loot,
    })),
  );
  await page.goto(`${server.address}/m/saltmarsh/inspection`);
  const cause = page.getByRole('listitem').filter({
    hasText: 'The item saltmarsh:raw_brak does not exist.',
  });
  await expect(cause).toBeVisible();
  await cause.getByRole('button', { name: 'Show the 3 places' }).click();
  await expect(page.getByRole('link', { name: /^reed_fence/ }).first()).toBeVisible();
  await cause.getByRole('button', { name: 'Give saltmarsh:raw_brack at 3 places' }).click();
  await expect(cause).toBeHidden();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(cause).toBeVisible();
});
