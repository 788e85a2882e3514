import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { directions, directionStep, headings, seededRandom } from '../../space/index.ts';
import { StateSpace, type Property } from '../../states/index.ts';
import {
  drops,
  dug,
  moved,
  placed,
  type Around,
  type Click,
  type PlacingRule,
  type YardBlock,
  type YardDraw,
} from '../index.ts';

const plain: Omit<YardBlock, 'space'> = {
  id: 'saltmarsh:mud',
  reactions: [],
  hardness: 3,
  blastRating: 1,
  gated: false,
  lightEmitted: [{ value: 0 }],
  lightAbsorbed: [{ value: 15 }],
  placement: [],
  collision: [{ value: [] }],
  outline: [{ value: [] }],
  friction: [{ value: 0.6 }],
  catchesFire: 0,
  burnsAway: 0,
};
const block = (properties: Property[], more: Partial<YardBlock> = {}): YardBlock => ({
  ...plain,
  ...more,
  space: new StateSpace(properties),
});
const heading: Property = { name: 'heading', kind: 'heading', default: 'north' };
const toggle = (name: string): Property => ({ name, kind: 'toggle', default: false });

const click: Click = { side: 'up', height: 0.2, looks: [0, 0, -1], crouching: false };
const open: Around = { isSolid: () => false, hasSignal: false, ownKind: () => undefined };
const placing = (
  property: Property,
  rule: Omit<PlacingRule, 'set'>,
  how: Partial<Click> = {},
  around: Partial<Around> = {},
) =>
  placed(
    block([property], { placement: [{ ...rule, set: property.name }] }),
    { ...click, ...how },
    { ...open, ...around },
  ).because[0];

describe('Placement', () => {
  test('toward the player is against where they look, by the compass', () => {
    expect(placing(heading, { to: 'toward the player' })).toEqual({
      property: 'heading',
      value: 'south',
      rule: 0,
    });
    expect(placing(heading, { to: 'away from the player' }, { looks: [0.9, -3, 0.1] })?.value).toBe(
      'east',
    );
  });

  test('a direction is also up or down when the player looks more than 45° above or below level', () => {
    const direction: Property = { name: 'side', kind: 'direction', default: 'north' };
    const along = (y: number) =>
      placing(direction, { to: 'away from the player' }, { looks: [1, y, 0] })?.value;
    expect([along(1.01), along(0.99), along(-1.01)]).toEqual(['up', 'east', 'down']);
  });

  test('the first rule that holds and gives one of the values sets it; else it has its default', () => {
    const rules: PlacingRule[] = [
      { set: 'heading', to: 'clicked side' },
      { set: 'heading', to: 'fixed', value: 'west', when: { crouching: true } },
    ];
    const gate = block([heading], { placement: rules });
    const on = (how: Partial<Click>) => placed(gate, { ...click, ...how }, open).because;
    expect(on({ side: 'east' })).toEqual([{ property: 'heading', value: 'east', rule: 0 }]);
    // No heading is up: the next rule is asked.
    expect(on({ crouching: true })).toEqual([{ property: 'heading', value: 'west', rule: 1 }]);
    expect(on({})).toEqual([{ property: 'heading', value: 'north' }]);
  });

  test('the top of a block counts as the lower half, its underside as the upper', () => {
    const upper = (how: Partial<Click>) =>
      placing(toggle('upper'), { to: 'half of the clicked side' }, how)?.value;
    expect(upper({ side: 'up', height: 1 })).toBe(false);
    expect(upper({ side: 'down', height: 0 })).toBe(true);
    expect([upper({ side: 'west', height: 0.6 }), upper({ side: 'west', height: 0.4 })]).toEqual([
      true,
      false,
    ]);
  });

  test('it leans away from the solid neighbour that was clicked, else from the first that fits', () => {
    const solid = (...sides: string[]) => ({ isSolid: (side: string) => sides.includes(side) });
    const leans = (sides: string[], how: Partial<Click> = {}) =>
      placing(heading, { to: 'away from a solid neighbour' }, how, solid(...sides))?.value;
    expect(leans(['north', 'east'], { side: 'west' })).toBe('west');
    expect(leans(['north', 'east'])).toBe('south');
    // One between two solid ones leans on neither.
    expect(leans(['north', 'south', 'west'])).toBe('east');
  });

  test('a corner follows the block behind, then the one before', () => {
    const shape: Property = {
      name: 'shape',
      kind: 'choice',
      values: ['straight', 'inner_left', 'inner_right', 'outer_left', 'outer_right'],
      default: 'straight',
    };
    const stair = block([heading, shape], {
      placement: [
        { set: 'shape', to: 'corner' },
        { set: 'heading', to: 'away from the player' },
      ],
    });
    const beside = (side: string, faces: string) =>
      placed(stair, click, {
        ...open,
        ownKind: (other) => (other === side ? { heading: faces } : undefined),
      }).because.at(-1)?.value;
    // It faces north: its back is south, its left west.
    expect(beside('south', 'east')).toBe('outer_left');
    expect(beside('south', 'west')).toBe('outer_right');
    expect(beside('north', 'east')).toBe('inner_left');
    expect(beside('north', 'north')).toBe('straight');
  });
});

