import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { emptyMod, type Draw, type Lot } from '../mod/index.ts';
import { StateSpace } from '../states/index.ts';
import { toolName } from '../traits/index.ts';
import {
  broken,
  distribution,
  drops,
  lotChances,
  mostByChance,
  tooManyCases,
  waysOf,
  weightOf,
  type Breaking,
  type LootSource,
} from './index.ts';

const space = new StateSpace([{ name: 'ripe', kind: 'toggle', default: false }]);
const source: LootSource = { space, tableOf: () => undefined };
const bare: Breaking = { tool: 'bare hands', careful: false, state: 0 };
const spade = (grade: number): Breaking => ({
  tool: { kind: 'spade', grade },
  careful: false,
  state: 0,
});
const crust: Draw[] = [
  {
    times: 1,
    lots: [
      { give: 's:crust', when: { careful: true } },
      { give: 's:salt', count: [1, 3], share: 1, when: { tool: 'spade', grade: 1 } },
      { give: 's:sand', share: 3, when: { tool: 'spade' } },
    ],
  },
];

test.each<[string, Draw[], Breaking, object[]]>([
  [
    'careful gives the block itself, whatever the shares',
    crust,
    { ...spade(1), careful: true },
    [{ give: 's:crust', mean: 1, chance: 1 }],
  ],
  [
    'by share among the lots whose conditions hold: 1 of 4 gives 2 on average',
    crust,
    spade(1),
    [
      { give: 's:salt', mean: 0.5, chance: 0.25 },
      { give: 's:sand', mean: 0.75, chance: 0.75 },
    ],
  ],
  ['too low a grade leaves one lot', crust, spade(0), [{ give: 's:sand', mean: 1, chance: 1 }]],
  ['no lot holds', crust, bare, []],
  [
    'three draws of one in four: 1 − (3/4)³',
    [
      {
        times: 3,
        lots: [
          { give: 's:seed', share: 1 },
          { give: 's:stalk', share: 3 },
        ],
      },
    ],
    bare,
    [
      { give: 's:seed', mean: 0.75, chance: 1 - 0.75 ** 3 },
      { give: 's:stalk', mean: 2.25, chance: 1 - 0.25 ** 3 },
    ],
  ],
  [
    'a count from 0 to 2 gives something two times in three',
    [{ times: 1, lots: [{ give: 's:seed', count: [0, 2] }] }],
    bare,
    [{ give: 's:seed', mean: 1, chance: 2 / 3 }],
  ],
  [
    'only when ripe',
    [{ times: 1, lots: [{ give: 's:seed', when: { state: { ripe: true } } }] }],
    { ...bare, state: 1 },
    [{ give: 's:seed', mean: 1, chance: 1 }],
  ],
])('%s', (_, draws, breaking, expected) => {
  const found = drops(draws, breaking, source);
  expect(found).toHaveLength(expected.length);
  expected.forEach((drop, i) => {
    for (const [key, value] of Object.entries(drop)) {
      const seen = found[i]![key as 'mean'];
      if (typeof value === 'number') expect(seen).toBeCloseTo(value, 12);
      else expect(seen).toBe(value);
    }
  });
});

const anyLot: fc.Arbitrary<Lot> = fc.record({
  give: fc.constantFrom('s:a', 's:b'),
  share: fc.option(fc.nat(4), { nil: undefined }),
  when: fc.option(fc.record({ careful: fc.boolean() }), { nil: undefined }),
});

test('the chances of one draw sum to one, or to none when no lot can be drawn', () =>
  fc.assert(
    fc.property(fc.array(anyLot, { maxLength: 5 }), fc.boolean(), (lots, careful) => {
      const sum = lotChances({ times: 1, lots }, { ...bare, careful }, space).reduce(
        (a, b) => a + b,
        0,
      );
      expect(Math.abs(sum - 1) < 1e-9 || sum === 0).toBe(true);
    }),
  ));

