import { vector, type Vec3 } from '../../space/index.ts';
import { moved, type Moving } from '../block/turn.ts';
import type { WorldNow } from './world-now.ts';

/** A region is at most so many cells wide, high and deep. */
const most = 16;

/**
 * Turns what lies between two corners a quarter clockwise, seen from above, about its corner to the
 * north-west, or mirrors it, each block's state as the section Turning a structure says.
 */
export function movedRegion(
  now: WorldNow,
  { moving, from, to }: { moving: Moving; from: Vec3; to: Vec3 },
  forget: (place: Vec3) => void,
): void {
  const low = vector((axis) => Math.min(from[axis], to[axis]));
  const size = vector((axis) => Math.min(most, Math.abs(from[axis] - to[axis]) + 1));
  const found: { place: Vec3; stands: ReturnType<WorldNow['standingAt']> }[] = [];
  for (let y = 0; y < size[1]; y += 1)
    for (let z = 0; z < size[2]; z += 1)
      for (let x = 0; x < size[0]; x += 1) {
        const place: Vec3 = [low[0] + x, low[1] + y, low[2] + z];
        // North goes to east: what was z from the north is z from the east.
        const there: Vec3 =
          moving === 'turned'
            ? [low[0] + size[2] - 1 - z, low[1] + y, low[2] + x]
            : [low[0] + size[0] - 1 - x, low[1] + y, low[2] + z];
        found.push({ place: there, stands: now.standingAt(place) });
        forget(place);
        now.put(place, undefined);
      }
  for (const { place, stands } of found) {
    forget(place);
    const block = stands && 'block' in stands ? now.pack.blocks.get(stands.block) : undefined;
    if (stands && 'block' in stands && block)
      now.put(place, { block: block.id, state: moved(block, stands.state, moving) });
    else now.put(place, stands);
  }
}
