import { describe, expect, test } from '@jest/globals';
import type { Vec3 } from '../../space/index.ts';
import { randomDeeds } from '../testing/random-deeds.ts';
import { demoWorld } from '../../../demo/art/demo-world.ts';
import { playedAgain, runFrom } from './recorded.ts';
import { keptOf } from './saved.ts';
import { Run } from './run.ts';
import type { Deed, RecordedRun, Told } from './deeds.ts';

const { world } = demoWorld();
const id = (name: string) => `saltmarsh:${name}`;

/** Somebody on bare ground who looks at the ground before them. */
function begun(scene = 'Bare ground', seed = 1): Run {
  const run = new Run(world, { scene, seed });
  run.tick([{ do: 'look', yaw: 0, pitch: -4500 }]);
  for (let i = 0; i < 5; i += 1) run.tick();
  return run;
}

/** Ticks with nothing done, until something is told or so many are over. */
function until(run: Run, kind: Told['told'], most = 2000): Told | undefined {
  for (let i = 0; i < most; i += 1) {
    const found = run.tick().find(({ told }) => told === kind);
    if (found) return found;
  }
  return undefined;
}

const hold = (item: string): Deed => ({ do: 'hold', held: { item: id(item) } });

describe('placing', () => {
  test('what is held comes to stand where one looks, and each property says which rule set it', () => {
    const run = begun();
    const told = run.tick([hold('sluice_gate'), { do: 'place' }]);
    const placed = told.find((one) => one.told === 'placed')!;
    expect(placed.block).toBe(id('sluice_gate'));
    const { space } = world.blocks.get(placed.block)!;
    expect(placed.because.map(({ property }) => property).sort()).toEqual(
      space.properties.map(({ name }) => name).sort(),
    );
    expect(run.now.blockAt(placed.place)?.state).toBe(placed.state);
  });

  test('nothing is placed into oneself, into the air, or out of an empty hand', () => {
    const run = begun();
    const why = (deeds: Deed[]) =>
      run.tick(deeds).flatMap((one) => (one.told === 'note' ? [one.text] : []))[0];
    expect(why([{ do: 'hold' }, { do: 'place' }])).toBe('The hand is empty.');
    expect(why([hold('salt_crust'), { do: 'look', yaw: 0, pitch: -8900 }, { do: 'place' }])).toBe(
      'You stand in its way.',
    );
    expect(why([{ do: 'look', yaw: 0, pitch: 4500 }, { do: 'place' }])).toBe(
      'Nothing is within reach.',
    );
  });

  test('what comes from the bench stands before one, on the ground', () => {
    const run = begun();
    const placed = run
      .tick([hold('salt_crust'), { do: 'bring' }])
      .find((one) => one.told === 'placed');
    expect(placed?.place).toEqual([24, 4, 25]);
  });
});

describe('digging', () => {
  test('goes at the pace of the tool, tells its drops, and they are collected', () => {
    const run = begun();
    run.tick([hold('reed_thatch'), { do: 'place' }]);
    const sickle = { do: 'hold', held: { item: 'obrank:tool/sickle/0' } } as const;
    const first = run.tick([sickle, { do: 'dig', digs: true }]);
    const broken = first.find(({ told }) => told === 'broken') ?? until(run, 'broken')!;
    expect(broken).toMatchObject({ block: id('reed_thatch') });
    run.tick([{ do: 'dig', digs: false }]);
    const drops = broken.told === 'broken' ? broken.drops : [];
    expect(drops.length).toBeGreaterThan(0);
    // Whoever walks to where it fell has it.
    run.tick([{ do: 'walk', forward: 1, right: 0, up: 0, crouches: false }]);
    expect(until(run, 'collected', 200)).toBeDefined();
    expect([...run.after.collected.values()].map(({ item }) => item)).toContain(drops[0]!.item);
  });

  test('a thousand times for its drops alone leaves the block, and comes near to the odds', () => {
    const run = begun();
    run.tick([hold('salt_crust'), { do: 'place' }, { do: 'hold' }]);
    const aim = run.aim()!;
    const { block, state } = run.now.blockAt(aim.place)!;
    run.tick([{ do: 'break', times: 1000 }]);
    expect(run.counts.of(run.wayOf(block.id, state)).broken).toBe(1000);
    expect(run.now.blockAt(aim.place)?.block.id).toBe(block.id);
  });
});

test('a lantern that is put out darkens the place, and lights it again', () => {
  const run = begun('Bare ground');
  run.tick([{ do: 'hour', hour: 0 }, hold('tide_lantern'), { do: 'bring' }]);
  const lit: Vec3 = [24, 5, 25];
  const light = () => run.now.lighting.at(lit, run.now.dark);
  expect(light()).toBe(4);
  run.tick([{ do: 'hold' }, { do: 'use at', place: [24, 4, 25] }]);
  run.tick();
  expect(light()).toBe(12);
  run.tick([{ do: 'dig at', place: [24, 4, 25] }]);
  run.tick();
  expect(light()).toBe(4);
});

