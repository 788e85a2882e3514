import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Action, Reaction } from '../mod/index.ts';
import { directions, directionStep, type Vec3 } from '../space/index.ts';
import { BitSet, StateSpace } from '../states/index.ts';
import {
  byIdAlone,
  loopsAmong,
  reactionInWords,
  reactionReach,
  reactionTo,
  ReactionWorld,
  stateAfterAll,
  type Occurrence,
  type ReactingBlock,
} from './index.ts';

const toggle = (name: string) => ({ name, kind: 'toggle' as const, default: false });
const age = { name: 'age', kind: 'number' as const, min: 0, max: 3, default: 0 };

const block = (
  id: string,
  properties: ConstructorParameters<typeof StateSpace>[0],
  reactions: Reaction[],
): ReactingBlock => ({ id, space: new StateSpace(properties), reactions });

/**
 * Which blocks stand there while two side by side never come to rest, by trying all states, all
 * ways and what may set them off: for each way of beginning that goes on, all that it comes by.
 */
function everRestless(
  a: ReactingBlock,
  b: ReactingBlock,
  blocks: ReadonlyMap<string, ReactingBlock>,
): Set<string>[] {
  const idsAt = (world: ReactionWorld, places: readonly Vec3[]) =>
    places
      .map((place) => world.at(place))
      .map((stands) => (stands && 'block' in stands ? stands.block : ''))
      .sort()
      .join(' ');
  return directions.flatMap((side) =>
    [undefined, 'signal comes' as const, 'signal goes' as const].flatMap((event) =>
      Array.from({ length: a.space.size * b.space.size }, (_, i) => i).flatMap((i) => {
        const world = new ReactionWorld({ blocks });
        const places: Vec3[] = [origin, directionStep(side)];
        world.put(origin, { block: a.id, state: i % a.space.size });
        world.put(directionStep(side), { block: b.id, state: Math.floor(i / a.space.size) });
        if (event) world.happen(origin, { event });
        const isRestless = Array.from({ length: 200 }, () => 0).every(
          () => world.tick().length > 0,
        );
        if (!isRestless) return [];
        return [
          new Set(
            Array.from({ length: 32 }, () => {
              world.tick();
              return idsAt(world, places);
            }),
          ),
        ];
      }),
    ),
  );
}

/** A lever, a button that comes back, a gate that follows a signal, a plant that grows. */
const lever = block(
  'a:lever',
  [toggle('on')],
  [
    {
      when: 'used',
      if: { state: { on: false } },
      then: [
        { do: 'set', property: 'on', to: true },
        { do: 'signal', strength: 15 },
      ],
    },
    {
      when: 'used',
      then: [
        { do: 'set', property: 'on', to: false },
        { do: 'signal', strength: 0 },
      ],
    },
  ],
);
const button = block(
  'a:button',
  [toggle('pressed')],
  [
    {
      when: 'used',
      if: { state: { pressed: false } },
      then: [
        { do: 'set', property: 'pressed', to: true },
        { do: 'signal', strength: 15, ticks: 20 },
      ],
    },
    {
      when: 'after ticks',
      ticks: 20,
      if: { state: { pressed: true } },
      then: [{ do: 'set', property: 'pressed', to: false }],
    },
  ],
);
const gate = block(
  'a:gate',
  [toggle('open')],
  [
    { when: 'signal comes', then: [{ do: 'set', property: 'open', to: true }] },
    { when: 'signal goes', then: [{ do: 'set', property: 'open', to: false }] },
  ],
);
const samphire = block(
  'a:samphire',
  [age],
  [
    {
      when: 'at random',
      ticks: 10,
      if: { state: { age: [0, 1, 2] }, light: [9, 15] },
      then: [{ do: 'step', property: 'age', by: 1 }],
    },
    { when: 'used', if: { state: { age: 3 } }, then: [{ do: 'drop', item: 'a:seed' }] },
  ],
);
const worldOf = (...blocks: ReactingBlock[]) => new Map(blocks.map((one) => [one.id, one]));
const origin: Vec3 = [0, 0, 0];
const east: Vec3 = [1, 0, 0];
const run = (world: ReactionWorld, ticks: number) =>
  Array.from({ length: ticks }, () => world.tick()).flat();
