import { stockGroup, toolGroup } from './names.ts';
import type { PackWorld, YardItem } from './pack-world.ts';

const known = new WeakMap<PackWorld, readonly YardItem[]>();

/**
 * Everything that somebody may hold in the Yard: the items of the pack in the order of its
 * catalogue, the stock materials, and a tool of each kind and grade of the ladder, whether the pack
 * has an item of it or not.
 *
 * @example catalogueOf(world).find(({ id }) => id === 'obrank:tool/sickle/1')?.tool // sickle, grade 1
 */
export function catalogueOf(world: PackWorld): readonly YardItem[] {
  const found = known.get(world) ?? [
    ...world.view.items,
    ...[...world.stock].map((id): YardItem => ({
      id,
      block: id,
      form: 'block',
      group: stockGroup,
    })),
    ...world.tools.kinds.flatMap((kind) =>
      world.tools.grades.map((_, grade): YardItem => ({
        id: `obrank:tool/${kind}/${grade}`,
        form: 'flat',
        group: toolGroup,
        tool: { kind, grade },
      })),
    ),
  ];
  known.set(world, found);
  return found;
}

/** An item of the catalogue by its id. */
export const itemIn = (world: PackWorld, id: string | undefined): YardItem | undefined =>
  id === undefined ? undefined : catalogueOf(world).find((item) => item.id === id);
