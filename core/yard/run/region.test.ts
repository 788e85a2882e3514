import { expect, test } from '@jest/globals';
import type { Vec3 } from '../../space/index.ts';
import { demoWorld } from '../../../demo/art/demo-world.ts';
import { movedRegion, regionAfter, statesIn } from './region.ts';
import { Run } from './run.ts';

const { world } = demoWorld();
const namesOf = (run: Run): string[] =>
  [...run.now.cells.numbers].map((_, index) => {
    const [w, , d] = run.now.cells.size;
    const place: Vec3 = [index % w, Math.floor(index / (w * d)), Math.floor(index / w) % d];
    return JSON.stringify(run.now.standingAt(place));
  });

test('four quarter turns, and two mirrors, leave what stands still as it was', () => {
  const run = new Run(world, { scene: 'Every state', seed: 1 });
  const region = { from: [2, 4, 3], to: [11, 6, 12] } satisfies { from: Vec3; to: Vec3 };
  const before = namesOf(run);
  const move = (moving: 'turned' | 'mirrored') =>
    movedRegion(run.now, { moving, ...region }, () => undefined);
  move('turned');
  expect(namesOf(run)).not.toEqual(before);
  for (let i = 0; i < 3; i += 1) move('turned');
  expect(namesOf(run)).toEqual(before);
  move('mirrored');
  expect(namesOf(run)).not.toEqual(before);
  move('mirrored');
  expect(namesOf(run)).toEqual(before);
});

test('Turning a structure: each state stands beside what moving makes of it', () => {
  const run = new Run(world, { scene: 'Bare ground', seed: 1 });
  run.tick([
    { do: 'look', yaw: 0, pitch: -4500 },
    { do: 'hold', held: { item: 'saltmarsh:salt_oven' } },
  ]);
  const [placed] = run.tick([{ do: 'place' }]).filter(({ told }) => told === 'placed');
  const { place } = placed as { place: Vec3 };
  const [found, ...others] = statesIn(run.now, { from: place, to: place });
  expect(others).toEqual([]);
  const { space } = world.blocks.get('saltmarsh:salt_oven')!;
  expect(found?.cells).toBe(1);
  const way = (state: number) => space.decode(state)[space.properties[0]!.name];
  const ways = ['north', 'east', 'south', 'west'];
  const heading = ways.indexOf(String(way(found!.state)));
  expect(heading).toBeGreaterThanOrEqual(0);
  expect(way(found!.turned)).toBe(ways[(heading + 1) % 4]);
});

test('a region that is turned is as deep as it was wide, from its corner to the north-west', () => {
  const region = { from: [9, 4, 3], to: [5, 6, 4] } satisfies { from: Vec3; to: Vec3 };
  expect(regionAfter(region, 'turned')).toEqual({ from: [5, 4, 3], to: [6, 6, 7] });
  expect(regionAfter(region, 'mirrored')).toEqual({ from: [5, 4, 3], to: [9, 6, 4] });
});
