import { editMod } from './testing/edit.ts';
import { expect, test } from './testing/server.ts';

test('a walk through the pack tells what each block does, what is amiss, and what is otherwise than before', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/build`);
  await page.getByRole('link', { name: 'Test walk' }).click();
  const walk = page.getByRole('region', { name: 'Test walk' });
  await walk.getByRole('button', { name: 'Walk through it' }).click();
  await expect(walk.getByText('Nothing amiss')).toBeVisible();
  await expect(walk).toContainText('204 tries.');
  const lantern = walk.getByRole('row', { name: /Tide lantern/ });
  await expect(lantern).toContainText('12 of 24 states');
  await expect(lantern).toContainText('bare hands 192 ticks, yields nothing; steel pick 13 ticks');
  await expect(lantern).toContainText('1.00 Tide lantern');
  await expect(lantern).toContainText('13 in 12 of 24 states, to 12 blocks away');
  await expect(lantern.getByRole('img', { name: 'lit=true, light 13' })).toBeVisible();

  await editMod(page, server.address, [
    { path: '/blocks/tide_lantern/traits/hardness', before: 3.2, after: 4.5 },
    {
      path: '/models/gate~1shut/slots/boards',
      before: 'saltmarsh:gate/boards',
      after: 'saltmarsh:gate/bords',
    },
  ]);
  await expect(walk).toContainText('The mod has changed since.');
  await walk.getByRole('button', { name: 'Walk again' }).click();
  await expect(walk.getByText('1 amiss')).toBeVisible();
  await expect(walk).toContainText('5 came out otherwise than the last time.');
  // What is amiss stands first, and leads to where it is declared.
  const first = walk.getByRole('row').nth(1);
  await expect(first).toContainText('Sluice gate');
  await expect(first).toContainText('looks otherwise than the last time');
  // Each look once, as the files of the pack have it.
  await expect(first.getByRole('img', { name: 'side=south, open=true' }).first()).toBeVisible();
  await expect(lantern).toContainText('was: bare hands 192 ticks');
  await first.getByRole('link', { name: /gate\/bords of the model/ }).click();
  await expect(page).toHaveURL(/blocks\/sluice_gate\/looks/);
});