const stateAt = (world: ReactionWorld, place: Vec3): number => {
  const stands = world.at(place);
  return stands && 'block' in stands ? stands.state : -1;
};

describe('a world of reactions', () => {
  test('a lever opens the gate beside it a tick later, and shuts it', () => {
    const world = new ReactionWorld({ blocks: worldOf(lever, gate) });
    world.put(origin, { block: 'a:lever', state: 0 });
    world.put(east, { block: 'a:gate', state: 0 });
    run(world, 1);
    world.happen(origin, { event: 'used', by: 'players' });
    expect(world.tick().map(({ by, action }) => [by, action.do])).toEqual([
      ['a:lever', 'set'],
      ['a:lever', 'signal'],
    ]);
    expect([stateAt(world, origin), stateAt(world, east)]).toEqual([1, 0]);
    expect(world.tick()).toMatchObject([{ by: 'a:gate', tick: 3, states: [0, 1] }]);
    world.happen(origin, { event: 'used' });
    run(world, 2);
    expect([stateAt(world, origin), stateAt(world, east)]).toEqual([0, 0]);
    run(world, 2);
    expect(world.isWaiting).toBe(false);
  });

  test('a button comes back after its ticks, and the gate with it', () => {
    const world = new ReactionWorld({ blocks: worldOf(button, gate) });
    world.put(origin, { block: 'a:button', state: 0 });
    world.put(east, { block: 'a:gate', state: 0 });
    run(world, 1);
    world.happen(origin, { event: 'used' });
    const shut: number[] = [];
    for (let tick = 2; tick <= 30; tick += 1) {
      world.tick();
      if (stateAt(world, origin) === 1) shut.push(tick);
    }
    expect([shut[0], shut.at(-1)]).toEqual([2, 21]);
    expect(stateAt(world, east)).toBe(0);
  });

  test('two that give a signal: it goes only when none is left', () => {
    const world = new ReactionWorld({ blocks: worldOf(lever, gate) });
    const west: Vec3 = [-1, 0, 0];
    world.put(origin, { block: 'a:gate', state: 0 });
    for (const place of [east, west]) world.put(place, { block: 'a:lever', state: 0 });
    for (const place of [east, west]) world.happen(place, { event: 'used' });
    run(world, 4);
    expect(stateAt(world, origin)).toBe(1);
    world.put(east, undefined);
    run(world, 3);
    expect(stateAt(world, origin)).toBe(1);
    world.happen(west, { event: 'used' });
    run(world, 3);
    expect(stateAt(world, origin)).toBe(0);
  });

  test('a plant grows by chance in the light, and spreads onto what it grows on', () => {
    let light = 4;
    const grows = new ReactionWorld({
      blocks: worldOf(samphire),
      random: () => 0.05,
      lightAt: () => light,
    });
    grows.put(origin, { block: 'a:samphire', state: 0 });
    run(grows, 5);
    expect(stateAt(grows, origin)).toBe(0);
    light = 12;
    run(grows, 2);
    expect(stateAt(grows, origin)).toBe(2);
    run(grows, 9);
    expect(stateAt(grows, origin)).toBe(3);

    const spreading = block(
      'a:reed',
      [],
      [{ when: 'used', then: [{ do: 'spread', within: 2, onto: 'a:mud' }] }],
    );
    const world = new ReactionWorld({ blocks: worldOf(spreading), random: () => 0 });
    for (let x = 0; x < 4; x += 1)
      world.put([x, -1, 0], { block: x === 2 ? 'a:mud' : 'a:sand', state: 0 });
    world.put(origin, { block: 'a:reed', state: 0 });
    world.happen(origin, { event: 'used' });
    run(world, 1);
    expect(world.at([2, 0, 0])).toEqual({ block: 'a:reed', state: 0 });
    expect(world.at(east)).toBeUndefined();
  });

  test('fluids are seen, poured and drained; blocks are placed, become others and go', () => {
    const lantern = block(
      'a:lantern',
      [toggle('lit')],
      [
        { when: 'used', then: [{ do: 'flip', property: 'lit' }] },
        {
          when: 'neighbour changes',
          if: { state: { lit: true }, neighbour: { is: 'a:brine' } },
          then: [{ do: 'set', property: 'lit', to: false }],
        },
      ],
    );
    const spring = block(
      'a:spring',
      [],
      [
        {
          when: 'used',
          if: { holds: 'a:pail' },
          then: [
            { do: 'drain', side: 'west' },
            { do: 'become', block: 'a:lever' },
          ],
        },
        {
          when: 'used',
          then: [
            { do: 'pour', fluid: 'a:brine', side: 'west' },
            { do: 'place', block: 'a:gate', side: 'up' },
          ],
        },
        { when: 'broken', then: [{ do: 'vanish' }] },
      ],
    );
    const world = new ReactionWorld({ blocks: worldOf(lantern, spring, lever, gate) });
    world.put(origin, { block: 'a:lantern', state: 0 });
    const two: Vec3 = [2, 0, 0];
    world.put(two, { block: 'a:spring', state: 0 });
    world.happen(origin, { event: 'used' });
    run(world, 2);
    expect(stateAt(world, origin)).toBe(1);
    world.happen(two, { event: 'used' });
    run(world, 1);
    expect(world.at(east)).toEqual({ fluid: 'a:brine' });
    expect(world.at([2, 1, 0])).toEqual({ block: 'a:gate', state: 0 });
    run(world, 1);
    expect(stateAt(world, origin)).toBe(0);
    world.happen(two, { event: 'used', holds: 'a:pail' });
    run(world, 1);
    expect([world.at(east), world.at(two)]).toEqual([undefined, { block: 'a:lever', state: 0 }]);
    world.put(two, { block: 'a:spring', state: 0 });
    world.happen(two, { event: 'broken' });
    run(world, 1);
    expect(world.at(two)).toBeUndefined();
  });
});

