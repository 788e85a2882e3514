import { describe, expect, test } from '@jest/globals';
import { directions, directionStep, seededRandom, type Vec3 } from '../../../space/index.ts';
import { drawingOf, factsOf, Looks, meshChunk, Numbers, Run, Yard } from '../../../yard/index.ts';
import { WorldNow } from '../../../yard/run/world-now.ts';
import { clause, handWorld, type HandPack } from './hand-pack.ts';

const id = (name: string): string => `saltmarsh:${name}`;
const next = ([x, y, z]: Vec3, side: (typeof directions)[number]): Vec3 => {
  const [dx, dy, dz] = directionStep(side);
  return [x + dx, y + dy, z + dz];
};

/** A small world over a floor of stone, and short ways to lay things and to look at them. */
function worldOf(parts: HandPack, size: Vec3 = [11, 6, 11], random: () => number = () => 0) {
  const pack = handWorld({ ...parts, blocks: { stone: {}, ...parts.blocks } });
  const yard = new Yard(size, pack, { random });
  for (let x = 0; x < size[0]; x += 1)
    for (let z = 0; z < size[2]; z += 1) yard.lay([x, 0, z], { block: id('stone'), state: 0 });
  const put = (place: Vec3, what: string, state: Record<string, string | boolean | number> = {}) =>
    yard.put(
      place,
      pack.fluids.has(id(what))
        ? { fluid: id(what) }
        : { block: id(what), state: pack.blocks.get(id(what))!.space.encode(state) },
    );
  const ticks = (many: number) => Array.from({ length: many }, () => yard.tick()).flat();
  /** `brine 3`, a source as `brine 0`; a block's name with its state; nothing as a point. */
  const at = (place: Vec3): string => {
    const stands = yard.at(place);
    if (!stands) return '.';
    if ('fluid' in stands) return `${stands.fluid.slice(10)} ${yard.levelAt(place)}`;
    const state = pack.blocks.get(stands.block)?.space.decode(stands.state) ?? {};
    return [stands.block.slice(10), ...Object.values(state).map(String)].join(' ');
  };
  const row = (y: number, z = 5) => Array.from({ length: size[0] }, (_, x) => at([x, y, z]));
  return { pack, yard, put, ticks, at, row };
}
const middle: Vec3 = [5, 1, 5];

