import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { inspect, inspectBuilt, type Finding } from '../../inspect/index.ts';
import { anyMod, greyPicture } from '../../inspect/testing/any-mod.ts';
import { ModSchema, type Draw } from '../../mod/index.ts';
import { blockPack } from './index.ts';
import { readPack } from './read/index.ts';

/**
 * What is said, but for the rules about what a pack cannot say: what the world has by itself, and
 * that a block was never given any loot.
 */
const said = (findings: readonly Finding[]) =>
  findings
    .filter(({ rule }) => !['recipes/unobtainable', 'loot/drops-nothing-unsaid'].includes(rule))
    .map(({ rule, message }) => `${rule} ${message}`)
    .sort();

test(
  'whatever loot, tags, recipes, items and groups a mod has: the pack reads back whole, ' +
    'and the rules say of it what they say of the mod',
  () =>
    fc.assert(
      fc.property(anyMod, (mod) => {
        expect(ModSchema.safeParse(mod).error).toBeUndefined();
        const files = blockPack.write(mod, greyPicture);
        const pack = readPack(files);
        expect(pack.problems).toEqual([]);
        expect(said(inspectBuilt(blockPack, files))).toEqual(said(inspect(mod)));
        const plainly = (value: unknown) => JSON.parse(JSON.stringify(value)) as unknown;
        expect(pack.loot.get('lamp')!.value.draws).toEqual(
          plainly((mod.blocks['lamp']!.loot as { draws: Draw[] }).draws),
        );
        expect(pack.lootTables.get('finds')!.value).toEqual(
          plainly({ id: 'saltmarsh:finds', draws: mod.lootTables['finds']!.draws }),
        );
        expect(
          Object.fromEntries([...pack.recipes].map(([name, { value }]) => [name, value])),
        ).toEqual(plainly(mod.recipes));
        expect(pack.itemTags.get('wet')!.value.members).toEqual([
          'saltmarsh:lamp',
          'saltmarsh:salt',
        ]);
        expect(pack.itemTags.has('driftwood/white')).toBe(mod.header.needs !== undefined);
        expect(pack.items.get('salt')!.value).toMatchObject(
          plainly({
            form: 'flat',
            tool: mod.items['salt']!.tool,
            bucket: mod.items['salt']!.bucket,
          }) as object,
        );
        expect(pack.groups!.value).toEqual({
          groups: [{ id: 'saltmarsh:shore', icon: 'saltmarsh:lamp' }],
        });
        expect(pack.pack!.value.needs).toEqual(mod.header.needs && ['driftwood']);
      }),
      { numRuns: 60 },
    ),
);