test('who, with what, how lit and beside what is asked; what is not said counts as nothing', () => {
  const space = new StateSpace([]);
  const holds = (asked: Reaction['if'], given: Partial<Occurrence> = {}, by?: Reaction['by']) =>
    reactionTo(
      [{ when: 'used', ...(by && { by }), if: asked, then: [{ do: 'vanish' }] }],
      space,
      0,
      { event: 'used', ...given },
      (meant, id) => meant === id || (meant === '#a:wet' && id === 'a:brine'),
    ) === 0;
  expect(holds({})).toBe(true);
  expect(holds({}, { event: 'broken' })).toBe(false);
  expect(holds({}, {}, 'players')).toBe(false);
  expect(holds({}, { by: 'players' }, 'players')).toBe(true);
  expect(holds({ tool: 'pick', grade: 1 }, { tool: { kind: 'pick', grade: 0 } })).toBe(false);
  expect(holds({ tool: 'pick', grade: 1 }, { tool: { kind: 'pick', grade: 1 } })).toBe(true);
  expect(holds({ grade: 0 })).toBe(false);
  expect(holds({ holds: 'nothing' })).toBe(true);
  expect(holds({ holds: 'nothing' }, { holds: 'a:salt' })).toBe(false);
  expect(holds({ holds: '#a:wet' }, { holds: 'a:brine' })).toBe(true);
  expect(holds({ crouching: true })).toBe(false);
  expect(holds({ light: [0, 7] })).toBe(false);
  expect(holds({ light: [0, 7] }, { light: 7 })).toBe(true);
  expect(holds({ signal: true }, { signal: true })).toBe(true);
  expect(holds({ chance: 1 })).toBe(true);
  expect(holds({ chance: 0 })).toBe(false);
  const beside = { up: { id: 'a:brine' }, east: { id: 'a:gate', state: { open: true } } };
  expect(holds({ neighbour: { is: '#a:wet' } }, { beside })).toBe(true);
  expect(holds({ neighbour: { is: '#a:wet', side: 'east' } }, { beside })).toBe(false);
  expect(holds({ neighbour: { is: 'a:gate', state: { open: [true] } } }, { beside })).toBe(true);
  expect(holds({ neighbour: { is: 'a:gate', state: { open: false } } }, { beside })).toBe(false);
  expect(holds({ neighbour: { is: 'nothing', side: 'down' } }, { beside })).toBe(true);
});

