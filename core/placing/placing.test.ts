import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Placing } from '../mod/index.ts';
import { directions, headings, opposite, type Direction } from '../space/index.ts';
import { StateSpace, type Property } from '../states/index.ts';
import {
  clickedOn,
  describeSituation,
  firstPlacingRule,
  placingCondition,
  placingRule,
  placingWays,
  halfOf,
  neighbourKinds,
  pitches,
  placedState,
  reachable,
  turningFlaw,
  turningOf,
  usualSituation,
  withNextNeighbour,
  type Situation,
} from './index.ts';

const heading: Property = { name: 'heading', kind: 'heading', default: 'south' };
const side: Property = { name: 'side', kind: 'direction', default: 'up' };
const axis: Property = { name: 'axis', kind: 'axis', default: 'y' };
const hung: Property = {
  name: 'hung',
  kind: 'choice',
  values: ['floor', 'wall', 'ceiling'],
  default: 'floor',
};
const low: Property = { name: 'low', kind: 'toggle', default: false };
const at = (more: Partial<Situation>, solid: Partial<Situation['neighbours']> = {}): Situation => ({
  ...usualSituation,
  ...more,
  neighbours: { ...usualSituation.neighbours, ...solid },
});
const placed = (property: Property, rules: Placing[], situation: Situation) => {
  const space = new StateSpace([property]);
  return space.decode(placedState(rules, space, situation))[property.name];
};
const anySituation: fc.Arbitrary<Situation> = fc.record({
  clicked: fc.constantFrom(...directions),
  half: fc.constantFrom('upper' as const, 'lower' as const),
  looks: fc.constantFrom(...headings),
  pitch: fc.constantFrom(...pitches),
  crouching: fc.boolean(),
  signal: fc.boolean(),
  neighbours: fc.record(
    Object.fromEntries(
      directions.map((direction) => [direction, fc.constantFrom(...neighbourKinds)]),
    ) as Record<Direction, fc.Arbitrary<Situation['neighbours']['up']>>,
  ),
});

test('each way of placing, worked out by hand', () => {
  const rule = (set: string, to: Placing['to'], more: Partial<Placing> = {}): Placing[] => [
    { set, to, ...more },
  ];
  expect(placed(heading, rule('heading', 'toward the player'), at({ looks: 'west' }))).toBe('east');
  expect(
    placed(heading, rule('heading', 'away from the player'), at({ looks: 'west', pitch: 'down' })),
  ).toBe('west');
  expect(placed(side, rule('side', 'toward the player'), at({ pitch: 'down' }))).toBe('up');
  expect(placed(side, rule('side', 'clicked side'), at({ clicked: 'down' }))).toBe('down');
  expect(placed(heading, rule('heading', 'clicked side'), at({ clicked: 'up' }))).toBe('south');
  expect(placed(axis, rule('axis', 'along the clicked side'), at({ clicked: 'west' }))).toBe('x');
  expect(placed(low, rule('low', 'half of the clicked side'), at({ clicked: 'down' }))).toBe(true);
  expect(
    placed(low, rule('low', 'half of the clicked side'), at({ clicked: 'east', half: 'upper' })),
  ).toBe(true);
  expect(
    placed(low, rule('low', 'half of the clicked side'), at({ clicked: 'up', half: 'upper' })),
  ).toBe(false);
  expect(
    placed(
      hung,
      rule('hung', 'half of the clicked side', { value: 'ceiling', otherwise: 'wall' }),
      at({ clicked: 'east' }),
    ),
  ).toBe('wall');
  expect(placed(low, rule('low', 'crouching'), at({ crouching: true }))).toBe(true);
  expect(placed(low, rule('low', 'signal'), at({ signal: true }))).toBe(true);
  expect(placed(low, rule('low', 'joined', { side: 'east' }), at({}, { east: 'own kind' }))).toBe(
    true,
  );
  expect(placed(low, rule('low', 'joined', { side: 'east' }), at({}, { west: 'solid' }))).toBe(
    false,
  );
  expect(placed(hung, rule('hung', 'fixed', { value: 'wall' }), at({}))).toBe('wall');
  expect(placed(hung, rule('hung', 'fixed', { value: 'roof' }), at({}))).toBe('floor');
});

