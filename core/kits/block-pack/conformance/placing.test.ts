import { describe, expect, test } from '@jest/globals';
import { directions, directionStep, headings, type Vec3 } from '../../../space/index.ts';
import { moved, placed, Yard, type Around, type Click } from '../../../yard/index.ts';
import { blockIn, clause, handWorld, wholeCell } from './hand-pack.ts';

const heading = { name: 'heading', kind: 'heading', default: 'north' };
const way = { name: 'way', kind: 'direction', default: 'north' };
const along = { name: 'along', kind: 'axis', default: 'y' };
const toggle = (name: string) => ({ name, kind: 'toggle', default: false });

const north: Vec3 = [0, 0, -1];
const click: Click = { side: 'up', height: 1, looks: north, crouching: false };
const open: Around = { isSolid: () => false, hasSignal: false, ownKind: () => undefined };

/** The state of a block with these properties and rules, placed so. */
function stateOf(
  properties: object[],
  placement: object[],
  how: Partial<Click> = {},
  around: Partial<Around> = {},
) {
  const block = blockIn(handWorld({ blocks: { thing: { properties, placement } } }), 'thing');
  const { state } = placed(block, { ...click, ...how }, { ...open, ...around });
  return block.space.decode(state);
}
const valueOf = (
  property: { name: string },
  rule: object,
  how: Partial<Click> = {},
  around: Partial<Around> = {},
) => stateOf([property], [{ set: property.name, ...rule }], how, around)[property.name];

const solidAt =
  (...sides: string[]): Around['isSolid'] =>
  (side) =>
    sides.includes(side);

