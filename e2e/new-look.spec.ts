import { zipSync } from 'fflate';
import { mirePack } from './testing/broken-pack.ts';
import { drop } from './testing/drop.ts';
import { expect, test } from './testing/server.ts';

test('a block of another mod gets a new look, and its states come from that mod', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/blocks`);
  await page.getByRole('button', { name: 'New block' }).click();
  const dialog = page.getByRole('dialog', { name: 'New block' });
  await dialog.getByText('New look').click();
  const over = dialog.getByLabel('Block', { exact: true });
  await over.fill('saltmarsh:brine');
  await expect(dialog.getByText('That is a block of this mod')).toBeVisible();
  await expect(dialog.getByRole('button', { name: 'Give it a new look' })).toBeDisabled();
  await over.fill('mire:tide_lantern');
  await dialog.getByRole('button', { name: 'Give it a new look' }).click();

  // It stands on the bench with the two facets that are not its owner's alone.
  await expect(page.getByRole('heading', { name: 'Tide lantern' })).toBeVisible();
  await expect(page.getByRole('navigation', { name: 'Facets' }).getByRole('link')).toHaveText([
    /States/,
    /Looks/,
  ]);
  await page.keyboard.press('[');
  await expect(page.getByText('Which states mire:tide_lantern has is not known yet')).toBeVisible();

  // Beside the mod that has the block its states are one press away.
  await page.getByRole('link', { name: 'Open the other mod…' }).click();
  await drop(page, 'mire.obpack', zipSync(Object.fromEntries(await mirePack())));
  await page.getByRole('button', { name: 'Take over…' }).click();
  await page.getByText('Beside Saltmarsh').click();
  await page.getByRole('button', { name: 'Take the states of Mire' }).click();
  await expect(page.getByText('The states of mire:tide_lantern are not said')).toBeHidden();

  // From then on a state without a look is found like that of a block of the mod.
  await page.goto(`${server.address}/m/saltmarsh/blocks/mire%2Ftide_lantern/states`);
  await expect(page.getByRole('list', { name: 'Properties' })).toContainText('lit');
  await page.keyboard.press(']');
  const row = page.getByRole('group', { name: 'Row 1' });
  await row.getByRole('button', { name: 'true' }).first().click();
  await expect(page.getByText(/states have no look|state .* has no look/)).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByText('Nothing wrong')).toBeVisible();
  await page.keyboard.press('f');
  await expect(page.getByText('view/looks/mire/')).toBeVisible();

  // Its model lies on the desk like any other, and the way back is the way one came.
  await page.keyboard.press('f');
  await page.keyboard.press('d');
  await expect(page).toHaveURL(/models\/mire%2Ftide_lantern/);
  await page.getByRole('region', { name: 'Used by' }).getByRole('link').click();
  await expect(page).toHaveURL(/blocks\/mire%2Ftide_lantern\/looks/);
});