test('a machine set against a wall turns its front to the free side', () => {
  const rules: Placing[] = [
    { set: 'heading', to: 'away from a solid neighbour' },
    { set: 'heading', to: 'toward the player' },
  ];
  expect(placed(heading, rules, at({ looks: 'west' }, { north: 'solid' }))).toBe('south');
  expect(
    placed(
      heading,
      rules,
      at({ looks: 'west' }, { north: 'solid', south: 'solid', east: 'solid' }),
    ),
  ).toBe('west');
  // The wall that was clicked goes before another one.
  expect(placed(heading, rules, at({ clicked: 'west' }, { north: 'solid', east: 'solid' }))).toBe(
    'west',
  );
  // Between two walls, or in the open, the next rule decides.
  expect(placed(heading, rules, at({ looks: 'west' }, { north: 'solid', south: 'solid' }))).toBe(
    'east',
  );
  expect(placed(heading, rules, at({ looks: 'west' }))).toBe('east');
});

test(
  'rules go in order: the first whose conditions hold and that gives a value sets the ' +
    'property',
  () => {
    const rules: Placing[] = [
      { set: 'hung', to: 'fixed', value: 'ceiling', when: { clicked: ['down'] } },
      {
        set: 'hung',
        to: 'fixed',
        value: 'wall',
        when: { clicked: ['north', 'east', 'south', 'west'], crouching: false },
      },
    ];
    expect(directions.map((clicked) => placed(hung, rules, at({ clicked })))).toEqual([
      'wall',
      'wall',
      'wall',
      'wall',
      'floor',
      'ceiling',
    ]);
    expect(placed(hung, rules, at({ clicked: 'north', crouching: true }))).toBe('floor');
    expect(
      placed(
        low,
        [
          {
            set: 'low',
            to: 'fixed',
            value: true,
            when: { half: 'upper', signal: true, solid: ['up'] },
          },
        ],
        at({ clicked: 'down', signal: true }, { up: 'solid' }),
      ),
    ).toBe(true);
  },
);

test('what placing can produce is what trying every situation produces', () =>
  fc.assert(
    fc.property(
      fc.array(
        fc.constantFrom<Placing>(
          { set: 'heading', to: 'toward the player' },
          { set: 'heading', to: 'away from a solid neighbour', when: { crouching: true } },
          { set: 'hung', to: 'fixed', value: 'wall', when: { clicked: ['north', 'up'] } },
          {
            set: 'hung',
            to: 'half of the clicked side',
            value: 'ceiling',
            otherwise: 'floor',
            when: { signal: true },
          },
          { set: 'low', to: 'joined', side: 'west' },
          { set: 'low', to: 'crouching' },
          { set: 'low', to: 'fixed', value: true, when: { solid: ['down', 'east'] } },
          { set: 'gone', to: 'signal' },
        ),
        { maxLength: 4 },
      ),
      fc.array(anySituation, { minLength: 20, maxLength: 60 }),
      (rules, situations) => {
        const space = new StateSpace([heading, hung, low]);
        const { states, how } = reachable(rules, space);
        for (const situation of situations) {
          const set = {
            ...situation,
            neighbours: {
              ...situation.neighbours,
              [opposite(situation.clicked)]: 'solid' as const,
            },
          };
          expect(states.has(placedState(rules, space, set))).toBe(true);
        }
        // And each state has a situation that shows it.
        for (const state of states) expect(placedState(rules, space, how.get(state)!)).toBe(state);
        expect(how.size).toBe(states.count);
      },
    ),
    { numRuns: 25 },
  ));

test('the worst rules are tried in every situation, and the way there is said in words', () => {
  const space = new StateSpace([side, axis, low, { name: 'wet', kind: 'toggle', default: false }]);
  const rules: Placing[] = [
    { set: 'side', to: 'away from a solid neighbour', when: { half: 'lower' } },
    { set: 'side', to: 'toward the player' },
    { set: 'axis', to: 'along the clicked side' },
    { set: 'low', to: 'crouching' },
    { set: 'wet', to: 'signal' },
  ];
  const { states, how } = reachable(rules, space);
  expect(states.count).toBe(space.size);
  expect(
    describeSituation(
      how.get(space.encode({ side: 'up', axis: 'y', low: true, wet: false }))!,
      rules,
    ),
  ).toMatch(/^clicking a side that faces (up|down).*, crouching, without a signal/);
  expect(describeSituation(usualSituation, [])).toBe('whatever the player does');
  expect(halfOf(at({ clicked: 'down', half: 'lower' }))).toBe('upper');
});

