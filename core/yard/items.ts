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

const stockGroup = 'obrank:stock';
const toolGroup = 'obrank:tools';

/** An item of the catalogue by its id. */
export const itemIn = (world: PackWorld, id: string | undefined): YardItem | undefined =>
  id === undefined ? undefined : catalogueOf(world).find((item) => item.id === id);

/** What an item is called, and its group. */
export function itemTitle(world: PackWorld, { id, tool }: YardItem): string {
  const name = id.slice(id.indexOf(':') + 1);
  if (id.startsWith('obrank:tool/') && tool)
    return `${world.tools.grades[tool.grade]?.name ?? tool.grade} ${tool.kind}`;
  const kind = world.blocks.has(id) ? 'block' : 'item';
  return world.text(`${kind}.${name}`) ?? inWords(name);
}
export function groupTitle(world: PackWorld, group: string | undefined): string {
  if (group === undefined) return 'Elsewhere';
  if (group === stockGroup) return 'Stock materials';
  if (group === toolGroup) return 'Tools of the ladder';
  const name = group.slice(group.indexOf(':') + 1);
  return world.text(`group.${name}`) ?? inWords(name);
}

/** A name as words that begin with a capital. */
export function inWords(name: string): string {
  const words = name.replaceAll('_', ' ');
  return words.charAt(0).toUpperCase() + words.slice(1);
}
