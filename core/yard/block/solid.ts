import type { PlainBox } from '../../space/index.ts';
import type { YardBlock } from '../pack-world.ts';
import { valueIn } from './rows.ts';

const known = new WeakMap<YardBlock, boolean[]>();

/**
 * Whether a block is solid in a state, by the section Placement of the format: its collision boxes
 * leave nothing of its cell open.
 *
 * @example isSolid(fullCrate, 0, world.texels) // true
 */
export function isSolid(block: YardBlock, state: number, texels: number): boolean {
  let found = known.get(block);
  if (!found) known.set(block, (found = []));
  return (found[state] ??= fills(
    valueIn(block.collision, block.space.decode(state)) ?? [],
    texels,
  ));
}

const axes = [0, 1, 2] as const;
/** A box may be that much off without leaving a gap. */
const tiny = 1e-6;

/** Whether boxes together leave nothing of a cell open that is so many texels wide. */
function fills(boxes: readonly PlainBox[], texels: number): boolean {
  const [xs, ys, zs] = axes.map((axis) => middlesAlong(boxes, axis, texels)) as [
    number[],
    number[],
    number[],
  ];
  return xs.every((x) =>
    ys.every((y) => zs.every((z) => boxes.some((box) => isWithin(box, [x, y, z])))),
  );
}

/** A point between each two cuts that the walls of boxes make through a cell. */
function middlesAlong(boxes: readonly PlainBox[], axis: 0 | 1 | 2, texels: number): number[] {
  const walls = boxes.flatMap(({ at, size }) => [at[axis], at[axis] + size[axis]]);
  const cuts = [0, texels, ...walls.filter((cut) => cut > 0 && cut < texels)].sort((a, b) => a - b);
  return cuts.slice(1).flatMap((to, i) => {
    const from = cuts[i] ?? to;
    return to - from > tiny ? [(from + to) / 2] : [];
  });
}

const isWithin = ({ at, size }: PlainBox, point: readonly [number, number, number]): boolean =>
  axes.every((axis) => at[axis] <= point[axis] && point[axis] <= at[axis] + size[axis]);