const corner: Property = {
  name: 'corner',
  kind: 'choice',
  values: ['ne', 'se', 'sw', 'nw'],
  default: 'ne',
  turned: { ne: 'se', se: 'sw', sw: 'nw', nw: 'ne' },
  mirrored: { ne: 'nw', nw: 'ne', se: 'sw', sw: 'se' },
};
const joins = headings.map((name): Property => ({ name, kind: 'toggle', default: false }));
const joined = headings.map((name): Placing => ({ set: name, to: 'joined', side: name }));

test('turning and mirroring act as the symmetries of a square, whatever the properties', () =>
  fc.assert(
    fc.property(
      fc.shuffledSubarray<Property>([heading, side, axis, corner, hung, low, ...joins], {
        maxLength: 4,
      }),
      fc.shuffledSubarray(joined),
      (properties, rules) => {
        const space = new StateSpace(properties);
        const bound = rules.filter((rule) =>
          headings.every((name) => space.indexOf(name) >= 0 || rule.set !== name),
        );
        // Sides of which only some are bound cannot go round; those are left to the rule that
        // reports them.
        const usable =
          bound.length === 4 && headings.every((name) => space.indexOf(name) >= 0) ? bound : [];
        const turning = turningOf(space, usable);
        expect(turningFlaw(turning)).toBeUndefined();
        expect(new Set(turning.quarter).size).toBe(space.size);
        expect(new Set(turning.mirror).size).toBe(space.size);
      },
    ),
  ));

test('a heading goes round, an axis with it, a fence carries its joined sides along', () => {
  const space = new StateSpace([heading, axis]);
  const { quarter, mirror } = turningOf(space, []);
  expect(space.decode(quarter[space.encode({ heading: 'north', axis: 'x' })]!)).toEqual({
    heading: 'east',
    axis: 'z',
  });
  expect(space.decode(mirror[space.encode({ heading: 'west', axis: 'x' })]!)).toEqual({
    heading: 'east',
    axis: 'x',
  });
  const fence = new StateSpace(joins);
  const turned = turningOf(fence, joined);
  expect(fence.decode(turned.quarter[fence.encode({ north: true, east: true })]!)).toEqual({
    north: false,
    east: true,
    south: true,
    west: false,
  });
  expect(fence.decode(turned.mirror[fence.encode({ north: true, east: true })]!)).toEqual({
    north: true,
    east: false,
    south: false,
    west: true,
  });
  expect(turningFlaw(turned)).toBeUndefined();
});

test('a choice that does not come back is found, with the state that shows it', () => {
  const of = (more: object) => turningFlaw(turningOf(new StateSpace([{ ...corner, ...more }]), []));
  expect(of({ turned: { ne: 'se', se: 'ne', sw: 'nw' } })).toMatchObject({
    what: 'four quarter turns',
  });
  expect(of({ mirrored: { ne: 'se' } })).toMatchObject({ what: 'two mirrors' });
  expect(of({ mirrored: { ne: 'sw', sw: 'ne' } })).toBeUndefined();
  expect(
    of({ turned: { ne: 'se', se: 'ne', sw: 'nw', nw: 'sw' }, mirrored: { se: 'sw', sw: 'se' } }),
  ).toMatchObject({ what: 'mirroring, turning, mirroring and turning' });
});

test(
  'what the item carries is placed again, its default where it carries nothing, and ' +
    'every value of it can be reached',
  () => {
    const rules: Placing[] = [
      { set: 'hung', to: 'from the item' },
      { set: 'heading', to: 'toward the player' },
    ];
    expect(placed(hung, [rules[0]!], at({ carried: { hung: 'ceiling' } }))).toBe('ceiling');
    expect(placed(hung, [rules[0]!], at({}))).toBe('floor');
    expect(placed(hung, [rules[0]!], at({ carried: { hung: 'roof' } }))).toBe('floor');
    const space = new StateSpace([hung, heading]);
    const { states, how } = reachable(rules, space);
    expect(states.count).toBe(space.size);
    for (const [state, situation] of how) expect(placedState(rules, space, situation)).toBe(state);
    const wall = how.get(space.encode({ hung: 'wall', heading: 'east' }))!;
    expect(describeSituation(wall, rules)).toContain('with an item that carries hung = wall');
  },
);