describe('Fluids', () => {
  const brine = { reach: 3, pace: 2 };
  test(
    clause(
      'Fluids',
      'A cell of the world is open, or holds a block, or holds a fluid',
      'A source counts as a level of `reach`',
      'Time goes in ticks: a world begins at tick 0',
      'A fluid makes a step at each tick that `pace` divides',
      'In a step all cells change at once',
      'A source stays, and so does a block',
      'Any other one is flowing at one level less than the highest',
    ),
    () => {
      const { put, ticks, row, yard } = worldOf({ fluids: { brine } });
      put(middle, 'brine');
      const seen = Array.from({ length: 6 }, () => {
        ticks(1);
        return row(1).filter((cell) => cell !== '.').length;
      });
      // Steps at ticks 2, 4 and 6: one cell farther to each side, until level 1.
      expect(seen).toEqual([1, 3, 3, 5, 5, 5]);
      expect(row(1).slice(2, 9)).toEqual(['.', 'brine 1', 'brine 2', 'brine 0', 'brine 2', 'brine 1', '.']); // prettier-ignore
      expect(row(0).every((cell) => cell === 'stone')).toBe(true);
      yard.put(middle, undefined);
      ticks(20);
      expect(row(1).every((cell) => cell === '.')).toBe(true);
    },
  );
  test(clause('Fluids', 'Every block holds fluids back, whatever its shape'), () => {
    const { put, ticks, row } = worldOf({
      fluids: { brine, silt: { ...brine, reach: 3 } },
      blocks: { reed: { collision: [{ value: [] }], outline: [{ value: [] }] } },
    });
    put(middle, 'brine');
    put([6, 1, 5], 'reed');
    put([3, 1, 5], 'silt');
    ticks(20);
    expect(row(1)[6]).toBe('reed');
    expect(row(1)[3]).toBe('silt 0');
    expect(row(1)[4]).toMatch(/brine 2|silt 2/);
  });
  test(
    clause(
      'Fluids',
      'A cell of the fluid, source or flowing, that touches on one of its six sides',
      'The first meeting of the list that is met counts',
      'A fluid does not meet itself',
    ),
    () => {
      const meets = [
        { with: id('brine'), becomes: id('stone') },
        { with: id('silt'), becomes: id('crust') },
        { with: id('ember'), becomes: id('stone') },
        { with: id('moss'), becomes: id('silt') },
      ];
      const { put, ticks, at } = worldOf({
        fluids: { brine: { ...brine, meets }, silt: { ...brine, pace: 50 } },
        blocks: {
          crust: { properties: [{ name: 'wet', kind: 'toggle', default: true }] },
          ember: {},
          moss: {},
        },
      });
      put(middle, 'brine');
      put(next(middle, 'up'), 'silt');
      put(next(middle, 'east'), 'ember');
      ticks(3);
      expect(at(middle)).toBe('crust true');
      put([2, 1, 2], 'brine');
      put([2, 2, 2], 'moss');
      ticks(3);
      expect(at([2, 1, 2])).toBe('silt 0');
      put([8, 1, 8], 'brine');
      put([8, 1, 9], 'brine');
      ticks(3);
      expect(at([8, 1, 8])).toBe('brine 0');
    },
  );
  test(
    clause(
      'Fluids',
      'With `renews`, an open or flowing cell that has sources of the fluid',
      'A cell is held when what is under it is a block, another fluid, or a source',
    ),
    () => {
      const between = (more: object, under?: string) => {
        const { put, ticks, at, yard } = worldOf({ fluids: { brine: { ...brine, ...more } } });
        if (under === 'nothing') yard.put([5, 0, 5], undefined);
        if (under === 'brine') put([5, 0, 5], 'brine');
        put([4, 1, 5], 'brine');
        put([6, 1, 5], 'brine');
        ticks(5);
        return at(middle);
      };
      expect(between({ renews: true })).toBe('brine 0');
      expect(between({})).toBe('brine 2');
      expect(between({ renews: true }, 'brine')).toBe('brine 0');
      expect(between({ renews: true }, 'nothing')).not.toBe('brine 0');
    },
  );
  test(
    clause('Fluids', 'A cell above which there is the fluid is flowing at the level `reach`'),
    () => {
      const { put, ticks, at } = worldOf({ fluids: { brine } });
      put([5, 4, 5], 'brine');
      ticks(12);
      expect([3, 2, 1].map((y) => at([5, y, 5]))).toEqual(['brine 3', 'brine 3', 'brine 3']);
      expect(at([6, 1, 5])).toBe('brine 2');
      // A falling cell holds nothing beside it up in the air.
      expect(at([6, 3, 5])).toBe('.');
    },
  );
  test(clause('Fluids', 'With `rises` above and under change places throughout'), () => {
    const { put, ticks, at, row } = worldOf({ fluids: { brine: { ...brine, rises: true } } });
    put([5, 1, 5], 'brine');
    ticks(20);
    expect([2, 3, 4, 5].map((y) => at([5, y, 5]))).toEqual(['brine 3', 'brine 3', 'brine 3', 'brine 3']); // prettier-ignore
    expect(row(5)[6]).toBe('brine 2');
    expect(row(1)[6]).toBe('.');
  });
  test(
    clause(
      'Fluids',
      'When several fluids have a step in one tick, the one whose id comes first',
      'Whatever a cell outside of the world holds counts as a block',
    ),
    () => {
      const { put, ticks, row, at } = worldOf({ fluids: { brine, silt: brine } });
      put([4, 1, 5], 'silt');
      put([6, 1, 5], 'brine');
      ticks(2);
      expect(row(1)[5]).toBe('brine 2');
      // At the rim it is held as by a block, and runs back from there.
      put([0, 1, 0], 'silt');
      ticks(3);
      expect(at([1, 1, 0])).toBe('silt 2');
    },
  );
  test(
    clause('Fluids', '`drag` and `harm` are to who is in the fluid', 'The cells of a fluid give'),
    () => {
      const { pack } = worldOf({
        fluids: { brine: { ...brine, drag: 0.4, harm: 0.2, fire: 'sets', light: 6, absorbs: 3 } },
      });
      const numbers = new Numbers(pack);
      const facts = factsOf(pack, numbers)(numbers.of({ fluid: id('brine'), level: 2 }));
      expect(facts).toMatchObject({ drag: 0.4, harm: 0.2, emits: 6, absorbs: 3 });
      const run = new Run(pack, { scene: 'Bare ground', seed: 1 });
      const [x, y, z] = run.player.at.map(Math.floor) as [number, number, number];
      run.now.put([x, y, z], { fluid: id('brine') });
      const told = Array.from({ length: 25 }, () => run.tick()).flat();
      expect(told).toContainEqual(expect.objectContaining({ told: 'harmed', share: 0.2 }));
      expect(run.burns).toBe(true);
    },
  );
  test(
    clause(
      'Fluids',
      'The surface of a cell is a plane through four corners',
      'Each corner is as high as the mean of the cells of the fluid that meet there',
      'A cell at whose level neighbours the levels are balanced shows `still`',
      '`alphaMode` and `tint` are those of blocks',
    ),
    () => {
      const look = { still: 'obrank:stock/ice', flowing: 'obrank:stock/glass', tint: '#102030' };
      const pack = handWorld({ fluids: { brine: { reach: 4, pace: 1, look } }, blocks: {} });
      const now = new WorldNow(pack, [16, 16, 16], () => 0.5);
      const brineAt = (x: number, z: number, y = 0) => now.lay([x, y, z], { fluid: id('brine') });
      brineAt(5, 5);
      brineAt(9, 13);
      brineAt(9, 13, 1);
      brineAt(8, 13);
      now.light();
      const names = ['', 'obrank:stock/ice', 'obrank:stock/glass'];
      const meshed = () =>
        meshChunk(
          drawingOf(now, {
            looks: new Looks(pack, now.numbers),
            pictureNumber: (one) => names.indexOf(one ?? ''),
            fluidLook: (one) => {
              const { still, flowing, tint } = pack.view.fluidLooks.get(one)!;
              return { still: still!, flowing: flowing!, tint: tint!, isClear: true };
            },
          }),
          [0, 0, 0],
        ).clear;
      /** Of the surface over a cell: its corners by north-west, south-west, south-east, north-east. */
      const surface = (x: number, z: number) => {
        const { positions, pictures, tints, faces } = meshed();
        for (let face = 0; face < faces; face += 1) {
          const point = (i: number) =>
            [0, 1, 2].map((axis) => positions[face * 12 + i * 3 + axis]! + 8) as [
              number,
              number,
              number,
            ];
          const [a, b, c, d] = [point(0), point(1), point(2), point(3)];
          const isOver = a[0] === x && a[2] === z && c[0] === x + 1 && c[2] === z + 1;
          if (isOver && b[0] === x && d[2] === z && Math.min(a[1], b[1], c[1], d[1]) > 0)
            return {
              heights: [a, b, c, d].map(([, y]) => Math.round(y * 1000) / 1000),
              picture: names[pictures[face * 4]!],
              tint: [...tints.subarray(face * 16, face * 16 + 3)],
            };
        }
        return undefined;
      };
      const alone = surface(5, 5)!;
      expect(alone).toEqual({ heights: [0.875, 0.875, 0.875, 0.875], picture: 'obrank:stock/ice', tint: [16, 32, 48] }); // prettier-ignore
      expect(surface(9, 13)!.heights).toEqual([1.875, 1.875, 1.875, 1.875]);
      // A corner where a cell with the fluid above it meets is 1.
      expect(surface(8, 13)!.heights).toEqual([0.875, 0.875, 1, 1]);
      for (let tick = 0; tick < 2; tick += 1) now.tick();
      // East of the source a level of 3 of 4: ¾ of ⅞; at the far corners the mean with what is there.
      const far = surface(6, 5)!;
      expect(far.picture).toBe('obrank:stock/glass');
      expect(far.heights[0]!).toBeLessThan(0.875);
      expect(far.heights[2]!).toBeLessThan(far.heights[0]!);
    },
  );
  test(clause('Fluids', 'Who has the head in a fluid sees `sight` blocks far'), () => {
    const { pack } = worldOf({ fluids: { brine: { ...brine, look: { sight: 5 } } } });
    expect(pack.view.fluidLooks.get(id('brine'))!.sight).toBe(5);
  });
});