describe('what can be proved', () => {
  const asked: fc.Arbitrary<NonNullable<Reaction['if']>> = fc.record(
    {
      state: fc.constantFrom<Record<string, boolean | number[] | number>>(
        { on: true },
        { on: false },
        { age: 2 },
        { age: [0, 1] },
      ),
      tool: fc.constantFrom('pick' as const, 'axe' as const),
      grade: fc.nat(1),
      holds: fc.constantFrom('nothing', 'a:salt', '#a:wet'),
      crouching: fc.boolean(),
      light: fc.constantFrom<[number, number]>([0, 7], [8, 15], [9, 3]),
      signal: fc.boolean(),
      chance: fc.constantFrom(0, 0.5, 1),
      neighbour: fc.constantFrom(
        { is: 'a:gate' },
        { is: 'nothing', side: 'up' as const },
        { is: 'a:gate', side: 'up' as const, state: { open: true } },
      ),
    },
    { requiredKeys: [] },
  );
  const action: fc.Arbitrary<Action> = fc.constantFrom<Action>(
    { do: 'set', property: 'on', to: true },
    { do: 'flip', property: 'on' },
    { do: 'step', property: 'age', by: 1 },
    { do: 'set', property: 'age', to: 0 },
    { do: 'set', property: 'age', to: 9 },
    { do: 'drop', item: 'a:salt' },
    { do: 'vanish' },
  );
  const reaction: fc.Arbitrary<Reaction> = fc
    .record({
      when: fc.constantFrom('used' as const, 'signal comes' as const, 'after ticks' as const),
      by: fc.option(fc.constantFrom('players' as const, 'creatures' as const), { nil: undefined }),
      ticks: fc.integer({ min: 1, max: 3 }),
      one: asked,
      two: fc.option(asked, { nil: {} }),
      then: fc.array(action, { minLength: 1, maxLength: 2 }),
    })
    .map(({ one, two: _, by, ...rest }) => ({
      ...rest,
      // Two parts at most, so that most of them can hold.
      if: Object.fromEntries(Object.entries(one).slice(0, 2)),
      ...(by && rest.when === 'used' && { by }),
    }));

  const isMeant = (meant: string, id: string) =>
    meant === id || (meant === '#a:wet' && id === 'a:brine');
  /** Everything that can happen, without knowing what is asked for. */
  const everything = (event: Occurrence['event']): Occurrence[] => {
    const tools: Occurrence['tool'][] = [
      undefined,
      ...(['pick', 'axe', 'spade'] as const).flatMap((kind) =>
        [0, 1].map((grade) => ({ kind, grade })),
      ),
    ];
    const besides: Occurrence['beside'][] = [
      {},
      { up: { id: 'a:gate', state: { open: true } } },
      { up: { id: 'a:gate', state: { open: false } } },
      { up: { id: 'a:sand' } },
      { north: { id: 'a:gate', state: { open: true } } },
      { up: { id: 'a:sand' }, north: { id: 'a:gate', state: { open: false } } },
    ];
    const all: Occurrence[] = [];
    for (const by of [undefined, 'players', 'creatures'] as const)
      for (const tool of tools)
        for (const item of [undefined, 'a:salt', 'a:brine', 'a:other'])
          for (const crouching of [false, true])
            for (const light of [3, 7, 8, 15])
              for (const signal of event === 'signal comes' ? [true] : [false, true])
                for (const beside of besides)
                  all.push({
                    event,
                    crouching,
                    light,
                    signal,
                    ...(by && { by }),
                    ...(tool && { tool }),
                    ...(item && { holds: item }),
                    ...(beside && { beside }),
                  });
    return all;
  };
  const all = new Map(
    (['used', 'signal comes', 'after ticks'] as const).map((event) => [event, everything(event)]),
  );

  /** The same by trying everything, with luck and without. */
  function tried(reactions: readonly Reaction[], space: StateSpace, start: BitSet) {
    const states = start.copy();
    const fired = new Set<number>();
    for (let before = -1; before !== states.count + fired.size * 1000;) {
      before = states.count + fired.size * 1000;
      const now: number[] = [];
      states.forEach((state) => now.push(state));
      for (const state of now)
        for (const [event, occurrences] of all) {
          if (!reactions.some(({ when }) => when === event)) continue;
          for (const occurrence of occurrences)
            for (const isLucky of [true, false])
              for (const reaction of event === 'after ticks' ? reactions.keys() : [undefined]) {
                const at = reactionTo(
                  reactions,
                  space,
                  state,
                  {
                    ...occurrence,
                    ...(reaction !== undefined && { reaction }),
                    luck: (chance) => chance >= 1 || (chance > 0 && isLucky),
                  },
                  isMeant,
                );
                const done = reactions[at];
                if (!done || (event === 'after ticks' && !isDue(reactions, at, state, space)))
                  continue;
                fired.add(at);
                const isGone = done.then.some((one) => one.do === 'vanish');
                if (!isGone) states.add(stateAfterAll(space, state, done.then));
              }
        }
    }
    return { states, fired };
  }
  /** Whether in a world of its own the time of a reaction comes before a sure one changes the state. */
  const isDue = (reactions: readonly Reaction[], at: number, state: number, space: StateSpace) =>
    !reactions.some((other, i) => {
      const asks = Object.keys(other.if ?? {}).filter((part) => part !== 'state');
      const isSooner =
        (other.ticks ?? 1) < (reactions[at]!.ticks ?? 1) ||
        ((other.ticks ?? 1) === (reactions[at]!.ticks ?? 1) && i < at);
      return (
        other.when === 'after ticks' &&
        isSooner &&
        !asks.length &&
        space.matching(other.if?.state).has(state) &&
        (other.then.some((one) => one.do === 'vanish') ||
          stateAfterAll(space, state, other.then) !== state)
      );
    });

  test('states that are reached, and reactions that never answer, are those of exhaustive search', () =>
    fc.assert(
      fc.property(fc.array(reaction, { minLength: 1, maxLength: 3 }), (reactions) => {
        const space = new StateSpace([toggle('on'), age]);
        const start = BitSet.where(space.size, (state) => state === space.defaultState);
        const proved = reactionReach(reactions, space, start, { isMeant });
        const found = tried(reactions, space, start);
        const listed = (set: BitSet) => {
          const list: number[] = [];
          set.forEach((state) => list.push(state));
          return list;
        };
        expect(listed(proved.states)).toEqual(listed(found.states));
        expect(proved.dead.flatMap((why, at) => (why ? [at] : []))).toEqual(
          reactions.flatMap((_, at) => (found.fired.has(at) ? [] : [at])),
        );
      }),
      { numRuns: 40 },
    ));

  test('why a reaction never answers is said', () => {
    const space = new StateSpace([toggle('on')]);
    const start = BitSet.where(2, (state) => state === 0);
    const why = (...reactions: Reaction[]) => reactionReach(reactions, space, start).dead;
    const drop: Action[] = [{ do: 'drop', item: 'a:salt' }];
    expect(why({ when: 'used', if: { state: { on: true } }, then: drop })).toEqual([
      'the state never is',
    ]);
    expect(why({ when: 'used', if: { light: [9, 3] }, then: drop })).toEqual(['it can never hold']);
    expect(why({ when: 'used', then: drop }, { when: 'used', then: drop })).toEqual([
      undefined,
      'an earlier one always answers',
    ]);
    expect(
      why(
        { when: 'used', if: { crouching: true }, then: drop },
        { when: 'used', if: { crouching: false }, then: drop },
        { when: 'used', then: drop },
      )[2],
    ).toBe('an earlier one always answers');
    expect(
      why(
        { when: 'after ticks', ticks: 9, then: drop },
        { when: 'after ticks', ticks: 3, then: [{ do: 'vanish' }] },
      ),
    ).toEqual(['another one is sooner', undefined]);
  });

  test('two that answer each other for ever are found, and those that come to rest are not', () => {
    const flicker = block(
      'a:flicker',
      [toggle('on')],
      [{ when: 'neighbour changes', then: [{ do: 'flip', property: 'on' }] }],
    );
    expect(loopsAmong([flicker])[0]).toMatchObject({ blocks: ['a:flicker', 'a:flicker'] });
    expect(loopsAmong([lever, gate, button, samphire])).toEqual([]);
    const follows = block(
      'a:half',
      [toggle('open')],
      ([true, false] as const).map((open) => ({
        when: 'neighbour changes' as const,
        if: { state: { open: !open }, neighbour: { is: 'a:half', state: { open } } },
        then: [{ do: 'set' as const, property: 'open', to: open }],
      })),
    );
    // Of two the first takes over what the other is, and the other finds nothing left to do; in a
    // square what is open runs after itself.
    expect(loopsAmong([follows])).toMatchObject([
      { blocks: Array.from({ length: 4 }, () => 'a:half') },
    ]);
    const unsure = block(
      'a:unsure',
      [toggle('on')],
      [{ when: 'neighbour changes', if: { chance: 0.5 }, then: [{ do: 'flip', property: 'on' }] }],
    );
    expect(loopsAmong([unsure])).toEqual([]);
  });

  test('a light that runs round a square is found, and stands still where it cannot run on', () => {
    // Each goes on when the one before it is on, and off when the one after it is.
    const runner = (id: string, before: string, after: string) =>
      block(
        id,
        [toggle('on')],
        [
          {
            when: 'neighbour changes',
            if: { state: { on: true }, neighbour: { is: after, state: { on: true } } },
            then: [{ do: 'set', property: 'on', to: false }],
          },
          {
            when: 'neighbour changes',
            if: { state: { on: false }, neighbour: { is: before, state: { on: true } } },
            then: [{ do: 'set', property: 'on', to: true }],
          },
        ],
      );
    const ring = ['a', 'b', 'c', 'd'].map((name, i, all) =>
      runner(`a:${name}`, `a:${all[(i + 3) % 4]}`, `a:${all[(i + 1) % 4]}`),
    );
    expect(loopsAmong(ring)).toMatchObject([{ blocks: ['a:a', 'a:b', 'a:c', 'a:d'] }]);
    expect(loopsAmong(ring.slice(0, 3))).toEqual([]);
  });

  test('what stirs itself by more than one way is heard once in a tick, and comes to an end', () => {
    const twice = block(
      'a:twice',
      [toggle('on')],
      [
        {
          when: 'neighbour changes',
          then: [
            { do: 'flip', property: 'on' },
            { do: 'become', block: 'a:twice' },
          ],
        },
      ],
    );
    const world = new ReactionWorld({ blocks: worldOf(twice) });
    world.put(origin, { block: 'a:twice', state: 0 });
    world.put(east, { block: 'a:twice', state: 0 });
    for (let tick = 0; tick < 50; tick += 1) expect(world.tick().length).toBeLessThanOrEqual(4);
    expect(world.toHear.length).toBeLessThanOrEqual(12);
  });

  test('a signal that comes and goes again before it is heard is not heard', () => {
    const blink = block(
      'a:blink',
      [],
      [
        {
          when: 'used',
          then: [
            { do: 'signal', strength: 15 },
            { do: 'signal', strength: 0 },
          ],
        },
      ],
    );
    const world = new ReactionWorld({ blocks: worldOf(blink, gate) });
    world.put(origin, { block: 'a:blink', state: 0 });
    world.put(east, { block: 'a:gate', state: 0 });
    world.happen(origin, { event: 'used' });
    expect(run(world, 3).map(({ by }) => by)).toEqual(['a:blink', 'a:blink']);
  });

  const anyEar: fc.Arbitrary<Reaction> = fc.record({
    when: fc.constantFrom(
      'neighbour changes' as const,
      'signal comes' as const,
      'signal goes' as const,
    ),
    if: fc.record(
      {
        state: fc.constantFrom<Record<string, boolean>>({ x: true }, { x: false }, { y: true }),
        neighbour: fc.constantFrom<NonNullable<NonNullable<Reaction['if']>['neighbour']>>(
          { is: 'a:one', state: { x: true } },
          { side: 'east', is: 'a:two' },
          { is: 'a:two', state: { y: false } },
          { side: 'west', is: 'nothing' },
        ),
      },
      { requiredKeys: [] },
    ),
    then: fc.array(
      fc.constantFrom<Action>(
        { do: 'flip', property: 'x' },
        { do: 'set', property: 'y', to: true },
        { do: 'flip', property: 'y' },
        { do: 'signal', strength: 15 },
        { do: 'signal', strength: 0 },
        { do: 'become', block: 'a:two' },
        { do: 'vanish' },
      ),
      { minLength: 1, maxLength: 2 },
    ),
  });

  test('pairs that never come to rest are those that are found by trying all of them', () =>
    fc.assert(
      fc.property(
        fc.array(anyEar, { minLength: 1, maxLength: 3 }),
        fc.array(anyEar, { minLength: 1, maxLength: 3 }),
        (first, second) => {
          const one = block('a:one', [toggle('x'), toggle('y')], first);
          const two = block('a:two', [toggle('x'), toggle('y')], second);
          const blocks = worldOf(one, two);
          const runs = [
            ...everRestless(one, one, blocks),
            ...everRestless(one, two, blocks),
            ...everRestless(two, two, blocks),
          ];
          const loops = loopsAmong([one, two])
            .filter((loop) => loop.blocks.length === 2)
            .map((loop) => [...loop.blocks].sort().join(' '));
          expect(runs.filter((run) => !loops.some((loop) => run.has(loop)))).toEqual([]);
          expect(loops.filter((loop) => !runs.some((run) => run.has(loop)))).toEqual([]);
          expect(new Set(loops).size).toBe(loops.length);
        },
      ),
      { numRuns: 20 },
    ));
});

