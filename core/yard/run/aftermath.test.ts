import { describe, expect, test } from '@jest/globals';
import { demoWorld } from '../../../demo/art/demo-world.ts';
import type { Effect } from '../../reactions/index.ts';
import type { Vec3 } from '../../space/index.ts';
import type { Aftermath } from './aftermath.ts';
import { Run } from './run.ts';

const here: Vec3 = [24, 4, 24];
const item = 'saltmarsh:salt';

const begun = (): { after: Aftermath; run: Run } => {
  const run = new Run(demoWorld().world, { scene: 'Bare ground', seed: 5 });
  return { after: run.after, run };
};
const effect = (action: Effect['action']): Effect => ({
  tick: 1,
  place: here,
  by: 'saltmarsh:sluice_lever',
  reaction: 0,
  event: 'used',
  action,
});

describe('what reactions do beyond the blocks', () => {
  test('what is dropped lies about, what is given is collected at once, each counted', () => {
    const { after } = begun();
    after.comesOf(effect({ do: 'drop', item, count: 2 }));
    expect(after.flying.map(({ drop }) => drop)).toEqual([{ item, count: 2 }]);
    after.comesOf(effect({ do: 'give', item }));
    after.comesOf(effect({ do: 'give', item, count: 3 }));
    expect([...after.collected.values()]).toEqual([{ item, count: 4 }]);
  });

  test('what only a game has is told in words, and a sound is heard', () => {
    const { after } = begun();
    after.comesOf(effect({ do: 'take', count: 2 }));
    after.comesOf(effect({ do: 'call', creature: 'saltmarsh:crab' }));
    after.comesOf(effect({ do: 'run', function: 'saltmarsh:tide' }));
    after.comesOf(effect({ do: 'play', sound: 'saltmarsh:creak' }));
    expect(after.told()).toEqual([
      { told: 'note', text: 'saltmarsh:sluice_lever takes 2 of what is held.' },
      { told: 'note', text: 'saltmarsh:sluice_lever calls 1 of saltmarsh:crab.' },
      {
        told: 'note',
        text: 'saltmarsh:sluice_lever runs the function saltmarsh:tide, which only a game has.',
      },
      { told: 'heard', place: here, sound: 'saltmarsh:creak' },
    ]);
    expect(after.told()).toEqual([]);
  });
});

test('where too much lies about, what was thrown first is lost', () => {
  const { after } = begun();
  for (let i = 0; i < 450; i += 1) after.throwOut(here, [{ item, count: i + 1 }]);
  expect(after.flying).toHaveLength(400);
  expect(after.flying[0]?.drop.count).toBe(51);
});

test('what lies about falls to the ground, and is collected by whoever stands there', () => {
  const { after } = begun();
  after.throwOut(here, [{ item, count: 1 }]);
  for (let tick = 0; tick < 200; tick += 1) after.fall([0, 0, 0]);
  const [one] = after.flying;
  expect(one?.speed[1]).toBe(0);
  expect(after.collected.size).toBe(0);
  after.fall(one!.at);
  expect(after.flying).toEqual([]);
  expect(after.told()).toEqual([{ told: 'collected', drop: { item, count: 1 } }]);
});

test('what is gone does not burn, and no rule says how it came to be', () => {
  const { after, run } = begun();
  run.tick([{ do: 'hold', held: { item: 'saltmarsh:reed_thatch' } }, { do: 'bring' }]);
  const [key] = [...after.because.keys()];
  const place = key!.split(' ').map(Number) as [number, number, number];
  after.kindle(place);
  expect(after.fire.isBurning(place)).toBe(true);
  after.remove(place);
  expect(after.fire.places).toEqual([]);
  expect(after.because.size).toBe(0);
  after.kindle(place);
  expect(after.told()).toContainEqual({ told: 'note', text: 'It does not catch fire.' });
});
