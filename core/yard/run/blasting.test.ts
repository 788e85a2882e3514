import { expect, test } from '@jest/globals';
import { demoWorld } from '../../../demo/art/demo-world.ts';
import { Blasting } from './blasting.ts';
import { Run } from './run.ts';

test('the nearest goes first, and nothing is left over', () => {
  const blasting = new Blasting();
  blasting.begin(
    [0, 0, 0],
    [
      [3, 0, 0],
      [1, 0, 0],
      [0, 2, 0],
    ],
  );
  const went: [tick: number, place: string][] = [];
  for (let tick = 1; tick <= 20; tick += 1)
    for (const place of blasting.tick()) went.push([tick, place.join(' ')]);
  expect(went).toEqual([
    [4, '1 0 0'],
    [8, '0 2 0'],
    [12, '3 0 0'],
  ]);
});

test('in slow motion a charge takes in the end just what it takes at once', () => {
  const { world } = demoWorld();
  const standing = (slow: boolean): number => {
    const run = new Run(world, { scene: 'Ground and wall', seed: 3 });
    run.tick([
      { do: 'look', yaw: 0, pitch: -3000 },
      { do: 'blast', strength: 10, slow },
    ]);
    const atOnce = run.now.cells.numbers.filter((number) => number > 0).length;
    for (let i = 0; i < 100; i += 1) run.tick();
    const after = run.now.cells.numbers.filter((number) => number > 0).length;
    if (slow) expect(after).toBeLessThan(atOnce);
    return after;
  };
  expect(standing(true)).toBe(standing(false));
});