describe('Placement', () => {
  test(
    clause(
      'Placement',
      '`placement` lists rules in order',
      'Each property is set by the first rule for it whose `when` holds',
    ),
    () => {
      const wet = toggle('wet');
      const fixed = (value: boolean, when?: object) => ({
        set: 'wet',
        to: 'fixed',
        value,
        ...(when && { when }),
      });
      expect(stateOf([wet], [fixed(true), fixed(false)])).toEqual({ wet: true });
      const rules = [fixed(true, { crouching: true }), fixed(false)];
      expect(stateOf([wet], rules)).toEqual({ wet: false });
      expect(stateOf([wet], rules, { crouching: true })).toEqual({ wet: true });
      // A rule that gives none of the property's values is passed over.
      const rulesOfHeading = [
        { set: 'heading', to: 'clicked side' },
        { set: 'heading', to: 'fixed', value: 'west' },
      ];
      expect(stateOf([heading], rulesOfHeading)).toEqual({ heading: 'west' });
      expect(stateOf([heading], [])).toEqual({ heading: 'north' });
    },
  );

  test(clause('Placement', 'Under `when` all that is named must hold'), () => {
    const wet = toggle('wet');
    const when = {
      clicked: ['north', 'south'],
      half: 'upper',
      crouching: true,
      signal: true,
      solid: ['down', 'east'],
    };
    const how = { side: 'south', height: 0.9, crouching: true } as const;
    const around = { hasSignal: true, isSolid: solidAt('east') };
    const rule = { to: 'fixed', value: true, when };
    expect(valueOf(wet, rule, how, around)).toBe(true);
    const otherwise: [Partial<Click>, Partial<Around>][] = [
      [{ ...how, side: 'east' }, around],
      [{ ...how, height: 0.1 }, around],
      [{ ...how, crouching: false }, around],
      [how, { ...around, hasSignal: false }],
      [how, { ...around, isSolid: solidAt('west') }],
    ];
    for (const [other, there] of otherwise) expect(valueOf(wet, rule, other, there)).toBe(false);
  });

  test(
    clause(
      'Placement',
      '`toward the player`, `away from the player`',
      'A player looks *steeply* when they look more than 45° above or below level',
    ),
    () => {
      for (const side of headings) {
        const looks = directionStep(side);
        expect(valueOf(heading, { to: 'away from the player' }, { looks })).toBe(side);
        expect(valueOf(heading, { to: 'toward the player' }, { looks })).not.toBe(side);
      }
      const at = (degrees: number): Vec3 => {
        const up = (degrees / 180) * Math.PI;
        return [Math.cos(up), Math.sin(up), 0];
      };
      const away = (property: object & { name: string }, degrees: number) =>
        valueOf(property, { to: 'away from the player' }, { looks: at(degrees) });
      expect([44, 46, -44, -46].map((degrees) => away(way, degrees))).toEqual([
        'east',
        'up',
        'east',
        'down',
      ]);
      expect(away(heading, 80)).toBe('east');
      expect(valueOf(way, { to: 'toward the player' }, { looks: at(80) })).toBe('down');
    },
  );

  test(
    clause(
      'Placement',
      '`clicked side`, `along the clicked side`',
      'The clicked side is named by where its face looks',
    ),
    () => {
      for (const side of directions)
        expect(valueOf(way, { to: 'clicked side' }, { side })).toBe(side);
      expect(
        directions.map((side) => valueOf(along, { to: 'along the clicked side' }, { side })),
      ).toEqual(['z', 'x', 'z', 'x', 'y', 'y']);
    },
  );

  test(clause('Placement', '`away from a solid neighbour`'), () => {
    const rule = { to: 'away from a solid neighbour' };
    const on = (property: object & { name: string }, side: Click['side'], ...solid: string[]) =>
      valueOf(property, rule, { side }, { isSolid: solidAt(...solid) });
    // The neighbour that was clicked is behind the side that was.
    expect(on(way, 'west', 'north', 'east')).toBe('west');
    expect(on(way, 'up', 'south', 'west')).toBe('north');
    expect(on(way, 'up', 'north', 'south', 'down')).toBe('up');
    expect(on(heading, 'up', 'down')).toBe('north');
    expect(on(heading, 'up', 'down', 'east')).toBe('west');
    expect(on(along, 'up', 'east')).toBe('x');
  });

  test(clause('Placement', '`half of the clicked side`'), () => {
    const wet = toggle('wet');
    const half = (side: Click['side'], height: number) =>
      valueOf(wet, { to: 'half of the clicked side' }, { side, height });
    expect([half('east', 0.7), half('east', 0.3), half('up', 1), half('down', 0)]).toEqual([
      true,
      false,
      false,
      true,
    ]);
    const age = { name: 'age', kind: 'number', min: 0, max: 9, default: 0 };
    const rule = { to: 'half of the clicked side', value: 7, otherwise: 3 };
    expect(valueOf(age, rule, { side: 'east', height: 0.7 })).toBe(7);
    expect(valueOf(age, rule, { side: 'east', height: 0.3 })).toBe(3);
  });

  test(clause('Placement', '`crouching`, `signal`'), () => {
    const wet = toggle('wet');
    expect(valueOf(wet, { to: 'crouching' }, { crouching: true })).toBe(true);
    expect(valueOf(wet, { to: 'crouching' })).toBe(false);
    expect(valueOf(wet, { to: 'signal' }, {}, { hasSignal: true })).toBe(true);
    expect(valueOf(wet, { to: 'signal', value: false, otherwise: true })).toBe(true);
  });

  test(clause('Placement', '`from the item`', '`fixed`'), () => {
    expect(valueOf(heading, { to: 'from the item' }, { carried: { heading: 'east' } })).toBe(
      'east',
    );
    expect(valueOf(heading, { to: 'from the item' }, { carried: { other: true } })).toBe('north');
    expect(valueOf(heading, { to: 'fixed', value: 'south' })).toBe('south');
  });
});

