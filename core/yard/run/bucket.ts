import type { Vec3 } from '../../space/index.ts';
import { catalogueOf } from '../items.ts';
import type { YardItem } from '../pack-world.ts';
import type { Held } from './deeds.ts';
import type { WorldNow } from './world-now.ts';

/** The buckets that come of an item when it is filled. */
export const bucketsOf = ({ pack }: WorldNow, held: Held | undefined): readonly YardItem[] =>
  held ? catalogueOf(pack).filter(({ bucket }) => bucket?.empty === held.item) : [];

/** The bucket that comes of what is held on what stands in a cell: a source, or the block. */
export function filledAt(
  now: WorldNow,
  place: Vec3,
  buckets: readonly YardItem[],
): YardItem | undefined {
  const stands = now.standingAt(place);
  if (!stands) return undefined;
  const of = 'block' in stands ? stands.block : isSource(now, place) && stands.fluid;
  return buckets.find(({ bucket }) => bucket?.of === of);
}

/** Whether a source of a fluid stands in a cell: what runs is not taken up. */
export function isSource(now: WorldNow, place: Vec3): boolean {
  const meant = now.cells.isInside(place) && now.numbers.meant(now.cells.at(place));
  return meant !== false && meant?.kind === 'fluid' && meant.level === 0;
}