const on = { name: 'on', kind: 'toggle', default: false };
const age = { name: 'age', kind: 'number', min: 0, max: 3, default: 0 };

/** A block that does something when something happens. */
const acting = (when: string, then: object[], more: object = {}) => ({
  properties: [on, age],
  reactions: [{ when, then, ...more }],
});

/** What stands in the middle after a block there was used, and in all cells round about. */
function used(then: object[], more: Partial<HandPack> = {}, state = {}) {
  const found = worldOf({
    ...more,
    blocks: { thing: acting('used', then), ...more.blocks },
  });
  found.put(middle, 'thing', state);
  found.ticks(2);
  found.yard.happen(middle, { event: 'used', by: 'players' });
  return { ...found, effects: found.ticks(1) };
}

describe('Reactions', () => {
  test(
    clause(
      'Reactions',
      '`reactions` of a block lists what it does when something happens to it',
      'Of the reactions whose `when` is what happens, whose `by` is who does it',
    ),
    () => {
      const reaction = (property: string, more: object) => ({
        when: 'used',
        then: [{ do: 'set', property, to: property === 'on' ? true : 2 }],
        ...more,
      });
      const { put, yard, ticks, at } = worldOf({
        blocks: {
          thing: {
            properties: [on, age],
            reactions: [reaction('age', { by: 'creatures' }), reaction('on', {})],
          },
        },
      });
      put(middle, 'thing');
      yard.happen(middle, { event: 'used', by: 'players' });
      ticks(1);
      expect(at(middle)).toBe('thing true 0');
      yard.happen(middle, { event: 'used', by: 'creatures' });
      ticks(1);
      expect(at(middle)).toBe('thing true 2');
    },
  );

  test(clause('Reactions', '`set`, `flip`, `step`'), () => {
    expect(used([{ do: 'set', property: 'age', to: 2 }]).at(middle)).toBe('thing false 2');
    expect(used([{ do: 'flip', property: 'on' }]).at(middle)).toBe('thing true 0');
    expect(used([{ do: 'flip', property: 'age' }], {}, { age: 3 }).at(middle)).toBe(
      'thing false 0',
    );
    expect(used([{ do: 'step', property: 'age', by: 9 }]).at(middle)).toBe('thing false 3');
    expect(used([{ do: 'step', property: 'age', by: -9 }], {}, { age: 2 }).at(middle)).toBe('thing false 0'); // prettier-ignore
  });
  test(clause('Reactions', '`become`, `place`', '`vanish`'), () => {
    const blocks = { other: { properties: [age, { ...on, default: true }] } };
    const turn = (how: object, state = { age: 2 }) =>
      used([{ do: 'become', block: id('other'), ...how }], { blocks }, state).at(middle);
    expect(turn({})).toBe('other 0 true');
    expect(turn({ keeps: true })).toBe('other 2 false');
    expect(turn({ keeps: true, state: { age: 1 } })).toBe('other 1 false');
    const placing = { do: 'place', block: id('other'), side: 'east', state: { age: 3 } };
    const { at } = used([placing, { do: 'place', block: id('other'), side: 'down' }], { blocks });
    expect(at(next(middle, 'east'))).toBe('other 3 true');
    expect(at(next(middle, 'down'))).toBe('stone');
    const gone = used([{ do: 'vanish' }]);
    expect(gone.at(middle)).toBe('.');
    expect(gone.effects.map(({ action }) => action.do)).toEqual(['vanish']);
  });
  test(clause('Reactions', '`signal`', '`signal comes`, `signal goes`'), () => {
    const gate = {
      properties: [on],
      reactions: [
        { when: 'signal comes', then: [{ do: 'set', property: 'on', to: true }] },
        { when: 'signal goes', then: [{ do: 'set', property: 'on', to: false }] },
      ],
    };
    const { put, ticks, at, yard } = worldOf({
      blocks: {
        lever: acting('used', [{ do: 'signal', strength: 15 }]),
        pulse: acting('used', [{ do: 'signal', strength: 7, ticks: 3 }]),
        gate,
      },
    });
    const states: string[] = [];
    put(middle, 'gate');
    put(next(middle, 'west'), 'lever');
    put(next(middle, 'up'), 'pulse');
    ticks(2);
    yard.happen(next(middle, 'up'), { event: 'used' });
    for (let tick = 0; tick < 6; tick += 1) {
      ticks(1);
      states.push(at(middle));
    }
    // It is heard a tick after it is given, and that it ends in the tick in which it does.
    expect(states.map((state) => state === 'gate true')).toEqual([
      false,
      true,
      true,
      false,
      false,
      false,
    ]);
    yard.happen(next(middle, 'west'), { event: 'used' });
    ticks(40);
    expect(at(middle)).toBe('gate true');
    // Another giver beside it changes nothing; it goes when none gives one any more.
    yard.happen(next(middle, 'up'), { event: 'used' });
    expect(ticks(9).filter(({ by }) => by === id('gate'))).toEqual([]);
    yard.put(next(middle, 'west'), undefined);
    ticks(2);
    expect(at(middle)).toBe('gate false');
  });
  test(clause('Reactions', '`pour`, `drain`'), () => {
    const fluids = { brine: { reach: 1, pace: 1 } };
    const { at } = used([{ do: 'pour', fluid: id('brine'), side: 'north' }], { fluids });
    expect(at(next(middle, 'north'))).toBe('brine 0');
    const drained = used(
      [
        { do: 'pour', fluid: id('brine'), side: 'north' },
        { do: 'drain', side: 'north' },
      ],
      { fluids },
    );
    drained.ticks(2);
    expect(drained.at(next(middle, 'north'))).toBe('.');
  });
  test(clause('Reactions', '`spread`'), () => {
    const random = seededRandom(3);
    const places = new Set<string>();
    for (let i = 0; i < 400; i += 1) {
      const { yard, put, ticks } = worldOf(
        {
          blocks: {
            thing: acting('used', [{ do: 'spread', within: 2, onto: id('soil') }]),
            soil: {},
          },
        },
        [11, 6, 11],
        random,
      );
      put(middle, 'thing');
      for (const place of [[3, 0, 5], [7, 0, 7], [5, 1, 4], [8, 0, 5]] as Vec3[]) put(place, 'soil'); // prettier-ignore
      ticks(2);
      yard.happen(middle, { event: 'used' });
      ticks(1);
      for (let x = 0; x < 11; x += 1)
        for (let y = 1; y < 4; y += 1)
          for (let z = 0; z < 11; z += 1) {
            const stands = yard.at([x, y, z]);
            const isNew = stands && 'block' in stands && stands.block === id('thing');
            if (isNew && `${x} ${y} ${z}` !== middle.join(' ')) places.add(`${x} ${y} ${z}`);
          }
      if (places.size === 3) break;
    }
    // At most two away level and one up, over soil; what is three away is out of reach.
    expect([...places].sort()).toEqual(['3 1 5', '5 2 4', '7 1 7']);
  });
  test(
    clause('Reactions', '`neighbour changes`', 'A cell that changes tells its six neighbours'),
    () => {
      const { put, ticks, yard } = worldOf({
        blocks: { ear: acting('neighbour changes', [{ do: 'play', sound: 'obrank:stone' }]) },
      });
      for (const side of directions) if (side !== 'down') put(next(middle, side), 'ear');
      ticks(2);
      put(middle, 'stone');
      const heard = ticks(1).map(({ place }) => place.join(' '));
      const inOrder = directions.filter((side) => side !== 'down');
      expect(heard).toEqual(inOrder.map((side) => next(middle, side).join(' ')));
      yard.put(middle, undefined);
      expect(ticks(1)).toHaveLength(5);
    },
  );
  test(
    clause(
      'Reactions',
      '`at random`',
      '`after ticks`',
      'Whenever a block comes to stand or changes',
    ),
    () => {
      const late = worldOf({
        blocks: {
          thing: {
            properties: [on],
            reactions: [
              { when: 'after ticks', ticks: 4, if: { state: { on: false } }, then: [{ do: 'set', property: 'on', to: true }] }, // prettier-ignore
              { when: 'after ticks', ticks: 2, if: { state: { on: true } }, then: [{ do: 'set', property: 'on', to: false }] }, // prettier-ignore
            ],
          },
        },
      });
      late.put(middle, 'thing');
      const states = Array.from({ length: 12 }, () => {
        late.ticks(1);
        return late.at(middle) === 'thing true' ? 1 : 0;
      });
      expect(states).toEqual([0, 0, 0, 1, 1, 0, 0, 0, 0, 1, 1, 0]);
      const random = worldOf(
        {
          blocks: {
            thing: acting('at random', [{ do: 'play', sound: 'obrank:stone' }], { ticks: 5 }),
          },
        },
        [3, 3, 3],
        seededRandom(7),
      );
      random.put([1, 1, 1], 'thing');
      const share = random.ticks(5000).length / 5000;
      expect(Math.abs(share - 0.2)).toBeLessThan(0.02);
    },
  );
  test(clause('Reactions', 'Under `if`'), () => {
    const random = () => 0.4;
    const answers = (asked: object, how: object = {}, beside?: string, state = {}) => {
      const { put, ticks, yard } = worldOf(
        {
          blocks: { thing: acting('used', [{ do: 'play', sound: 'obrank:stone' }], { if: asked }) },
          fluids: { brine: { reach: 1, pace: 1 } },
          files: {
            'rules/tags/items/sharp.json': { id: id('sharp'), members: ['obrank:flint'] },
            'rules/tags/blocks/wet.json': { id: id('wet'), members: [id('brine'), id('stone')] },
          },
        },
        [11, 6, 11],
        random,
      );
      put(middle, 'thing', state);
      if (beside) put(next(middle, 'east'), beside);
      ticks(2);
      yard.happen(middle, { event: 'used', by: 'players', ...how });
      return ticks(1).length > 0;
    };
    expect(answers({ state: { age: [1, 2] } }, {}, undefined, { age: 2 })).toBe(true);
    expect(answers({ state: { age: [1, 2] } })).toBe(false);
    const tool = { kind: 'pick', grade: 1 };
    expect(answers({ tool: 'pick', grade: 1 }, { tool })).toBe(true);
    expect(answers({ tool: 'pick', grade: 2 }, { tool })).toBe(false);
    expect(answers({ tool: 'axe' }, { tool })).toBe(false);
    expect(answers({ holds: 'obrank:flint' }, { holds: 'obrank:flint' })).toBe(true);
    expect(answers({ holds: `#${id('sharp')}` }, { holds: 'obrank:flint' })).toBe(true);
    expect(answers({ holds: `#${id('sharp')}` }, { holds: 'obrank:sand' })).toBe(false);
    expect(answers({ holds: 'nothing' })).toBe(true);
    expect(answers({ holds: 'nothing' }, { holds: 'obrank:sand' })).toBe(false);
    expect(answers({ crouching: true }, { crouching: true })).toBe(true);
    expect(answers({ crouching: true }, { crouching: false })).toBe(false);
    expect(answers({ light: [9, 15] })).toBe(true);
    expect(answers({ light: [0, 8] })).toBe(false);
    expect(answers({ signal: true })).toBe(false);
    expect(answers({ neighbour: { is: id('brine') } }, {}, 'brine')).toBe(true);
    expect(answers({ neighbour: { is: `#${id('wet')}`, side: 'east' } }, {}, 'brine')).toBe(true);
    expect(answers({ neighbour: { is: `#${id('wet')}`, side: 'east' } })).toBe(false);
    expect(answers({ neighbour: { is: 'nothing', side: 'up' } })).toBe(true);
    expect(answers({ neighbour: { is: 'nothing', side: 'down' } })).toBe(false);
    expect(answers({ chance: 0.5 })).toBe(true);
    expect(answers({ chance: 0.3 })).toBe(false);
  });
  test(
    clause(
      'Reactions',
      'All of it goes in ticks',
      'In a tick the fluids move first',
      'Then signals end whose ticks are over',
      'Then everything is answered that came about since this was done last',
      'What an action brings about (a neighbour changes, a signal comes or goes) is always heard',
      'Of its neighbours a cell hears in one tick at most once that one changes',
      'Then timers that are due are answered',
    ),
    () => {
      const note = (sound: string) => [{ do: 'play', sound }];
      const flips = { properties: [on], reactions: [{ when: 'used', then: [{ do: 'flip', property: 'on' }] }] }; // prettier-ignore
      const { put, ticks, yard } = worldOf({
        fluids: { brine: { reach: 3, pace: 1 } },
        blocks: {
          flips,
          ear: {
            reactions: [
              { when: 'neighbour changes', then: note('obrank:a') },
              { when: 'after ticks', ticks: 3, then: note('obrank:b') },
              { when: 'used', then: note('obrank:c') },
            ],
          },
        },
      });
      put(middle, 'ear');
      put(next(middle, 'east'), 'brine');
      put(next(middle, 'west'), 'stone');
      const inWords = () =>
        ticks(1).map(({ action }) => ('sound' in action ? action.sound.slice(7) : ''));
      // Two neighbours changed: it is heard once. The brine ran in this tick before, which is next.
      expect(inWords()).toEqual(['a']);
      ticks(1);
      yard.happen(middle, { event: 'used' });
      // Answers come before timers.
      expect(inWords()).toEqual(['c', 'b']);
      put(next(middle, 'up'), 'flips');
      expect(inWords()).toEqual(['a']);
      // What an action changes is heard a tick after it.
      yard.happen(next(middle, 'up'), { event: 'used' });
      expect(inWords()).toEqual(['']);
      expect(inWords()).toEqual(['a']);
    },
  );
});