const joins = [
  ...headings.map((side) => ({ set: side, to: 'joined', side })),
  { set: 'up', to: 'joined', side: 'up', value: false, otherwise: true },
];
const half = { at: [0, 0, 0], size: [16, 8, 16] };
const upper = { at: [0, 8, 0], size: [16, 8, 16] };
const neighbourly = handWorld({
  blocks: {
    fence: {
      properties: [...headings, 'up'].map(toggle),
      placement: joins,
      collision: [{ value: [{ at: [6, 0, 6], size: [4, 16, 4] }] }],
      reactions: [
        {
          when: 'neighbour changes',
          if: { state: { up: true } },
          then: [{ do: 'signal', strength: 3 }],
        },
      ],
    },
    stone: {},
    slab: { collision: [{ value: [half] }] },
    doubled: { collision: [{ value: [half, upper] }] },
    holed: { collision: [{ value: [half, { ...upper, size: [16, 8, 15] }] }] },
    stair: {
      properties: [
        { name: 'heading', kind: 'heading', default: 'north' },
        { name: 'hung', kind: 'toggle', default: false },
        {
          name: 'corner',
          kind: 'choice',
          values: ['straight', 'inner_left', 'inner_right', 'outer_left', 'outer_right'],
          default: 'straight',
        },
      ],
      placement: [{ set: 'corner', to: 'corner', alike: ['hung'] }],
    },
  },
});

/** A world of a few blocks by their places, after some ticks. */
function laid(blocks: [Vec3, string, object?][], ticks = 1) {
  const yard = new Yard([9, 4, 9], neighbourly);
  const put = ([place, name, state = {}]: (typeof blocks)[number]) => {
    const { id, space } = blockIn(neighbourly, name);
    yard.put(place, { block: id, state: space.encode(state as Record<string, string>) });
  };
  blocks.forEach(put);
  for (let tick = 0; tick < ticks; tick += 1) yard.tick();
  const at = (place: Vec3) => {
    const stands = yard.at(place);
    if (!stands || !('block' in stands)) return undefined;
    return neighbourly.blocks.get(stands.block)?.space.decode(stands.state);
  };
  return { yard, put, at };
}
const middle: Vec3 = [4, 1, 4];
const beside = (side: (typeof directions)[number], from: Vec3 = middle): Vec3 => {
  const step = directionStep(side);
  return [from[0] + step[0], from[1] + step[1], from[2] + step[2]];
};

describe('Placement, of what stands beside', () => {
  test(
    clause(
      'Placement',
      '`joined`',
      'A neighbour is *solid* when the collision boxes of the state that it is in',
    ),
    () => {
      const joinedTo = (name: string) =>
        laid([
          [middle, 'fence'],
          [beside('east'), name],
        ]).at(middle)!['east'];
      expect(['stone', 'slab', 'doubled', 'holed', 'fence'].map(joinedTo)).toEqual(
        [true, false, true, false, true], // two halves fill a cell; a gap of one texel is a gap
      );
      const { at } = laid([
        [middle, 'fence'],
        [beside('up'), 'stone'],
      ]);
      expect(at(middle)).toMatchObject({ up: false, north: false });
    },
  );

  test(clause('Placement', 'A property *follows the neighbours* when one of its rules'), () => {
    const { yard, put, at } = laid([[middle, 'fence']]);
    for (const side of headings) {
      put([beside(side), 'stone']);
      yard.tick();
      expect(at(middle)).toMatchObject({ [side]: true });
    }
    yard.put(beside('east'), undefined);
    yard.tick();
    expect(at(middle)).toMatchObject({ north: true, east: false, south: true, west: true });
  });

  test(clause('Placement', 'What changes so is heard in the next tick'), () => {
    const { yard, put } = laid([
      [middle, 'fence', { up: true }],
      [beside('east'), 'fence', { up: true }],
    ]);
    yard.tick();
    yard.tick();
    expect(yard.tick()).toEqual([]);
    // Of the first, whose state changes by following, the one beside it hears a tick later.
    put([beside('west'), 'stone']);
    expect(yard.tick().map(({ place }) => place)).toEqual([middle]);
    expect(yard.tick().map(({ place }) => place)).toEqual([beside('east')]);
  });

  test(clause('Placement', '`corner`'), () => {
    const corner = (own: string, others: [(typeof headings)[number], string, object?][]): unknown =>
      laid([
        [middle, 'stair', { heading: own }],
        ...others.map(([side, theirs, more]): [Vec3, string, object] => [
          beside(side),
          'stair',
          { heading: theirs, ...more },
        ]),
      ]).at(middle)!['corner'];
    expect(corner('north', [])).toBe('straight');
    // Its front is low and its back is high: behind one that faces north is what is to the south.
    expect(corner('north', [['south', 'east']])).toBe('outer_left');
    expect(corner('north', [['south', 'west']])).toBe('outer_right');
    expect(corner('north', [['north', 'east']])).toBe('inner_left');
    expect(corner('north', [['north', 'west']])).toBe('inner_right');
    expect(corner('north', [['south', 'south']])).toBe('straight');
    expect(corner('north', [['south', 'east', { hung: true }]])).toBe('straight');
    // One beside it that faces as it does goes on straight there.
    expect(corner('north', [['south', 'east'], ['east', 'north']])).toBe('straight'); // prettier-ignore
    expect(corner('north', [['north', 'east'], ['west', 'north']])).toBe('straight'); // prettier-ignore
  });
});

