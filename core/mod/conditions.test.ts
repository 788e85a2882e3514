import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { chanceOf } from '../loot/index.ts';
import { StateSpace, type When } from '../states/index.ts';
import { conditionsIn, conditionsOf, propertiesAsked, type LotWhen } from './index.ts';
import { throughLots, throughStates } from './conditions.ts';

const space = new StateSpace([
  { name: 'lit', kind: 'toggle', default: false },
  { name: 'level', kind: 'number', min: 0, max: 2, default: 0 },
]);
const state = fc.constantFrom<When>(
  { lit: true },
  { level: 1 },
  { level: [0, 2] },
  { lit: false, level: 0 },
);
const plain = fc.record({ careful: fc.boolean(), state }, { requiredKeys: [] });
const group = fc.record(
  {
    all: fc.array(plain, { maxLength: 2 }),
    any: fc.array(plain, { minLength: 1, maxLength: 2 }),
    not: plain,
  },
  { requiredKeys: [] },
);
const when: fc.Arbitrary<LotWhen> = fc
  .tuple(
    plain,
    group,
    fc.option(
      fc.record({ not: fc.tuple(plain, group).map(([a, b]): LotWhen => ({ ...a, ...b })) }),
      { nil: {} },
    ),
  )
  .map(([a, b, c]) => ({ ...a, ...b, ...c }));
const breakings = Array.from({ length: space.size }, (_, at) => at).flatMap((at) =>
  [true, false].map((careful) => ({ tool: 'bare hands' as const, careful, state: at })),
);

test('a condition whose states are put through a change holds exactly where it then should', () =>
  fc.assert(
    fc.property(when, (one) => {
      // As if the lamp were never lit: what asks for light fails, what asks for dark always holds.
      const change = (asked: When): When | undefined | false => {
        const { lit, ...rest } = asked;
        return lit === true ? false : Object.keys(rest).length ? rest : undefined;
      };
      const changed = throughStates(one, change);
      for (const breaking of breakings.filter((each) => space.decode(each.state)['lit'] === false))
        expect(changed === false ? 0 : chanceOf(changed, breaking, space)).toBe(
          chanceOf(one, breaking, space),
        );
      if (changed) expect(JSON.stringify(changed)).not.toMatch(/"lit"|\{\}/);
    }),
  ));

test('a change that changes nothing leaves what the condition says', () =>
  fc.assert(
    fc.property(when, (one) => {
      const same = throughStates(one, (asked) => asked);
      for (const breaking of breakings)
        expect(same === false ? 0 : chanceOf(same, breaking, space)).toBe(
          chanceOf(one, breaking, space),
        );
    }),
  ));

test('conditions inside conditions are found with the way to them', () => {
  const nested: LotWhen = {
    any: [{ careful: true }, { not: { state: { lit: true } } }],
    all: [{ tool: 'pick' }],
  };
  expect(conditionsIn(nested).map(({ at }) => at.join('/'))).toEqual([
    '',
    'all/0',
    'any/0',
    'any/1',
    'any/1/not',
  ]);
  expect(conditionsIn(undefined)).toEqual([]);
  const draws = [
    {
      times: 1,
      lots: [
        { give: 's:a', keeps: ['level'] },
        { give: 's:b', when: nested },
      ],
    },
  ];
  expect(conditionsOf(draws)[4]).toMatchObject({
    when: { state: { lit: true } },
    at: ['draws', 0, 'lots', 1, 'when', 'any', 1, 'not'],
    lot: { give: 's:b' },
  });
  expect([...propertiesAsked(draws)].sort()).toEqual(['level', 'lit']);
});

test(
  'lots that are put through a change: the same draws where nothing changes, gone where ' +
    'nothing is left',
  () => {
    const draws = [
      { times: 1, lots: [{ give: 's:a' }] },
      { times: 2, lots: [{ give: 's:b' }, { give: 's:a' }] },
    ];
    const without = throughLots(draws, (lot) => (lot.give === 's:b' ? undefined : lot));
    expect(without[0]).toBe(draws[0]);
    expect(without[1]).toEqual({ times: 2, lots: [{ give: 's:a' }] });
  },
);
