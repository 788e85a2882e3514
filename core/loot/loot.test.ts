import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Count, Draw, Lot, LotWhen } from '../mod/index.ts';
import { seededRandom } from '../space/index.ts';
import { StateSpace, type When } from '../states/index.ts';
import { wilson } from '../traits/index.ts';
import {
  chanceOf,
  conditionWords,
  distribution,
  drops,
  lotChances,
  simulate,
  spanOf,
  meanOf,
  tablesIn,
  type Breaking,
  type LootSource,
} from './index.ts';
import { compound, convolve, generating, spread } from './counts.ts';
import { emptyMod } from '../mod/index.ts';
import { sampleMod, withExample } from '../inspect/sample.ts';
import { keepableProperties } from './keeps.ts';

const space = new StateSpace([
  { name: 'ripe', kind: 'toggle', default: false },
  { name: 'level', kind: 'number', min: 0, max: 2, default: 0 },
]);
const breaking = fc.record({
  tool: fc.constantFrom(
    'bare hands' as const,
    { kind: 'spade' as const, grade: 0 },
    { kind: 'spade' as const, grade: 1 },
  ),
  careful: fc.boolean(),
  blast: fc.boolean(),
  state: fc.nat(5),
  luck: fc.nat(2),
});
const count: fc.Arbitrary<Count> = fc.oneof(
  fc.integer({ min: 0, max: 3 }),
  fc.tuple(fc.nat(2), fc.integer({ min: 2, max: 4 })),
  fc.record({ tries: fc.nat(4), chance: fc.double({ min: 0, max: 1, noNaN: true }) }),
);
const plainWhen = fc.record(
  {
    careful: fc.boolean(),
    blast: fc.boolean(),
    tool: fc.constantFrom('spade' as const, 'pick' as const),
    grade: fc.nat(1),
    chance: fc.double({ min: 0, max: 1, noNaN: true }),
    state: fc.constantFrom<When>({ ripe: true }, { level: [0, 2] }, { gone: 1 }),
  },
  { requiredKeys: [] },
);
const when: fc.Arbitrary<LotWhen> = fc
  .tuple(
    plainWhen,
    fc.record(
      {
        all: fc.array(plainWhen, { maxLength: 2 }),
        any: fc.array(plainWhen, { maxLength: 2 }),
        not: fc.record({ any: fc.array(plainWhen, { maxLength: 2 }) }),
      },
      { requiredKeys: [] },
    ),
  )
  .map(([plain, groups]) => ({ ...plain, ...groups }));
const lot: fc.Arbitrary<Lot> = fc.record({
  give: fc.constantFrom('s:salt', 's:seed', undefined),
  count,
  share: fc.option(fc.integer({ min: -1, max: 3 }), { nil: undefined }),
  luck: fc.option(fc.integer({ min: -1, max: 2 }), { nil: undefined }),
  when: fc.option(when, { nil: undefined }),
});
const draw: fc.Arbitrary<Draw> = fc.record({ times: count, lots: fc.array(lot, { maxLength: 4 }) });
const inner = fc.array(draw, { maxLength: 1 });
const tables = fc
  .tuple(fc.array(draw, { maxLength: 2 }), inner, fc.boolean())
  .map(([draws, other, refers]) => {
    const source: LootSource = {
      space,
      tableOf: (id) =>
        id === 's:finds'
          ? [...other, { times: 1, lots: [{ table: 's:finds', when: { chance: 0.5 } }] }]
          : undefined,
    };
    return {
      draws: refers
        ? [
            ...draws,
            {
              times: [0, 2] as Count,
              lots: [{ table: 's:finds', count: [1, 2] as [number, number] }],
            },
          ]
        : draws,
      source,
    };
  });

test(
  'the exact odds lie within the interval of a simulation, over random tables, ' +
    'conditions, counts, luck and tables in tables',
  () => {
    const breaks = 2000;
    let asked = 0;
    let outside = 0;
    fc.assert(
      fc.property(tables, breaking, fc.nat(), ({ draws, source }, how, seed) => {
        const steps = simulate(draws, how, source, breaks, seededRandom(seed));
        let step = steps.next();
        while (!step.done) step = steps.next();
        for (const give of ['s:salt', 's:seed']) {
          const exact = distribution(draws, give, how, source)!;
          const seen = step.value.get(give) ?? [breaks];
          // What cannot happen never does, and what always happens always does.
          seen.forEach((many, n) => {
            if (many) expect(exact[n] ?? 0).toBeGreaterThan(0);
          });
          exact.forEach((chance, n) => {
            const { low, high } = wilson(seen[n] ?? 0, breaks);
            asked += 1;
            if (chance < low - 1e-9 || chance > high + 1e-9) outside += 1;
            // Six standard errors, and two breaks for what is as rare as one in all of them.
            expect(Math.abs((seen[n] ?? 0) / breaks - chance)).toBeLessThan(
              6 * Math.sqrt(Math.max(0, chance * (1 - chance)) / breaks) + 1e-9 + 2 / breaks,
            );
          });
        }
      }),
      { numRuns: 70 },
    );
    expect(outside / asked).toBeLessThan(0.12);
  },
);