test(
  'breaking asks the traits first: unbreakable, then whether the tool is enough, then ' +
    'the table',
  () => {
    const { header } = emptyMod('saltmarsh', 'Saltmarsh');
    const blockOf = (traits: object, draws: Draw[]) =>
      ({
        traits: { hardness: 2, toolKind: 'pick', leastGrade: 1, gated: true, ...traits },
        draws,
        space,
      }) as unknown as Parameters<typeof broken>[0];
    const gives: Draw[] = [{ times: 1, lots: [{ give: 's:gem' }] }];
    const pick = (grade: number): Breaking => ({
      tool: { kind: 'pick', grade },
      careful: false,
      state: 0,
    });
    expect(broken(blockOf({ hardness: 'unbreakable' }, gives), pick(2), source)).toBe(
      'cannot be dug',
    );
    expect(broken(blockOf({}, gives), bare, source)).toBe('gated');
    expect(broken(blockOf({}, gives), pick(0), source)).toBe('gated');
    expect(broken(blockOf({}, gives), pick(1), source)).toEqual([
      { give: 's:gem', keeps: [], mean: 1, chance: 1 },
    ]);
    expect(broken(blockOf({ gated: false }, []), bare, source)).toEqual([]);
    expect(
      broken(blockOf({ hardness: 'unbreakable' }, gives), { ...bare, blast: true }, source),
    ).toEqual([{ give: 's:gem', keeps: [], mean: 1, chance: 1 }]);
    // The ways that are told: bare hands, its own kind, the kind that a lot asks for, and a blast.
    const ways = waysOf(
      blockOf({}, [
        {
          times: 1,
          lots: [{ give: 's:gem', when: { any: [{ tool: 'shears' }, { blast: true }] } }],
        },
      ]),
      header,
      source,
    );
    expect(ways.map(({ tool, blast }) => (blast ? 'blast' : toolName(tool, header)))).toEqual([
      'bare hands',
      'flint pick',
      'bronze pick',
      'steel pick',
      'flint shears',
      'bronze shears',
      'steel shears',
      'blast',
    ]);
    expect(
      waysOf(blockOf({ toolKind: 'none' }, gives), header, source).map((way) => way.name),
    ).toEqual(['bare hands', 'a blast']);
  },
);

test(
  'a blast needs no tool and knows no care; luck adds to a share and never takes it ' +
    'below nothing',
  () => {
    const blast: Breaking = { ...bare, blast: true };
    const only = (when: Lot['when']) =>
      drops([{ times: 1, lots: [{ give: 's:a', when }] }], blast, source).length;
    expect([
      only({ blast: true }),
      only({ blast: false }),
      only({ careful: false }),
      only({ tool: 'spade' }),
      only({ grade: 0 }),
    ]).toEqual([1, 0, 1, 0, 0]);
    expect(
      drops(crust, { ...spade(1), careful: true, blast: true }, source).map(({ give }) => give),
    ).toEqual([]);
    expect([
      weightOf({ share: 2, luck: 3 }),
      weightOf({ share: 2, luck: 3 }, 2),
      weightOf({ share: 2, luck: -3 }, 1),
      weightOf({}),
    ]).toEqual([2, 8, 0, 0]);
  },
);

test(
  'another table: its counts multiply, its chances compound, and it may be asked for ' +
    'several times',
  () => {
    const of: LootSource = {
      space,
      tableOf: (id) =>
        id === 's:finds'
          ? [{ times: 1, lots: [{ give: 's:shell', count: 2, share: 1 }, { share: 1 }] }]
          : undefined,
    };
    expect(drops([{ times: 1, lots: [{ table: 's:finds' }] }], bare, of)).toEqual([
      { give: 's:shell', keeps: [], mean: 1, chance: 0.5 },
    ]);
    expect(drops([{ times: 1, lots: [{ table: 's:finds', count: 3 }] }], bare, of)).toEqual([
      { give: 's:shell', keeps: [], mean: 3, chance: 0.875 },
    ]);
    expect(
      distribution([{ times: 1, lots: [{ table: 's:finds', count: 2 }] }], 's:shell', bare, of),
    ).toEqual([0.25, 0, 0.5, 0, 0.25]);
    expect(drops([{ times: 1, lots: [{ table: 's:none' }] }], bare, of)).toEqual([]);
  },
);

test(
  'what is carried keeps drops of one item apart; more than sixteen lots by chance are ' +
    'not counted',
  () => {
    expect(
      drops(
        [
          { times: 1, lots: [{ give: 's:a', keeps: ['ripe'] }] },
          { times: 2, lots: [{ give: 's:a' }] },
        ],
        bare,
        source,
      ),
    ).toEqual([
      { give: 's:a', keeps: ['ripe'], mean: 1, chance: 1 },
      { give: 's:a', keeps: [], mean: 2, chance: 1 },
    ]);
    const chancy = (many: number): Draw[] => [
      {
        times: 1,
        lots: Array.from({ length: many }, () => ({
          give: 's:a',
          share: 1,
          when: { not: { chance: 0.5 } },
        })),
      },
    ];
    expect([tooManyCases(chancy(mostByChance)), tooManyCases(chancy(mostByChance + 1))]).toEqual([
      false,
      true,
    ]);
  },
);