describe('Turning a structure', () => {
  const joins = headings.map((side) => ({ set: `to_${side}`, to: 'joined', side }));
  const pane = block(
    headings.map((side) => toggle(`to_${side}`)),
    { placement: joins },
  );
  const gauge = block([
    heading,
    { name: 'axis', kind: 'axis', default: 'x' },
    {
      name: 'hand',
      kind: 'choice',
      values: ['left', 'right'],
      default: 'left',
      mirrored: { left: 'right', right: 'left' },
    },
  ]);

  test.each([
    ['pane', pane],
    ['gauge', gauge],
  ])('of a %s: four turns come back, two mirrors do, turn and mirror twice do', (_, one) =>
    fc.assert(
      fc.property(fc.nat(one.space.size - 1), (state) => {
        const after = (...steps: ('turned' | 'mirrored')[]) =>
          steps.reduce((at, step) => moved(one, at, step), state);
        expect(after('turned', 'turned', 'turned', 'turned')).toBe(state);
        expect(after('mirrored', 'mirrored')).toBe(state);
        expect(after('turned', 'mirrored', 'turned', 'mirrored')).toBe(state);
      }),
    ),
  );

  test('a joined side takes the value of the side that comes there', () => {
    const state = pane.space.encode({ to_north: true, to_west: true });
    expect(pane.space.decode(moved(pane, state, 'turned'))).toEqual({
      to_north: true,
      to_east: true,
      to_south: false,
      to_west: false,
    });
    expect(pane.space.decode(moved(pane, state, 'mirrored'))).toMatchObject({
      to_north: true,
      to_east: true,
    });
  });

  test('axes change places, and a choice becomes what it says', () => {
    const turned = gauge.space.decode(moved(gauge, gauge.space.encode({}), 'turned'));
    expect(turned).toEqual({ heading: 'east', axis: 'z', hand: 'left' });
    expect(gauge.space.decode(moved(gauge, gauge.space.encode({}), 'mirrored'))).toEqual({
      heading: 'north',
      axis: 'x',
      hand: 'right',
    });
  });
});

describe('Dig time', () => {
  const world = { tickRate: 20, tools: { kinds: ['pick'], grades: [{ name: 'flint', pace: 2 }] } };

  test('the right tool divides, a gate takes three times as long and yields nothing', () => {
    const gated = block([], { hardness: 3.2, gated: true, tool: { kind: 'pick', leastGrade: 0 } });
    expect(dug(gated, undefined, world)).toEqual({
      seconds: 9.6,
      ticks: 192,
      yields: false,
    });
    expect(dug(gated, { kind: 'pick', grade: 0 }, world)).toEqual({
      seconds: 1.6,
      ticks: 32,
      yields: true,
    });
    expect(dug(block([], { hardness: 'unbreakable' }), undefined, world)).toBeUndefined();
  });

  test('times round up to whole ticks', () =>
    fc.assert(
      fc.property(fc.double({ min: 0.01, max: 100, noNaN: true }), (hardness) => {
        const { ticks } = dug(block([], { hardness }), undefined, world)!;
        expect(ticks).toBeGreaterThanOrEqual(hardness * 20 - 1e-6);
        expect(ticks - 1).toBeLessThan(hardness * 20);
      }),
    ));
});