test('a new rule has what its way needs, and says when it holds', () => {
  const heading = { name: 'heading', kind: 'heading', default: 'south' } as const;
  const east = { name: 'east', kind: 'toggle', default: false } as const;
  expect(firstPlacingRule(heading)).toEqual({ set: 'heading', to: 'toward the player' });
  expect(firstPlacingRule(east)).toEqual({ set: 'east', to: 'crouching' });
  expect(placingRule(east, 'joined')).toEqual({ set: 'east', to: 'joined', side: 'east' });
  expect(placingRule(heading, 'signal')).toEqual({ set: 'heading', to: 'signal', value: 'south' });
  expect(placingRule(heading, 'fixed')).toMatchObject({ value: 'south' });
  expect(placingRule(heading, 'from the item')).toEqual({ set: 'heading', to: 'from the item' });
  for (const [kind, ways] of Object.entries(placingWays))
    expect([kind, new Set(ways).size]).toEqual([kind, ways.length]);
  expect(placingCondition(placingRule(east, 'fixed'))).toBe('whenever the block is placed');
  expect(
    placingCondition({
      set: 'east',
      to: 'fixed',
      when: { clicked: ['up', 'down'], half: 'upper', crouching: false, signal: true },
    }),
  ).toBe(
    'only when the clicked side is up or down, the upper half is clicked, the player stands and ' +
      'there is a signal',
  );
});

test('another side is clicked: what was clicked is solid, and where it was there is nothing', () => {
  const beside = clickedOn(usualSituation, 'east');
  expect(beside).toMatchObject({ clicked: 'east', neighbours: { west: 'solid', down: 'open' } });
  expect(clickedOn(beside, 'up')).toEqual(usualSituation);
});

test('a neighbour goes through what it can be and comes back', () => {
  let situation = usualSituation;
  const seen = neighbourKinds.map(() => {
    situation = withNextNeighbour(situation, 'north');
    return situation.neighbours.north;
  });
  expect(seen).toEqual(['solid', 'own kind', 'open']);
  expect(situation).toEqual(usualSituation);
});

test('a neighbour goes from open to solid to its own kind and, where that matters, to how it faces', () => {
  const kinds = (isFacing: boolean, many: number) =>
    Array.from({ length: many }).reduce<Situation[]>(
      (all) => [...all, withNextNeighbour(all.at(-1)!, 'east', isFacing)],
      [usualSituation],
    );
  expect(kinds(false, 3).map(({ neighbours }) => neighbours.east)).toEqual([
    'open',
    'solid',
    'own kind',
    'open',
  ]);
  const facing = kinds(true, 6);
  expect(facing.map(({ beside }) => beside?.east?.['heading'])).toEqual([
    undefined,
    undefined,
    ...headings,
    undefined,
  ]);
  expect(facing.at(-1)).toEqual(usualSituation);
});

test('a corner is reached by a neighbour that faces across, and is set after the heading', () => {
  const corner: Property = {
    name: 'corner',
    kind: 'choice',
    values: ['straight', 'inner_left', 'inner_right', 'outer_left', 'outer_right'],
    default: 'straight',
  };
  // The corner stands first, and is worked out last all the same.
  const space = new StateSpace([corner, heading]);
  const rules: Placing[] = [
    { set: 'corner', to: 'corner' },
    { set: 'heading', to: 'toward the player' },
  ];
  expect(reachable(rules, space).states.count).toBe(20);
  const values = space.decode(
    placedState(rules, space, at({ looks: 'north', beside: { north: { heading: 'west' } } })),
  );
  expect(values).toEqual({ corner: 'outer_left', heading: 'south' });
  for (const [state, situation] of reachable(rules, space).how)
    expect(describeSituation(situation, rules)).toMatch(
      state % 2 >= 0 && situation.beside ? /beside one/ : /looking/,
    );
});
