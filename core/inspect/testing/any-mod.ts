import fc from 'fast-check';
import type { Count, Draw, Lot, LotWhen, Mod, NewLook, Recipe } from '../../mod/index.ts';
import type { When } from '../../states/index.ts';
import { encodePicture } from '../../textures/index.ts';
import { sampleMod } from '../sample.ts';

/** Another grey for each picture, none of it transparent. */
export const greyPicture = (sha256: string): Uint8Array =>
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
const newLook: fc.Arbitrary<NewLook> = fc.record(
  {
    states: fc.constantFrom<NonNullable<NewLook['states']>>(
      { properties: [] },
      {
        properties: [{ name: 'wet', kind: 'toggle', default: false }],
        placing: [{ set: 'wet', to: 'crouching' }],
      },
    ),
    tint: fc.constantFrom('none' as const, 'leaf' as const, '#8fae5d'),
    looks: fc.record({
      mode: fc.constantFrom('one-of' as const, 'layered' as const),
      rows: fc.array(
        fc.record(
          {
            when: fc.constant<When>({ wet: true }),
            use: fc.constantFrom(
              [{ model: 'saltmarsh:bank' }],
              [{ model: 'saltmarsh:lamp', front: 'east' as const }, { model: 'saltmarsh:bank' }],
            ),
          },
          { requiredKeys: ['use'] },
        ),
        { maxLength: 3 },
      ),
    }),
  },
  { requiredKeys: ['looks'] },
);
/** The sample with loot, tags, recipes, items and catalogue groups of all kinds. */
export const anyMod: fc.Arbitrary<Mod> = fc
  .record({
    lamp: draws,
    finds: draws,
    recipes: fc.array(recipe, { maxLength: 4 }),
    foreign: fc.boolean(),
    plank: newLook,
    thatch: newLook,
    tool: fc.boolean(),
  })
  .map(({ lamp, finds, recipes, foreign, tool, plank, thatch }) => {
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
      newLooks: { 'obrank/thatch': thatch, ...(foreign && { 'driftwood/plank': plank }) },
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
