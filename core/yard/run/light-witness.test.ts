import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { demoWorld } from '../../../demo/art/demo-world.ts';
import { idOf, resolveBlocks } from '../../mod/index.ts';
import { seededRandom } from '../../space/index.ts';
import { valueIn } from '../../states/index.ts';
import { cellAt, darkVolume, floodLight } from '../../traits/index.ts';
import { ownBlocks } from '../pack-world.ts';
import { WorldNow } from './world-now.ts';

const { mod, world } = demoWorld();
const declared = new Map(
  resolveBlocks(mod).map((block) => [idOf('saltmarsh', block.name), block.traits]),
);
const [width, height, depth] = [8, 6, 8];

test('light of blocks: what the declaration foretells, the Yard finds, whatever stands where', () => {
  const blocks = ownBlocks(world);
  fc.assert(
    fc.property(fc.nat(100_000), fc.integer({ min: 5, max: 60 }), (seed, percent) => {
      const random = seededRandom(seed);
      const volume = darkVolume(width, height, depth);
      const now = new WorldNow(world, [width, height, depth], () => 0.5);
      for (let y = 0; y < height; y += 1)
        for (let z = 0; z < depth; z += 1)
          for (let x = 0; x < width; x += 1) {
            if (random() * 100 >= percent) continue;
            const block = blocks[Math.floor(random() * blocks.length)]!;
            const state = Math.floor(random() * block.space.size);
            now.lay([x, y, z], { block: block.id, state });
            const { lightEmitted, lightAbsorbed } = declared.get(block.id)!;
            const { space } = block;
            volume.emitted[cellAt(volume, x, y, z)] = valueIn(lightEmitted, space, state) ?? 0;
            volume.absorbed[cellAt(volume, x, y, z)] = valueIn(lightAbsorbed, space, state) ?? 15;
          }
      now.light();
      floodLight(volume);
      // Both go along x, then z, then y.
      expect([...now.lighting.block]).toEqual([...volume.levels]);
    }),
    { numRuns: 60 },
  );
});
