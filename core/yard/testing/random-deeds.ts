import { seededRandom } from '../../space/index.ts';
import type { Deed } from '../run/deeds.ts';
import type { PackWorld } from '../pack-world.ts';

/**
 * So many deeds of somebody who does whatever comes to their mind, with the tick of each: they walk,
 * look, hold, place, dig, use, blast and kindle. The same seed does the same.
 */
export function randomDeeds(
  world: PackWorld,
  many: number,
  seed = 1,
): [tick: number, deed: Deed][] {
  const random = seededRandom(seed);
  const upTo = (most: number) => Math.floor(random() * most);
  const step = () => upTo(3) - 1;
  const { items } = world.view;
  const make = (): Deed => {
    switch (upTo(14)) {
      case 0:
      case 1:
        return { do: 'walk', forward: step(), right: step(), up: step(), crouches: upTo(4) === 0 };
      case 2:
      case 3:
      case 4:
        return { do: 'look', yaw: upTo(36000), pitch: upTo(12000) - 8000 };
      case 5:
      case 6:
        return { do: 'hold', held: { item: items[upTo(items.length)]!.id } };
      case 7:
        return { do: 'dig', digs: upTo(2) === 0 };
      case 8:
        return { do: 'use' };
      case 9:
        return upTo(20) === 0 ? { do: 'blast', strength: 4 } : { do: 'kindle' };
      case 10:
        return upTo(8) === 0 ? { do: 'fly', flies: upTo(2) === 0 } : { do: 'bring' };
      case 11:
        return { do: 'hour', hour: upTo(1000) };
      default:
        return { do: 'act' };
    }
  };
  let tick = 0;
  return Array.from({ length: many }, (): [number, Deed] => [(tick += upTo(2)), make()]);
}
