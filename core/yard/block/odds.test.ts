import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { seededRandom } from '../../space/index.ts';
import type { YardDraw } from '../pack-world.ts';
import { demoWorld } from '../../../demo/art/demo-world.ts';
import { drops } from './loot.ts';
import { expectedDrops } from './odds.ts';

const { world } = demoWorld();

test('Loot: what should drop in the mean is what drops, for every block of the demo', () => {
  const random = seededRandom(3);
  for (const block of world.blocks.values()) {
    const breaking = { state: block.space.decode(block.space.defaultState) };
    const expected = expectedDrops(block.draws, breaking, world.tables)!;
    const came = new Map<string, number>();
    const times = 2000;
    for (let i = 0; i < times; i += 1)
      for (const { item, count } of drops(block.draws, breaking, { tables: world.tables, random }))
        came.set(item, (came.get(item) ?? 0) + count);
    for (const item of new Set([...came.keys(), ...expected.keys()])) {
      const [should, did] = [expected.get(item) ?? 0, (came.get(item) ?? 0) / times];
      // Six standard deviations of what is at most a few pieces a block.
      expect(Math.abs(should - did)).toBeLessThan(6 * Math.sqrt((should * 4 + 0.01) / times));
    }
  }
});

test('shares, sure lots and chances of any draw come out as they are drawn', () => {
  const chance = fc.constantFrom(0.25, 0.5, 1);
  const lot = fc.record(
    {
      give: fc.constantFrom('a', 'b'),
      share: fc.constantFrom(1, 2, 5),
      count: fc.constantFrom(1, [1, 3] as const),
      when: chance.map((one) => ({ chance: one })),
    },
    { requiredKeys: ['give'] },
  );
  const draws = fc.array(
    fc.record({
      times: fc.constantFrom(1, [0, 2] as const),
      lots: fc.array(lot, { maxLength: 4 }),
    }),
    { maxLength: 2 },
  );
  fc.assert(
    fc.property(draws, fc.nat(), (list, seed) => {
      const some = list as readonly YardDraw[];
      const expected = expectedDrops(some, { state: {} }, new Map())!;
      const random = seededRandom(seed);
      const times = 1500;
      const came = { a: 0, b: 0 };
      for (let i = 0; i < times; i += 1)
        for (const one of drops(some, { state: {} }, { tables: new Map(), random }))
          came[one.item as 'a' | 'b'] += one.count;
      for (const item of ['a', 'b'] as const)
        expect(Math.abs((expected.get(item) ?? 0) - came[item] / times)).toBeLessThan(0.45);
    }),
    { numRuns: 60 },
  );
});

test('a table that leads back to itself brings nothing the second time', () => {
  const tables = new Map([
    [
      't',
      [
        { times: 1, lots: [{ give: 'a' }] },
        { times: 1, lots: [{ table: 't' }] },
      ],
    ],
  ]);
  expect(expectedDrops([{ times: 2, lots: [{ table: 't' }] }], { state: {} }, tables)).toEqual(
    new Map([['a', 2]]),
  );
});
