import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { broken, chanceOf, lootSource, lotChances, type Breaking } from '../../../loot/index.ts';
import { resolveBlock, toolKinds, type Lot, type LotWhen, type Mod } from '../../../mod/index.ts';
import type { When } from '../../../states/index.ts';
import { isRightTool } from '../../../traits/index.ts';
import { inspect } from '../../index.ts';
import { sampleMod, withExample } from '../../sample.ts';

const plain: fc.Arbitrary<LotWhen> = fc.record(
  {
    careful: fc.boolean(),
    blast: fc.boolean(),
    tool: fc.constantFrom('pick' as const, 'spade' as const),
    grade: fc.integer({ min: 0, max: 4 }),
    chance: fc.constantFrom(0, 0.5),
    state: fc.constantFrom<When>(
      { lit: true },
      { lit: false, heading: 'north' },
      { heading: ['east', 'west'] },
    ),
  },
  { requiredKeys: [] },
);
const when: fc.Arbitrary<LotWhen> = fc
  .tuple(
    plain,
    fc.record(
      {
        any: fc.array(plain, { minLength: 1, maxLength: 2 }),
        all: fc.array(plain, { maxLength: 2 }),
        not: plain,
      },
      { requiredKeys: [] },
    ),
  )
  .map(([a, b]) => ({ ...a, ...b }));
const lot: fc.Arbitrary<Lot> = fc.record(
  { give: fc.constant('saltmarsh:lamp'), when, share: fc.nat(2) },
  { requiredKeys: ['give'] },
);

/**
 * Every way to break the lamp at all: each kind and grade of tool, bare hands, a blast, careful or
 * not, in every state, as far as its traits let it.
 */
function everyBreaking(mod: Mod): Breaking[] {
  const block = resolveBlock(mod, 'lamp', mod.blocks['lamp']!);
  const tools = [
    'bare hands' as const,
    ...toolKinds.flatMap((kind) => mod.header.tools.grades.map((_, grade) => ({ kind, grade }))),
  ];
  const all = Array.from({ length: block.space.size }, (_, state) => state).flatMap((state) => [
    ...tools.flatMap((tool) =>
      [true, false].map((careful): Breaking => ({ tool, careful, state })),
    ),
    { tool: 'bare hands' as const, careful: false, blast: true, state },
  ]);
  return all.filter(
    (breaking) => breaking.blast || !block.traits.gated || isRightTool(block.traits, breaking.tool),
  );
}

test(
  'every condition can hold or is reported, and what is reported never holds; every lot ' +
    'can be drawn or is reported',
  () =>
    fc.assert(
      fc.property(fc.array(lot, { minLength: 1, maxLength: 3 }), fc.boolean(), (lots, gated) => {
        const draws = [{ times: 1, lots: JSON.parse(JSON.stringify(lots)) as Lot[] }];
        const mod = withExample(sampleMod(), {
          '/blocks/lamp/loot': { draws },
          '/blocks/lamp/traits/gated': gated,
        });
        const { space } = resolveBlock(mod, 'lamp', mod.blocks['lamp']!);
        const findings = inspect(mod);
        const reported = (rule: string) =>
          new Set(
            findings
              .filter((finding) => finding.rule === rule)
              .map(({ at }) => Number(at!.split('/')[7])),
          );
        const [never, undrawn] = [
          reported('loot/condition-never-holds'),
          reported('loot/lot-never-drawn'),
        ];
        const ways = everyBreaking(mod);
        draws[0]!.lots.forEach((one, i) => {
          const holds = ways.some((breaking) => chanceOf(one.when, breaking, space) > 0);
          expect([i, 'holds', holds]).toEqual([i, 'holds', !never.has(i)]);
          const drawn = ways.some((breaking) => lotChances(draws[0]!, breaking, space)[i]! > 0);
          expect([i, 'drawn', drawn]).toEqual([i, 'drawn', !never.has(i) && !undrawn.has(i)]);
        });
      }),
      { numRuns: 250 },
    ),
);

test('what the truth of a block says and what breaking it brings is the same everywhere', () =>
  fc.assert(
    fc.property(fc.array(lot, { minLength: 1, maxLength: 3 }), (lots) => {
      const mod = withExample(sampleMod(), {
        '/blocks/lamp/loot': {
          draws: [{ times: 1, lots: JSON.parse(JSON.stringify(lots)) as Lot[] }],
        },
      });
      const block = resolveBlock(mod, 'lamp', mod.blocks['lamp']!);
      for (const breaking of everyBreaking(mod)) {
        const found = broken(block, breaking, lootSource(mod, block));
        const sum = lotChances(block.draws[0]!, breaking, block.space).reduce((a, b) => a + b, 0);
        expect(
          found === 'gated' || found === 'cannot be dug'
            ? 0
            : (found as { mean: number }[]).reduce((a, { mean }) => a + mean, 0),
        ).toBeCloseTo(sum, 9);
      }
    }),
    { numRuns: 60 },
  ));

test('a grade with any tool but those that are named can be had with another kind', () => {
  const found = (when: object, toolKind: string) =>
    inspect(
      withExample(sampleMod(), {
        '/blocks/lamp/traits/toolKind': toolKind,
        '/blocks/lamp/traits/gated': false,
        '/blocks/lamp/loot': {
          draws: [
            { times: 1, lots: [{ give: 'saltmarsh:lamp', when }, { give: 'saltmarsh:lamp' }] },
          ],
        },
      }),
    ).filter(({ rule }) => rule === 'loot/condition-never-holds');
  expect(found({ grade: 0, not: { tool: 'pick' } }, 'pick')).toEqual([]);
  expect(found({ grade: 2 }, 'none')).toEqual([]);
  expect(found({ grade: 9 }, 'none')).toHaveLength(1);
  expect(found({ tool: 'axe', not: { tool: 'axe' } }, 'pick')).toHaveLength(1);
});
