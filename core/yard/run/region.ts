import { vector, type Vec3 } from '../../space/index.ts';
import { moved, type Moving } from '../block/turn.ts';
import type { YardBlock } from '../pack-world.ts';
import type { WorldNow } from './world-now.ts';

/** A region is at most so many cells wide, high and deep. */
export const mostOfRegion = 16;

/** Two corners of a region, both within it. */
export interface Region {
  from: Vec3;
  to: Vec3;
}

/** A state that stands in a region, in how many cells, and what moving the region makes of it. */
export interface StateThere {
  block: YardBlock;
  state: number;
  cells: number;
  turned: number;
  mirrored: number;
}

const spanOf = ({ from, to }: Region): { low: Vec3; size: Vec3 } => ({
  low: vector((axis) => Math.min(from[axis], to[axis])),
  size: vector((axis) => Math.min(mostOfRegion, Math.abs(from[axis] - to[axis]) + 1)),
});

function* cellsOf({ low, size }: { low: Vec3; size: Vec3 }): Generator<Vec3> {
  for (let y = 0; y < size[1]; y += 1)
    for (let z = 0; z < size[2]; z += 1)
      for (let x = 0; x < size[0]; x += 1) yield [low[0] + x, low[1] + y, low[2] + z];
}

/** Where a region lies when it was turned about its corner to the north-west, or mirrored. */
export function regionAfter(region: Region, moving: Moving): Region {
  const { low, size } = spanOf(region);
  const [w, h, d] = moving === 'turned' ? [size[2], size[1], size[0]] : size;
  return { from: low, to: [low[0] + w - 1, low[1] + h - 1, low[2] + d - 1] };
}

/**
 * The states that stand in a region, each once, beside what a quarter turn and a mirror make of
 * them, by the section Turning a structure.
 */
export function statesIn(now: WorldNow, region: Region): StateThere[] {
  const found = new Map<string, StateThere>();
  for (const place of cellsOf(spanOf(region))) {
    const at = now.blockAt(place);
    if (!at) continue;
    const { block, state } = at;
    const key = `${block.id} ${state}`;
    const known = found.get(key);
    if (known) known.cells += 1;
    else
      found.set(key, {
        ...at,
        cells: 1,
        turned: moved(block, state, 'turned'),
        mirrored: moved(block, state, 'mirrored'),
      });
  }
  return [...found.values()];
}

/**
 * Turns what lies between two corners a quarter clockwise, seen from above, about its corner to the
 * north-west, or mirrors it, each block's state as the section Turning a structure says.
 */
export function movedRegion(
  now: WorldNow,
  { moving, ...region }: { moving: Moving } & Region,
  forget: (place: Vec3) => void,
): void {
  const { low, size } = spanOf(region);
  const found: { place: Vec3; stands: ReturnType<WorldNow['standingAt']> }[] = [];
  for (const place of cellsOf({ low, size })) {
    const [x, y, z] = vector((axis) => place[axis] - low[axis]);
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
