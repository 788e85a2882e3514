import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { inspect, inspectBuilt, type Finding } from '../../inspect/index.ts';
import { sampleMod } from '../../inspect/sample.ts';
import {
  ModSchema,
  type Count,
  type Draw,
  type Lot,
  type LotWhen,
  type Mod,
  type Recipe,
} from '../../mod/index.ts';
import type { When } from '../../states/index.ts';
import { encodePicture } from '../../textures/index.ts';
import { blockPack } from './index.ts';
import { readPack } from './read/index.ts';

/** Another grey for each picture, none of it transparent. */
const png = (sha256: string) =>
  encodePicture({
    width: 16,
    height: 16,
    data: new Uint8Array(1024).map((_, i) =>
      i % 4 === 3 ? 255 : 200 - parseInt(sha256.slice(-1), 16),
    ),
  });
const thing = fc.constantFrom(
  'saltmarsh:lamp',
  'saltmarsh:bank',
  'saltmarsh:salt',
  'obrank:timber',
);
const own = fc.constantFrom('saltmarsh:lamp', 'saltmarsh:bank', 'saltmarsh:salt');
const ingredient = fc.oneof(thing, fc.constant('#saltmarsh:wet'));
const count: fc.Arbitrary<Count> = fc.oneof(
  fc.nat(5),
  fc.tuple(fc.nat(2), fc.integer({ min: 2, max: 5 })),
  fc.record({ tries: fc.nat(6), chance: fc.constantFrom(0, 0.25, 1) }),
);
const plain: fc.Arbitrary<LotWhen> = fc.record(
  {
    careful: fc.boolean(),
    blast: fc.boolean(),
    tool: fc.constantFrom('pick' as const, 'spade' as const),
    grade: fc.nat(2),
    chance: fc.constantFrom(0, 0.1, 1),
    state: fc.constantFrom<When>({ lit: true }, { heading: ['north', 'south'] }),
  },
  { requiredKeys: [] },
);
const when: fc.Arbitrary<LotWhen> = fc
  .tuple(
    plain,
    fc.record(
      {
        all: fc.array(plain, { maxLength: 2 }),
        any: fc.array(plain, { minLength: 1, maxLength: 2 }),
        not: plain,
      },
      { requiredKeys: [] },
    ),
  )
  .map(([a, b]) => ({ ...a, ...b }));
const lot: fc.Arbitrary<Lot> = fc.oneof(
  fc.record(
    {
      give: own,
      count,
      share: fc.nat(3),
      luck: fc.nat(2),
      keeps: fc.constant<string[]>(['lit']),
      when,
    },
    { requiredKeys: ['give'] },
  ),
  fc.record({ table: fc.constant('saltmarsh:finds'), when }, { requiredKeys: ['table'] }),
  fc.record({ share: fc.nat(2) }),
);
const draws: fc.Arbitrary<Draw[]> = fc.array(
  fc.record({ times: count, lots: fc.array(lot, { maxLength: 3 }) }),
  { maxLength: 2 },
);
const made = fc.integer({ min: 1, max: 9 });
const recipe: fc.Arbitrary<Recipe> = fc.oneof(
  fc.record({
    kind: fc.constant('mix' as const),
    takes: fc.array(ingredient, { minLength: 1, maxLength: 4 }),
    gives: own,
    count: made,
  }),
  fc.record(
    {
      kind: fc.constant('pattern' as const),
      pattern: fc.constantFrom<string[]>(['ab'], ['a', 'b'], ['a b', ' b ']),
      keys: fc.record({ a: ingredient, b: ingredient }),
      mirrored: fc.boolean(),
      gives: own,
    },
    { requiredKeys: ['kind', 'pattern', 'keys', 'gives'] },
  ),
  fc.record({
    kind: fc.constant('fire' as const),
    takes: ingredient,
    gives: own,
    seconds: fc.integer({ min: 1, max: 60 }),
    reward: fc.constantFrom(0, 0.5),
  }),
  fc.record({
    kind: fc.constant('cut' as const),
    takes: ingredient,
    choices: fc.array(fc.record({ gives: own, count: made }), { minLength: 1, maxLength: 3 }),
  }),
);
const anyMod: fc.Arbitrary<Mod> = fc
  .record({
    lamp: draws,
    finds: draws,
    recipes: fc.array(recipe, { maxLength: 4 }),
    foreign: fc.boolean(),
    tool: fc.boolean(),
  })
  .map(({ lamp, finds, recipes, foreign, tool }) => {
    const mod = sampleMod();
    return {
      ...mod,
      header: {
        ...mod.header,
        ...(foreign ? { needs: [{ namespace: 'driftwood' }] } : {}),
        groups: [{ name: 'shore', icon: 'saltmarsh:lamp', names: { en: 'Shore' } }],
      },
      blocks: {
        ...mod.blocks,
        lamp: { ...mod.blocks['lamp']!, loot: { draws: lamp }, itemTags: ['saltmarsh:wet'] },
      },
      items: {
        salt: {
          names: { en: 'Salt' },
          texture: 'saltmarsh:lamp',
          group: 'shore',
          tags: ['saltmarsh:wet', ...(foreign ? ['driftwood:white'] : [])],
          ...(tool
            ? { tool: { kind: 'spade' as const, grade: 1 } }
            : { bucket: { of: 'saltmarsh:bank', empty: 'saltmarsh:lamp' } }),
        },
      },
      itemTags: { wet: { note: 'Wet.' } },
      lootTables: { finds: { draws: finds } },
      recipes: Object.fromEntries(recipes.map((one, i) => [`r${i}`, one])),
      ledger: {
        ...mod.ledger,
        entries: [...mod.ledger.entries, { number: 3, kind: 'item', name: 'salt' }],
      },
    };
  });

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
        const files = blockPack.write(mod, png);
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