describe('Loot', () => {
  const drawn = (
    draws: YardDraw[],
    more: object = {},
    runs = 2000,
    tables = new Map<string, YardDraw[]>(),
  ) => {
    const random = seededRandom(5);
    const sums: Record<string, number> = {};
    for (let i = 0; i < runs; i += 1)
      for (const { item, count } of drops(draws, { state: {}, ...more }, { tables, random }))
        sums[item] = (sums[item] ?? 0) + count;
    return sums;
  };

  test('a lot without a share takes the draw whenever its condition holds', () => {
    const draws: YardDraw[] = [
      {
        times: 1,
        lots: [
          { give: 'a', when: { careful: true } },
          { give: 'b', share: 1 },
        ],
      },
    ];
    expect(drawn(draws, { careful: true }, 10)).toEqual({ a: 10 });
    expect(drawn(draws, {}, 10)).toEqual({ b: 10 });
    // A blast is never careful.
    expect(drawn(draws, { careful: true, blast: true }, 10)).toEqual({ b: 10 });
  });

  test('others by their shares, with luck; where all are 0 the draw brings nothing', () => {
    const draws: YardDraw[] = [
      {
        times: 1,
        lots: [
          { give: 'a', share: 3 },
          { give: 'b', share: 1, luck: 2 },
        ],
      },
    ];
    expect(drawn(draws)['a']! / 2000).toBeCloseTo(0.75, 1);
    expect(drawn(draws, { luck: 1 })['a']! / 2000).toBeCloseTo(0.5, 1);
    expect(drawn([{ times: 2, lots: [{ give: 'a', share: 0 }] }])).toEqual({});
  });

  test('counts are a number, between two, or tries; a grade is never met by bare hands', () => {
    const lots = [{ give: 'a', count: [1, 3] as const }];
    expect(drawn([{ times: { tries: 4, chance: 0.5 }, lots }])['a']! / 2000).toBeCloseTo(4, 0);
    const graded: YardDraw[] = [{ times: 1, lots: [{ give: 'a', when: { grade: 0 } }] }];
    expect(drawn(graded, {}, 5)).toEqual({});
    expect(drawn(graded, { tool: { kind: 'axe', grade: 1 } }, 5)).toEqual({ a: 5 });
  });

  test('a table that leads back to itself brings nothing the second time', () => {
    const tables = new Map<string, YardDraw[]>([
      [
        't',
        [
          { times: 1, lots: [{ give: 'a' }] },
          { times: 1, lots: [{ table: 't' }] },
        ],
      ],
    ]);
    expect(drawn([{ times: 1, lots: [{ table: 't', count: 2 }] }], {}, 1, tables)).toEqual({
      a: 2,
    });
  });

  test('what is kept is carried', () => {
    const lots = [{ give: 'a', keeps: ['fill', 'gone'] }];
    const [drop] = drops(
      [{ times: 1, lots }],
      { state: { fill: 3 } },
      { tables: new Map(), random: Math.random },
    );
    expect(drop).toEqual({ item: 'a', count: 1, carries: { fill: 3 } });
  });
});

test('a click on each side from each heading gives a state of the block', () => {
  const one = block([heading, { name: 'side', kind: 'direction', default: 'up' }], {
    placement: [
      { set: 'side', to: 'clicked side' },
      { set: 'heading', to: 'toward the player' },
    ],
  });
  const states = directions.flatMap((side) =>
    headings.map((look) => placed(one, { ...click, side, looks: directionStep(look) }, open).state),
  );
  expect(new Set(states).size).toBe(24);
});