describe('Turning a structure', () => {
  const world = handWorld({
    blocks: {
      all: {
        properties: [
          heading,
          way,
          along,
          ...headings.map(toggle),
          {
            name: 'hinge',
            kind: 'choice',
            values: ['left', 'right', 'none'],
            default: 'none',
            mirrored: { left: 'right', right: 'left' },
            turned: {},
          },
        ],
        placement: joins.slice(0, 4),
        collision: [{ value: [wholeCell] }],
      },
    },
  });
  const block = blockIn(world, 'all');
  const after = (state: object, ...ways: ('turned' | 'mirrored')[]) =>
    block.space.decode(
      ways.reduce(
        (now, moving) => moved(block, now, moving),
        block.space.encode(state as Record<string, string>),
      ),
    );

  test(
    clause(
      'Turning a structure',
      'A quarter turn clockwise, seen from above, takes north to east',
      'Mirroring exchanges east and west',
    ),
    () => {
      const turned = headings.map((side) => after({ heading: side }, 'turned')['heading']);
      expect(turned).toEqual(['east', 'south', 'west', 'north']);
      const mirrored = headings.map((side) => after({ heading: side }, 'mirrored')['heading']);
      expect(mirrored).toEqual(['north', 'west', 'south', 'east']);
      expect(after({ way: 'up', along: 'y' }, 'turned')).toMatchObject({ way: 'up', along: 'y' });
      expect(after({ along: 'x' }, 'turned')).toMatchObject({ along: 'z' });
      expect(after({ along: 'x' }, 'mirrored')).toMatchObject({ along: 'x' });
    },
  );
  test(clause('Turning a structure', 'Headings, directions and axes follow by themselves'), () => {
    expect(after({ north: true }, 'turned')).toMatchObject({ north: false, east: true });
    expect(after({ east: true }, 'mirrored')).toMatchObject({ east: false, west: true });
    expect(after({ hinge: 'left' }, 'mirrored')).toMatchObject({ hinge: 'right' });
    expect(after({ hinge: 'left' }, 'turned')).toMatchObject({ hinge: 'left' });
    expect(after({ hinge: 'none' }, 'mirrored')).toMatchObject({ hinge: 'none' });
  });
  test(clause('Turning a structure', 'Four turns come back, two mirrors come back'), () => {
    for (let state = 0; state < block.space.size; state += 7) {
      const is = block.space.decode(state);
      expect(after(is, 'turned', 'turned', 'turned', 'turned')).toEqual(is);
      expect(after(is, 'mirrored', 'mirrored')).toEqual(is);
      expect(after(is, 'turned', 'mirrored', 'turned', 'mirrored')).toEqual(is);
    }
  });
});
