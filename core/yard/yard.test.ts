import { beforeAll, describe, expect, test } from '@jest/globals';
import { flattened } from '../families/index.ts';
import { readModFolder } from '../folder/index.ts';
import { writeBlockPack } from '../kits/block-pack/write/index.ts';
import { readPack } from '../kits/block-pack/read/index.ts';
import { worldFrom } from '../kits/block-pack/load/index.ts';
import { readFiles } from '../../demo/art/read-files.ts';
import { pouredIn, sceneNamed } from '../fluids/index.ts';
import type { Vec3 } from '../space/index.ts';
import { Yard, type PackWorld } from './index.ts';

let pack: PackWorld;
beforeAll(() => {
  const { mod, blobs } = readModFolder(readFiles('demo/saltmarsh'));
  const files = writeBlockPack(flattened(mod), (sha256) => blobs.get(sha256)!);
  // A server needs the rules alone.
  const rules = [...files].filter(([path]) => !path.startsWith('view/') && !path.endsWith('.ts'));
  pack = worldFrom(readPack(new Map(rules)));
});

const brine = 'saltmarsh:brine';
const stateOf = (yard: Yard, place: Vec3, property: string) => {
  const stands = yard.at(place);
  return stands && 'block' in stands
    ? pack.blocks.get(stands.block)?.space.decode(stands.state)[property]
    : undefined;
};
const placed = (yard: Yard, place: Vec3, block: string, state: Record<string, unknown> = {}) =>
  yard.put(place, {
    block,
    state: pack.blocks.get(block)?.space.encode(state as Record<string, string>) ?? 0,
  });
const run = (yard: Yard, ticks: number) => {
  for (let tick = 0; tick < ticks; tick += 1) yard.tick();
};
/** A floor of thatch under open air. */
function floor(size: Vec3): Yard {
  const yard = new Yard(size, pack, { random: () => 0 });
  for (let x = 0; x < size[0]; x += 1)
    for (let z = 0; z < size[2]; z += 1) placed(yard, [x, 0, z], 'saltmarsh:reed_thatch');
  return yard;
}

describe('a world from the files of the demo alone', () => {
  test('brine runs as it does in its scene, and leaves its crust where it dries', () => {
    const physics = pack.fluids.get(brine)!;
    const { spread, source } = pouredIn(physics, sceneNamed('flat')!);
    spread.run(100);
    const yard = floor([spread.world.size[0], 3, spread.world.size[2]]);
    const [x, , z] = source;
    yard.put([x, 1, z], { fluid: brine });
    run(yard, 100);
    for (let dx = -6; dx <= 6; dx += 1) {
      const cell = spread.world.at([x + dx, source[1], z]);
      expect(yard.levelAt([x + dx, 1, z])).toEqual(cell.kind === 'fluid' ? cell.level : undefined);
    }
    yard.put([x, 1, z], undefined);
    run(yard, 200);
    expect(yard.at([x + 3, 1, z])).toMatchObject({ block: 'saltmarsh:salt_crust' });
    expect(yard.levelAt([x + 5, 1, z])).toBeUndefined();
  });

  test('a lever opens the gate, a button does so for a while', () => {
    const yard = floor([5, 3, 3]);
    placed(yard, [2, 1, 1], 'saltmarsh:sluice_gate');
    placed(yard, [1, 1, 1], 'saltmarsh:sluice_lever');
    placed(yard, [3, 1, 1], 'saltmarsh:oyster_brick_button');
    run(yard, 2);
    yard.happen([1, 1, 1], { event: 'used', by: 'players' });
    run(yard, 2);
    expect(stateOf(yard, [2, 1, 1], 'open')).toBe(true);
    yard.happen([1, 1, 1], { event: 'used', by: 'players' });
    run(yard, 2);
    expect(stateOf(yard, [2, 1, 1], 'open')).toBe(false);
    yard.happen([3, 1, 1], { event: 'used', by: 'players' });
    run(yard, 2);
    expect(stateOf(yard, [2, 1, 1], 'open')).toBe(true);
    run(yard, 25);
    expect(stateOf(yard, [2, 1, 1], 'open')).toBe(false);
    expect(stateOf(yard, [3, 1, 1], 'pressed')).toBe(false);
  });

  test('a lantern that burns is put out when brine comes beside it, and brine runs round it', () => {
    const yard = floor([9, 3, 3]);
    placed(yard, [4, 1, 1], 'saltmarsh:tide_lantern', { lit: true });
    yard.put([1, 1, 1], { fluid: brine });
    run(yard, 12);
    expect(stateOf(yard, [4, 1, 1], 'lit')).toBe(true);
    run(yard, 30);
    expect(stateOf(yard, [4, 1, 1], 'lit')).toBe(false);
    expect(yard.levelAt([4, 1, 0])).toBeGreaterThan(0);
  });

  test('samphire that was sown grows up in the light, and not in the dark', () => {
    for (const [light, name] of [
      [12, 'saltmarsh:samphire'],
      [3, 'saltmarsh:samphire_sprout'],
    ] as const) {
      const yard = new Yard([1, 3, 1], pack, { random: () => 0, lightAt: () => light });
      placed(yard, [0, 0, 0], 'saltmarsh:reed_thatch');
      placed(yard, [0, 1, 0], 'saltmarsh:samphire_sprout');
      run(yard, 6);
      expect(yard.at([0, 1, 0])).toMatchObject({ block: name });
    }
  });

  test('what a door does beyond the rim of the world stops nothing', () => {
    const yard = floor([1, 2, 1]);
    run(yard, 1);
    placed(yard, [0, 1, 0], 'saltmarsh:driftwood_door');
    yard.happen([0, 1, 0], { event: 'placed', by: 'players' });
    run(yard, 3);
    expect(stateOf(yard, [0, 1, 0], 'half')).toBe('lower');
  });

  test('a door puts its upper half, opens as one, and goes as one', () => {
    const yard = floor([3, 4, 3]);
    const [lower, upper]: Vec3[] = [
      [1, 1, 1],
      [1, 2, 1],
    ];
    run(yard, 1);
    placed(yard, lower!, 'saltmarsh:driftwood_door', { heading: 'east' });
    yard.happen(lower!, { event: 'placed', by: 'players' });
    run(yard, 2);
    expect([stateOf(yard, upper!, 'half'), stateOf(yard, upper!, 'heading')]).toEqual([
      'upper',
      'east',
    ]);
    yard.happen(upper!, { event: 'used', by: 'players' });
    run(yard, 3);
    expect([stateOf(yard, lower!, 'open'), stateOf(yard, upper!, 'open')]).toEqual([true, true]);
    yard.put(lower!, undefined);
    run(yard, 2);
    expect(yard.at(upper!)).toBeUndefined();
  });
});