test(
  'distributions sum to one and agree with the means and chances, which are worked out ' +
    'another way',
  () =>
    fc.assert(
      fc.property(tables, breaking, ({ draws, source }, how) => {
        const found = drops(draws, how, source);
        for (const give of ['s:salt', 's:seed']) {
          const exact = distribution(draws, give, how, source)!;
          const mean = found
            .filter((drop) => drop.give === give)
            .reduce((sum, drop) => sum + drop.mean, 0);
          expect(exact.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
          expect(Math.min(...exact)).toBeGreaterThan(-1e-12);
          expect(exact.reduce((sum, chance, n) => sum + chance * n, 0)).toBeCloseTo(mean, 8);
          expect(1 - exact[0]!).toBeCloseTo(
            found.find((drop) => drop.give === give)?.chance ?? 0,
            9,
          );
        }
      }),
      { numRuns: 300 },
    ),
);

test(
  'in one draw the chances of all lots sum to at most one, and to one when a lot ' +
    'without condition takes what is left',
  () =>
    fc.assert(
      fc.property(draw, breaking, (one, how) => {
        const sum = (lots: Lot[]) =>
          lotChances({ times: 1, lots }, how, space).reduce((a, b) => a + b, 0);
        expect(sum(one.lots)).toBeLessThan(1 + 1e-9);
        expect(sum([...one.lots, { share: 1 }])).toBeCloseTo(1, 9);
        expect(sum([...one.lots, {}])).toBeGreaterThan(1 - 1e-9 - sum(one.lots));
      }),
    ),
);

test('lots by chance: each case is counted as often as it comes about', () => {
  const half = { share: 1, when: { chance: 0.5 } };
  // Both hold in a quarter of all cases, then each has a half of it; alone it takes all.
  expect(
    lotChances(
      { times: 1, lots: [half, half] },
      { tool: 'bare hands', careful: false, state: 0 },
      space,
    ),
  ).toEqual([0.375, 0.375]);
  // Three against one, when the three hold: 0.5 × 3/4.
  expect(
    lotChances(
      { times: 1, lots: [{ ...half, share: 3 }, { share: 1 }] },
      { tool: 'bare hands', careful: false, state: 0 },
      space,
    ),
  ).toEqual([0.375, 0.625]);
  // A sure lot by chance first, the rest by share.
  expect(
    lotChances(
      { times: 1, lots: [{ share: 1 }, { when: { chance: 0.2 } }] },
      { tool: 'bare hands', careful: false, state: 0 },
      space,
    ),
  ).toEqual([0.8, 0.2]);
});

test('counts: generating functions, spreads and means agree for each kind', () =>
  fc.assert(
    fc.property(count, fc.double({ min: 0, max: 1, noNaN: true }), (one, x) => {
      const all = spread(one)!;
      expect(all.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
      expect(all.reduce((sum, chance, n) => sum + chance * n, 0)).toBeCloseTo(meanOf(one), 9);
      expect(all.reduce((sum, chance, n) => sum + chance * x ** n, 0)).toBeCloseTo(
        generating(one, x),
        9,
      );
    }),
  ));

test('counts by hand: two coins, three in a row, the wrong way round, too many to tell', () => {
  expect(spread({ tries: 2, chance: 0.5 })).toEqual([0.25, 0.5, 0.25]);
  expect(spread([1, 3])).toEqual([0, 1 / 3, 1 / 3, 1 / 3]);
  expect(spanOf([3, 1])).toEqual([1, 3]);
  expect(spanOf([-2, -1])).toEqual([0, 0]);
  expect(spread({ tries: 4000, chance: 0.5 })![2000]).toBeCloseTo(0.012615, 6);
  expect(spread(10_000)).toBeUndefined();
  expect(generating([1, 4], 1 - 2 ** -53)).toBeCloseTo(1, 12);
  expect(generating([0, 2], 0.5)).toBeCloseTo(7 / 12, 12);
  expect(convolve([0.5, 0.5], [0.5, 0.5])).toEqual([0.25, 0.5, 0.25]);
  expect(compound([0, 0, 1], [0.5, 0.5])).toEqual([0.25, 0.5, 0.25]);
});

test('conditions multiply out, and read as one would say them', () => {
  const bare: Breaking = { tool: 'bare hands', careful: false, state: 0 };
  expect(chanceOf({ any: [{ chance: 0.5 }, { chance: 0.5 }] }, bare, space)).toBe(0.75);
  expect(chanceOf({ not: { all: [{ chance: 0.5 }, { chance: 0.5 }] } }, bare, space)).toBe(0.75);
  expect(chanceOf({ careful: true }, { ...bare, careful: true, blast: true }, space)).toBe(0);
  expect(
    chanceOf({ tool: 'spade' }, { ...bare, tool: { kind: 'spade', grade: 0 }, blast: true }, space),
  ).toBe(0);
  const { header } = emptyMod('saltmarsh', 'Saltmarsh');
  expect(
    conditionWords(
      { tool: 'spade', grade: 1, careful: true, state: { ripe: [true, false] }, chance: 0.25 },
      header,
    ),
  ).toBe('with a bronze spade or better, careful, ripe = true or false, 25 times in 100');
  expect(
    conditionWords({ any: [{ blast: true }, { tool: 'axe' }], not: { careful: true } }, header),
  ).toBe('(by a blast or with an axe), not (careful)');
});

test('the tables that lead on are found once each, circles and all', () => {
  const of: Record<string, Draw[]> = {
    a: [{ times: 1, lots: [{ table: 'b' }, { table: 'a' }] }],
    b: [{ times: 1, lots: [{ table: 'a' }] }],
  };
  expect(tablesIn([{ times: 1, lots: [{ table: 'a' }] }], { tableOf: (id) => of[id] })).toEqual([
    'a',
    'b',
  ]);
});

test('an item may keep what placing takes from it, and what a lot keeps already', () => {
  const { states } = withExample(sampleMod(), {
    '/blocks/lamp/states/placing/1': { set: 'lit', to: 'from the item' },
  }).blocks['lamp']!;
  expect(keepableProperties({ states }, [])).toEqual(['lit']);
  expect(keepableProperties({ states }, ['heading', 'gone'])).toEqual(['heading', 'lit']);
});
