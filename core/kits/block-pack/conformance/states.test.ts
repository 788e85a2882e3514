import { describe, expect, test } from '@jest/globals';
import { keptOf, Numbers, factsOf, Run } from '../../../yard/index.ts';
import { blockIn, clause, handWorld } from './hand-pack.ts';

const heading = { name: 'heading', kind: 'heading', default: 'north' };
const lit = { name: 'lit', kind: 'toggle', default: false };
const age = { name: 'age', kind: 'number', min: 0, max: 2, default: 0 };

describe('Rows', () => {
  const lightOf = (rows: object[], state: Record<string, string | boolean | number>) => {
    const world = handWorld({
      blocks: { lamp: { properties: [lit, heading], lightEmitted: rows } },
    });
    const numbers = new Numbers(world);
    const { space, id } = blockIn(world, 'lamp');
    return factsOf(world, numbers)(numbers.of({ block: id, state: space.encode(state) })).emits;
  };
  const rows = [
    { when: { lit: true, heading: ['north', 'south'] }, value: 14 },
    { when: { lit: true }, value: 9 },
    { value: 2 },
  ];

  test(
    clause(
      'Rows',
      'A value that depends on the state is a list of rows',
      'A condition names properties',
      'The first row that matches wins',
      'A row without `when` matches every state',
    ),
    () => {
      expect(lightOf(rows, { lit: true, heading: 'south' })).toBe(14);
      expect(lightOf(rows, { lit: true, heading: 'east' })).toBe(9);
      expect(lightOf(rows, { lit: false, heading: 'north' })).toBe(2);
      expect(lightOf([{ value: 2 }, ...rows], { lit: true, heading: 'south' })).toBe(2);
    },
  );

  test(clause('Rows', 'Together the rows of a value match every state'), () => {
    // A state that none matches is a mistake: engines may differ, and this one stays dark.
    expect(lightOf([{ when: { lit: true }, value: 9 }], { lit: false })).toBe(0);
  });
});

describe('States', () => {
  const world = handWorld({
    blocks: {
      all: {
        properties: [
          lit,
          age,
          { name: 'kind', kind: 'choice', values: ['reed', 'oak'], default: 'oak' },
          heading,
          { name: 'way', kind: 'direction', default: 'down' },
          { name: 'along', kind: 'axis', default: 'y' },
        ],
      },
    },
  });
  test(
    clause('States', "A block's properties are ordered", 'The values of each kind are ordered too'),
    () => {
      const { space } = blockIn(world, 'all');
      expect(space.properties.map(({ name }) => name)).toEqual(
        ['lit', 'age', 'kind', 'heading', 'way', 'along'], // as they are listed
      );
      expect(space.values).toEqual([
        [false, true],
        [0, 1, 2],
        ['reed', 'oak'],
        ['north', 'east', 'south', 'west'],
        ['north', 'east', 'south', 'west', 'up', 'down'],
        ['x', 'y', 'z'],
      ]);
    },
  );
});

describe('State codes', () => {
  const withCodes = (codes?: object) => {
    const world = handWorld({
      blocks: { gate: { properties: [heading, lit] } },
      files: {
        'registry.json': {
          entries: [
            {
              number: 4,
              kind: 'block',
              id: 'saltmarsh:gate',
              ...(codes && { states: 8, codes }),
            },
          ],
          retired: [],
        },
      },
    });
    const { space, id } = blockIn(world, 'gate');
    return (state: Record<string, string | boolean>) => world.codeOf(id, space.encode(state));
  };
  const headings = { property: 'heading', values: ['north', 'east', 'south', 'west'] };
  const toggles = { property: 'lit', values: [false, true] };
  const eastLit = { heading: 'east', lit: true };

  test(
    clause('State codes', 'A block of `registry.json` without `codes` is stored by mixed radix'),
    () => expect(withCodes()(eastLit)).toBe(3),
  );
  test(
    clause(
      'State codes',
      '`registry.json` says for each block how a state is stored',
      'It lists the values in the order in which codes count them',
      '`mixed-radix`: the properties in `digits`, the first the slowest',
      "A code is the sum of each value's place times the number of combinations",
    ),
    () => {
      expect(
        withCodes({ kind: 'mixed-radix', bits: 3, digits: [toggles, headings] })(eastLit),
      ).toBe(5);
      const backwards = { ...headings, values: [...headings.values].reverse() };
      expect(
        withCodes({ kind: 'mixed-radix', bits: 3, digits: [backwards, toggles] })(eastLit),
      ).toBe(5);
    },
  );
  test(
    clause(
      'State codes',
      'Bits are counted from 0, the lowest',
      '`bit-fields`: each property in `width` bits of its own, from bit `at`',
    ),
    () => {
      const fields = [
        { ...headings, at: 1, width: 2 },
        { ...toggles, at: 4, width: 1 },
      ];
      expect(withCodes({ kind: 'bit-fields', bits: 5, fields })(eastLit)).toBe(0b10010);
    },
  );
  test(clause('State codes', '`table`: `codes` lists the codes in the order'), () => {
    const codes = [7, 6, 5, 4, 3, 2, 1, 0];
    const digits = [headings, toggles];
    expect(withCodes({ kind: 'table', bits: 3, digits, codes })(eastLit)).toBe(4);
  });
  test(
    clause('State codes', 'A digit with `always` is a property that the block no longer'),
    () => {
      const gone = { property: 'wet', values: [false, true], always: true };
      const codeOf = withCodes({
        kind: 'mixed-radix',
        bits: 4,
        digits: [gone, headings, toggles],
      });
      expect(codeOf(eastLit)).toBe(8 + 3);
    },
  );
});

describe('Registry', () => {
  test(
    clause(
      'Registry',
      '`formerly` are names under which saved worlds may know an entry',
      'What is retired stays listed, with the successor',
    ),
    () => {
      const blocks = { reed: { properties: [lit] }, hedge: { properties: [lit] }, moss: {} };
      const before = handWorld({ blocks });
      const run = new Run(before, { scene: 'Bare ground', seed: 1 });
      const lay = (name: string, x: number, state = 0) =>
        run.now.put([x, 10, 5], { block: `saltmarsh:${name}`, state });
      lay('reed', 5, 1);
      lay('hedge', 7, 1);
      lay('moss', 9);
      const after = handWorld({
        blocks: { rush: { properties: [lit] } },
        files: {
          'registry.json': {
            entries: [
              { number: 0, kind: 'block', id: 'saltmarsh:rush', formerly: ['saltmarsh:reed'] },
            ],
            retired: [
              { number: 1, kind: 'block', id: 'saltmarsh:hedge', successor: 'saltmarsh:reed' },
              { number: 2, kind: 'block', id: 'saltmarsh:moss' },
            ],
          },
        },
      });
      const kept = keptOf(run);
      const { now } = new Run(after, { scene: 'Bare ground', seed: 1, kept });
      expect(now.standingAt([5, 10, 5])).toEqual({ block: 'saltmarsh:rush', state: 1 });
      expect(now.standingAt([7, 10, 5])).toEqual({ block: 'saltmarsh:rush', state: 1 });
      // Without a successor it keeps its name, and is drawn as the marker.
      expect(now.standingAt([9, 10, 5])).toEqual({ block: 'saltmarsh:moss', state: 0 });
    },
  );
  test(clause('Registry', 'A pack that is written by hand lists every group'), () => {
    expect(handWorld({ blocks: { reed: {} } }).blocks.has('saltmarsh:reed')).toBe(true);
    expect(() => handWorld({ blocks: { reed: {} }, files: { 'registry.json': {} } })).toThrow();
  });
});
