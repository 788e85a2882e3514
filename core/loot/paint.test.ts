import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { emptyMod, type Block, type Draw, type Loot } from '../mod/index.ts';
import { resolveBlock } from '../mod/index.ts';
import { sampleMod } from '../inspect/sample.ts';
import { BitSet } from '../states/index.ts';
import { BlockSchema } from '../mod/index.ts';
import {
  drops,
  lootSource,
  lotWhen,
  paintLoot,
  quickLoot,
  shortLoot,
  truthTable,
  type Outcome,
} from './index.ts';

const mod = { ...sampleMod(), lootTables: emptyMod('saltmarsh', 'Saltmarsh').lootTables };
const lampWith = (loot: Loot): Block => ({ ...mod.blocks['lamp']!, loot });
const open = (loot: Loot) => {
  const block = resolveBlock(mod, 'lamp', {
    ...lampWith(loot),
    traits: { ...lampWith(loot).traits, gated: false },
  });
  const source = lootSource(mod, block);
  return { block, source, truth: truthTable(block, mod.header, source, ['lit']) };
};
const anyLoot: fc.Arbitrary<Loot> = fc.oneof(
  fc.constantFrom<Loot>('itself', 'nothing'),
  fc
    .array(
      fc.record({
        times: fc.constantFrom<Draw['times']>(1, 2, [1, 3]),
        lots: fc.array(
          fc.record({
            give: fc.constantFrom('saltmarsh:lamp', 'saltmarsh:bank'),
            share: fc.option(fc.nat(2), { nil: undefined }),
            when: fc.option(
              fc.constantFrom(
                { careful: true },
                { tool: 'pick' as const, grade: 1 },
                { state: { lit: true } },
                { blast: true },
                { chance: 0.5 },
              ),
              { nil: undefined },
            ),
          }),
          { minLength: 1, maxLength: 3 },
        ),
      }),
      { minLength: 1, maxLength: 2 },
    )
    .map((draws): Loot => ({ draws: JSON.parse(JSON.stringify(draws)) as Draw[] })),
);
const outcome: fc.Arbitrary<Outcome> = fc.constantFrom<Outcome>(
  {},
  { give: 'saltmarsh:lamp' },
  { give: 'saltmarsh:bank', count: 3 },
);

test(
  'painting: chosen cells bring what was painted, all others what they brought before, ' +
    'whatever the loot was',
  () =>
    fc.assert(
      fc.property(
        anyLoot,
        outcome,
        fc.array(fc.nat(200), { minLength: 1, maxLength: 8 }),
        (loot, what, places) => {
          const { block, source, truth } = open(loot);
          const painted = new BitSet(truth.space.size);
          for (const place of places) {
            const cell = place % truth.space.size;
            painted.add(cell);
            if (truth.breakingOf(cell).blast)
              painted.add(truth.space.withDigit(cell, 1, 0)).add(truth.space.withDigit(cell, 1, 1));
          }
          const next = paintLoot(block, truth, painted, what, source);
          expect(BlockSchema.safeParse(lampWith(next)).error).toBeUndefined();
          const after = open(next);
          truth.cells.forEach((_, cell) => {
            const now = drops(after.block.draws, truth.breakingOf(cell), after.source);
            const wanted = painted.has(cell)
              ? drops([{ times: 1, lots: [what] }], truth.breakingOf(cell), source)
              : drops(block.draws, truth.breakingOf(cell), source);
            const said = (list: typeof now) =>
              list
                .map(({ give, mean, chance }) => `${give} ${mean.toFixed(9)} ${chance.toFixed(9)}`)
                .sort();
            expect(said(now)).toEqual(said(wanted));
          });
        },
      ),
      { numRuns: 400 },
    ),
);

test('painting says things the short way: itself, nothing, one lot for what is careful', () => {
  const { block, source, truth } = open('nothing');
  const careful = truth.space.matching({ ' careful': true });
  expect(paintLoot(block, truth, truth.space.everything, { give: block.id }, source)).toBe(
    'itself',
  );
  expect(paintLoot(block, truth, truth.space.everything, {}, source)).toBe('nothing');
  const once = open('itself');
  const blasts = once.truth.space.matching({ ' way': 'a blast' });
  expect(paintLoot(once.block, once.truth, blasts, {}, once.source)).toEqual({
    draws: [{ times: 1, lots: [{ give: 'saltmarsh:lamp', when: { blast: false } }] }],
  });
  expect(careful.isEmpty).toBe(false);
});

test.each<[string[], object | undefined]>([
  [['a blast'], { blast: true }],
  [['flint pick', 'bronze pick', 'steel pick'], { tool: 'pick' }],
  [['bronze pick', 'steel pick'], { tool: 'pick', grade: 1 }],
  [['bronze pick'], { tool: 'pick', grade: 1, not: { grade: 2 } }],
  [['bare hands'], { blast: false, not: { tool: 'pick' } }],
  [['bare hands', 'flint pick', 'bronze pick', 'steel pick'], { blast: false }],
  [['bare hands', 'a blast'], { not: { tool: 'pick' } }],
])('the ways %j become one condition', (way, expected) => {
  expect(lotWhen({ ' way': way }, open('itself').truth)).toEqual(expected);
});

test(
  'one stroke: itself, nothing, an item and itself when careful; what is said in many ' +
    'draws is said short where it can be',
  () => {
    expect(quickLoot.itself()).toBe('itself');
    expect(quickLoot.nothing()).toBe('nothing');
    expect(quickLoot.item('saltmarsh:bank', 'saltmarsh:lamp', [1, 2])).toEqual({
      draws: [
        {
          times: 1,
          lots: [
            { give: 'saltmarsh:lamp', when: { careful: true } },
            { give: 'saltmarsh:bank', count: [1, 2] },
          ],
        },
      ],
    });
    expect(
      shortLoot(
        [
          { times: 1, lots: [{ give: 'saltmarsh:lamp' }] },
          { times: 3, lots: [{}] },
        ],
        'saltmarsh:lamp',
      ),
    ).toBe('itself');
    expect(shortLoot([{ times: 2, lots: [{ give: 'saltmarsh:lamp' }] }], 'saltmarsh:lamp')).toEqual(
      {
        draws: [{ times: 2, lots: [{ give: 'saltmarsh:lamp' }] }],
      },
    );
    expect(
      shortLoot(
        [{ times: 1, lots: [{ give: 'saltmarsh:lamp', keeps: ['lit'] }] }],
        'saltmarsh:lamp',
      ),
    ).not.toBe('itself');
    expect(shortLoot([{ times: 1, lots: [] }], 'saltmarsh:lamp')).toBe('nothing');
  },
);