describe('Reactions, in a world with somebody in it', () => {
  const note = (sound: string) => ({ do: 'play', sound: `obrank:${sound}` });
  const told = (run: Run, ticks: number) => Array.from({ length: ticks }, () => run.tick()).flat();
  const begun = (reactions: object[], more: Partial<HandPack> = {}) => {
    const pack = handWorld({
      ...more,
      blocks: { thing: { hardness: 0.1, tool: { kind: 'pick', leastGrade: 0 }, reactions } },
      files: {
        'view/items/thing.json': { id: id('thing'), block: id('thing'), form: 'block', stack: 1 },
        'rules/tools.json': { kinds: { pick: { tag: id('picks') } }, grades: [{ name: 'flint', pace: 2 }] }, // prettier-ignore
        ...more.files,
      },
    });
    const run = new Run(pack, { scene: 'Bare ground', seed: 1 });
    run.tick([
      { do: 'look', yaw: 0, pitch: -5000 },
      { do: 'hold', held: { item: id('thing') } },
    ]);
    const placed = run.tick([{ do: 'place' }]);
    const place = placed.find((one) => one.told === 'placed');
    return { run, placed, place: place?.told === 'placed' ? place.place : ([0, 0, 0] as Vec3) };
  };
  const soundsIn = (list: ReturnType<typeof told>) =>
    list.flatMap((one) => (one.told === 'heard' ? [one.sound.slice(7)] : []));

  test(clause('Reactions', '`placed`', '`play`'), () => {
    const { run, placed, place } = begun([{ when: 'placed', by: 'players', then: [note('a')] }]);
    const heard = [...placed, ...told(run, 2)];
    expect(soundsIn(heard)).toEqual(['a']);
    expect(heard.find((one) => one.told === 'heard')).toMatchObject({ place });
  });
  test(clause('Reactions', '`broken`', '`dug wrongly`'), () => {
    const { run, place } = begun([
      { when: 'broken', then: [note('a'), { do: 'become', block: 'obrank:sand' }] },
      { when: 'dug wrongly', then: [note('b')] },
    ]);
    const heard = [...run.tick([{ do: 'dig at', place }]), ...told(run, 2)];
    // With bare hands, where a pick is right: wrongly first, then broken; nothing stands there more.
    expect(soundsIn(heard)).toEqual(['b', 'a']);
    expect(run.now.standingAt(place)).toBeUndefined();
  });
  test(clause('Reactions', '`used`', '`drop`, `give`, `take`', '`call`', '`run`'), () => {
    const { run } = begun([
      {
        when: 'used',
        if: { holds: id('thing') },
        then: [
          { do: 'give', item: 'obrank:sand', count: 3 },
          { do: 'drop', item: 'obrank:clay' },
          { do: 'take', count: 2 },
          { do: 'call', creature: id('crab') },
          { do: 'run', function: 'open_sluice' },
        ],
      },
    ]);
    const heard = [...run.tick([{ do: 'use' }]), ...told(run, 2)];
    expect([...run.after.collected.values()]).toContainEqual({ item: 'obrank:sand', count: 3 });
    expect(run.after.flying.map(({ drop }) => drop)).toContainEqual({
      item: 'obrank:clay',
      count: 1,
    });
    // The hand of the Yard is never empty, and creatures and code are a game's: they are told.
    const notes = heard.flatMap((one) => (one.told === 'note' ? [one.text] : []));
    expect(notes.join('\n')).toMatch(/takes 2[^]*calls 1[^]*open_sluice/);
  });
  test(clause('Reactions', '`stepped on`, `landed on`'), () => {
    const { run, place } = begun([
      { when: 'stepped on', then: [note('a')] },
      { when: 'landed on', then: [note('b')] },
    ]);
    run.player = { ...run.player, at: [place[0] + 0.5, place[1] + 4, place[2] + 0.5] };
    expect(soundsIn(told(run, 40))).toEqual(['b']);
    const walk = { do: 'walk', right: 0, up: 0, crouches: false } as const;
    run.player = { ...run.player, at: [place[0] + 0.5, place[1], place[2] + 2.2], yaw: 0 };
    told(run, 20);
    const heard = [...run.tick([{ ...walk, forward: 1 }]), ...told(run, 25)];
    expect(soundsIn(heard)).toEqual(['a']);
  });
  test(clause('Reactions', '`blast`'), () => {
    const { run, place } = begun([{ when: 'used', then: [{ do: 'blast', strength: 4 }] }]);
    run.tick([{ do: 'use at', place }]);
    told(run, 2);
    expect(run.now.standingAt(place)).toBeUndefined();
    expect(run.now.standingAt([place[0], place[1] - 1, place[2]])).toBeUndefined();
  });
});
