import type { PackWorld, YardBlock } from './pack-world.ts';

/** What of how things look does not resolve. */
export interface LookFlaw {
  text: string;
  /** The name of the block that shows it, without its namespace. */
  block?: string;
}

/**
 * What is drawn as the marker because it does not resolve, each once for the first block that shows
 * it.
 *
 * @example flawsOf(world)[0]?.text
 * // 'The picture saltmarsh:gate/bords of the model saltmarsh:gate/shut is not there: it is a marker.'
 */
export function flawsOf(world: PackWorld): LookFlaw[] {
  const found = new Map<string, LookFlaw>();
  for (const block of world.blocks.values())
    for (const text of inBlock(block, world))
      if (!found.has(text)) found.set(text, { text, block: nameOf(block) });
  const others = [...ofFluids(world), ...ofPictures(world)];
  return [...found.values(), ...others.map((text) => ({ text }))];
}

/** Fluids of which the pack says how they run, and not how they look. */
const ofFluids = ({ fluids, view }: PackWorld): string[] =>
  [...fluids.keys()].flatMap((id) =>
    view.fluidLooks.has(id) ? [] : [`The pack has no look of the fluid ${id}: it is a marker.`],
  );

/** Pictures that items and fluids name, and that are not there; those of others nobody can judge. */
function ofPictures({ namespace, view }: PackWorld): string[] {
  const named = [
    ...view.items.map(({ id, texture }) => ({ who: `the item ${id}`, picture: texture })),
    ...[...view.fluidLooks].flatMap(([id, { still, flowing }]) =>
      [still, flowing].map((picture) => ({ who: `the fluid ${id}`, picture })),
    ),
  ];
  return named.flatMap(({ who, picture }) => {
    const isOwn = picture?.startsWith(`${namespace}:`) === true;
    return picture !== undefined && isOwn && !view.pictureOf(picture)
      ? [`The picture ${picture} of ${who} is not there: it is a marker.`]
      : [];
  });
}

const nameOf = ({ id }: YardBlock): string => id.slice(id.indexOf(':') + 1);

function inBlock({ id, look }: YardBlock, { flawsOfModel }: PackWorld): string[] {
  if (!look) return [`The pack has no look of ${id}: it is a marker.`];
  const models = new Set(look.rows.flatMap(({ use }) => use.map(({ model }) => model)));
  return [...models].flatMap(flawsOfModel);
}
