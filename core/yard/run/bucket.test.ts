import { expect, test } from '@jest/globals';
import { demoWorld } from '../../../demo/art/demo-world.ts';
import type { Vec3 } from '../../space/index.ts';
import type { Told } from './deeds.ts';
import { Run } from './run.ts';

const { world } = demoWorld();
const placeIn = (told: Told | undefined): Vec3 =>
  told && 'place' in told ? told.place : [NaN, NaN, NaN];
const pail = world.view.items.find(({ bucket }) => bucket)!;

test('Items: a full bucket places a source and leaves the empty one, which takes it up again', () => {
  const run = new Run(world, { scene: 'Bare ground', seed: 1 });
  run.tick([
    { do: 'look', yaw: 0, pitch: -4500 },
    { do: 'hold', held: { item: pail.id } },
  ]);
  const [poured] = run.tick([{ do: 'place' }]).filter(({ told }) => told === 'poured');
  expect(poured).toMatchObject({ item: pail.bucket!.empty, of: pail.bucket!.of });
  expect(run.held).toEqual({ item: pail.bucket!.empty });
  const place = placeIn(poured);
  expect(run.now.standingAt(place)).toEqual({ fluid: pail.bucket!.of });

  const [filled] = run.tick([{ do: 'act' }]).filter(({ told }) => told === 'filled');
  expect(filled).toMatchObject({ place, item: pail.id });
  expect(run.held).toEqual({ item: pail.id });
  expect(run.now.standingAt(place)).toBeUndefined();
});

test('Items: what runs is no source, and is not taken up', () => {
  const run = new Run(world, { scene: 'Bare ground', seed: 1 });
  run.tick([
    { do: 'look', yaw: 0, pitch: -4500 },
    { do: 'hold', held: { item: pail.id } },
  ]);
  const [poured] = run.tick([{ do: 'place' }]).filter(({ told }) => told === 'poured');
  const [x, y, z] = placeIn(poured);
  for (let i = 0; i < 200; i += 1) run.tick();
  expect(run.now.standingAt([x + 1, y, z])).toEqual({ fluid: pail.bucket!.of });
  const before = run.now.cells.numbers.slice();
  // Straight down onto what ran there, past the source.
  run.player = { ...run.player, at: [x + 1.5, y, z + 0.5], pitch: -89 };
  const told = run.tick([{ do: 'act' }]);
  expect(told.some((one) => one.told === 'filled')).toBe(false);
  expect(run.now.cells.numbers).toEqual(before);
});
