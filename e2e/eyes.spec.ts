import { AxeBuilder } from '@axe-core/playwright';
import { expect, test } from './testing/server.ts';

/** Every place, and every kind of view within one. */
const addresses = [
  'home',
  '../../mods',
  'blocks',
  'blocks/tide_lantern/identity',
  'blocks/tide_lantern/traits',
  'blocks/tide_lantern/states',
  'blocks/tide_lantern/looks',
  'blocks/tide_lantern/textures',
  'blocks/tide_lantern/loot',
  'blocks/tide_lantern/tags',
  'blocks/tide_lantern/names',
  'blocks/tide_lantern/registry',
  'blocks/tide_lantern/reactions',
  'fluids/brine',
  'fluids/brine?station=does',
  'fluids/brine?station=looks',
  'fluids/brine?station=world',
  'families/metals',
  'families/metals?material=ebbite',
  'families/oyster?form=stair',
  'families/metals?material=ebbite&form=bar',
  'library',
  'data/traits',
  'data/recipes',
  'data/recipes/tide_lantern',
  'data/tags',
  'data/items',
  'data/items/brack_spade',
  'data/tools',
  'data/groups',
  'data/loot/seam_finds',
  'data/texts',
  'data/registry',
  'inspection',
  'inspection/rules',
  'inspection/pack',
  'yard',
  'build',
  'models/drying_rack/boxes',
  'textures/oyster_tile/make',
  'textures/oyster_tile/recolour',
  'textures/oyster_tile/touch-up',
  'textures/gauge%2Fwater/frames',
  'textures/samphire_a/see',
  'textures/oyster_tile/facts',
];

/** Every place is looked at, however slow the machine is. */
test.setTimeout(15 * 60_000);

for (const scheme of ['light', 'dark'] as const)
  test(`nothing that an eye or a reader stumbles over, ${scheme}`, async ({ page, server }) => {
    await page.emulateMedia({ colorScheme: scheme, reducedMotion: 'reduce' });
    const found: string[] = [];
    for (const address of addresses) {
      await page.goto(`${server.address}/m/saltmarsh/${address}`);
      await page.locator('main h1, main [role="heading"]').first().waitFor();
      await page.waitForLoadState('networkidle');
      const { violations } = await new AxeBuilder({ page }).analyze();
      for (const { id, nodes } of violations)
        found.push(
          ...nodes.map(
            ({ target, any }) => `${address}: ${id} ${String(target)} ${any[0]?.message ?? ''}`,
          ),
        );
    }
    expect(found).toEqual([]);
  });

/** What reaches beyond the right edge without lying in something that can be scrolled to it. */
const cutOff = (): string[] => {
  const found: string[] = [];
  for (const element of document.querySelectorAll<HTMLElement>('body *')) {
    const { right, width, height } = element.getBoundingClientRect();
    if (!width || !height || right <= window.innerWidth + 1) continue;
    if (element.closest('canvas, svg') || getComputedStyle(element).visibility === 'hidden')
      continue;
    let scroller = element.parentElement;
    while (scroller && !/auto|scroll/.test(getComputedStyle(scroller).overflowX))
      scroller = scroller.parentElement;
    // The work itself scrolls up and down only.
    if (!scroller || scroller.id === 'work')
      found.push(`${element.tagName} ${element.textContent.slice(0, 40)}`);
  }
  return found.slice(0, 3);
};

test('nothing is cut off on small and enlarged screens, and undo is in reach', async ({
  page,
  server,
}) => {
  const found: string[] = [];
  for (const address of addresses) {
    await page.goto(`${server.address}/m/saltmarsh/${address}`);
    await page.locator('main h1, main [role="heading"]').first().waitFor();
    await page.waitForLoadState('networkidle');
    for (const [width, height] of [
      [640, 400],
      [1024, 768],
    ] as const) {
      await page.setViewportSize({ width, height });
      const cut = await page.evaluate(cutOff);
      found.push(...cut.map((one) => `${address} at ${width}: ${one}`));
      // All mods are nobody's to undo.
      if (address.endsWith('/mods')) continue;
      await expect(page.getByRole('button', { name: 'Undo' })).toBeInViewport({ ratio: 1 });
    }
  }
  expect(found).toEqual([]);
  // One column, and the stage first in it.
  await page.setViewportSize({ width: 640, height: 400 });
  await page.goto(`${server.address}/m/saltmarsh/blocks/tide_lantern/traits`);
  await expect(page.getByRole('group', { name: 'Stage' })).toBeInViewport({ ratio: 0.6 });
});