describe('blast, fire, and whole regions', () => {
  test('a charge takes what is weak, and says how much', () => {
    const run = begun();
    const told = run.tick([{ do: 'blast', strength: 4 }]);
    const note = told.find((one) => one.told === 'note');
    expect(note?.text).toMatch(/^The charge of 4 takes \d+ blocks\.$/);
    expect(run.after.flying.length).toBeGreaterThan(0);
  });

  test('Reference physics, Fire: what burns goes over to what can, and burns away', () => {
    const run = begun();
    const placesOf = [hold('reed_thatch'), { do: 'bring' }] as Deed[];
    run.tick([...placesOf]);
    run.tick([{ do: 'place at', place: [24, 4, 25], side: 'west' }]);
    run.tick([{ do: 'look', yaw: 0, pitch: -2000 }, { do: 'kindle' }]);
    expect(run.after.fire.places.length).toBe(1);
    let most = 0;
    for (let i = 0; i < 4000 && run.after.fire.places.length; i += 1) {
      run.tick();
      most = Math.max(most, run.after.fire.places.length);
    }
    expect(run.after.fire.places).toEqual([]);
    expect(run.now.blockAt([24, 4, 25])).toBeUndefined();
  });
});

describe('the same deeds give the same world', () => {
  const deeds = randomDeeds(world, 1500);
  const played = (): RecordedRun => {
    const run = new Run(world, { scene: 'Ground and wall', seed: 5 });
    const due = new Map<number, Deed[]>();
    for (const [tick, deed] of deeds) due.set(tick, [...(due.get(tick) ?? []), deed]);
    for (let tick = 0; tick <= deeds.at(-1)![0]; tick += 1) run.tick(due.get(tick));
    return run.recorded();
  };

  test('byte for byte, and what was recorded says all that was done', () => {
    const [one, other] = [played(), played()];
    expect(one.digest).toBe(other.digest);
    expect(one.deeds).toEqual(deeds);
  });

  test('a run out of its file is the same again, also one that begins in a kept world', () => {
    const first = begun('Ground and wall');
    first.tick([hold('salt_crust'), { do: 'bring' }]);
    const run = new Run(world, { scene: 'Ground and wall', seed: 2, kept: keptOf(first) });
    run.tick([hold('reed_thatch'), { do: 'bring' }, { do: 'blast', strength: 4 }]);
    for (let i = 0; i < 30; i += 1) run.tick();
    const file = JSON.stringify(run.recorded());
    expect(playedAgain(world, runFrom(file)).digest()).toBe(run.digest());
  });

  test.each([
    ['nothing', 'This is no recorded run: it cannot be read as JSON.'],
    ['{}', 'This is no recorded run: it has no scene, seed, ticks, deeds and digest.'],
    [
      '{"scene":"","seed":1,"ticks":9e9,"deeds":[],"digest":""}',
      'This run is too long to be played again.',
    ],
    [
      '{"scene":"","seed":1,"ticks":9,"deeds":[[0,{"do":"fall"}]],"digest":""}',
      'What is done 1. in this run is nothing that can be.',
    ],
    [
      '{"scene":"","seed":1,"ticks":9,"deeds":[],"digest":"","kept":{}}',
      'The world in which this run begins is none.',
    ],
  ])('a file that is no run is refused: %s', (text, why) => {
    expect(() => runFrom(text)).toThrow(why);
  });

  test('other deeds give another', () => {
    const run = new Run(world, { scene: 'Ground and wall', seed: 5 });
    run.tick([{ do: 'walk', forward: 1, right: 0, up: 0, crouches: false }]);
    expect(run.digest()).not.toBe(played().digest);
  });
});

describe('a world that is kept', () => {
  test('is the same when it is laid again', () => {
    const run = begun('Ground and wall');
    run.tick([hold('salt_crust'), { do: 'bring' }]);
    const kept = keptOf(run);
    const again = new Run(world, {
      scene: 'Ground and wall',
      seed: 1,
      kept: structuredClone(kept),
    });
    expect(keptOf(again).cells).toEqual(kept.cells);
    expect(again.player.at).toEqual(run.player.at);
  });

  test('keeps a block that the pack has no more, under its name, and it can be dug away', () => {
    const run = begun();
    run.tick([hold('salt_crust'), { do: 'bring' }]);
    const fewer = { ...world, blocks: new Map(world.blocks) };
    fewer.blocks.delete(id('salt_crust'));
    const again = new Run(fewer, { scene: 'Bare ground', seed: 1, kept: keptOf(run) });
    const place: Vec3 = [24, 4, 25];
    expect(again.now.standingAt(place)).toEqual({ block: id('salt_crust'), state: 0 });
    expect(again.now.numbers.meant(again.now.cells.at(place))?.kind).toBe('unknown');
    expect(again.now.factsAt(place).collision).toHaveLength(1);
    again.tick([{ do: 'dig at', place }]);
    expect(again.now.standingAt(place)).toBeUndefined();
  });
});
