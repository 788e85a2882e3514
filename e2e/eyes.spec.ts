import { AxeBuilder } from '@axe-core/playwright';
import { expect, test } from './testing/server.ts';

/** Every place, and every kind of view within one. */
const addresses = [
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
  'library',
  'data/traits',
  'data/recipes',
  'data/tags',
  'data/items',
  'inspection',
  'inspection/rules',
  'inspection/pack',
  'build',
  'models/drying_rack/boxes',
  'textures/oyster_tile/make',
  'textures/oyster_tile/recolour',
  'textures/oyster_tile/touch-up',
  'textures/gauge%2Fwater/frames',
  'textures/samphire_a/see',
  'textures/oyster_tile/facts',
];

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