test('a reaction reads as one sentence', () => {
  expect(reactionInWords(lever.reactions[0]!)).toBe(
    'When it is used, if on is false: on becomes true and it gives a signal of 15 from then on.',
  );
  expect(reactionInWords(button.reactions[1]!)).toBe(
    'When 20 ticks have passed, if pressed is true: pressed becomes false.',
  );
  expect(reactionInWords(samphire.reactions[0]!)).toBe(
    'At random, once in 10 ticks, if age is 0, 1 or 2 and the light is 9 to 15: age goes up by 1.',
  );
  expect(
    reactionInWords({
      when: 'stepped on',
      by: 'creatures',
      if: {
        holds: 'nothing',
        tool: 'pick',
        grade: 2,
        crouching: false,
        signal: true,
        chance: 0.25,
        neighbour: { side: 'up', is: '#saltmarsh:wet', state: { open: true } },
      },
      then: directions.map((side) => ({ do: 'drain', side })),
    }),
  ).toBe(
    'When a creature steps on it, if the tool is a pick of grade 2 or more, nothing is in the ' +
      'hand, they do not crouch, a signal is there, any of wet is above it, its open true and ' +
      'chance is with it, 25 %: the fluid to its north is gone, the fluid to its east is gone, ' +
      'the fluid to its south is gone, the fluid to its west is gone, the fluid above it is gone ' +
      'and the fluid under it is gone.',
  );
  const words = (action: Action) => reactionInWords({ when: 'placed', then: [action] });
  expect(words({ do: 'become', block: 'a:salt_crust' })).toBe(
    'When it is placed: it becomes salt crust.',
  );
  expect(words({ do: 'signal', strength: 0 })).toBe('When it is placed: its signal ends.');
  expect(words({ do: 'give', item: 'a:salt', count: 3 })).toBe(
    'When it is placed: the player gets 3 salt.',
  );
});

test('ids alone are meant by themselves', () => {
  expect([byIdAlone('a:b', 'a:b'), byIdAlone('#a:b', 'a:b')]).toEqual([true, false]);
});
