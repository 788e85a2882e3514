import type { BlockContext } from './context.ts';

/** The textures on the sides that a block shows, each once. */
export const shownTextures = (context: BlockContext): string[] => texturesOn(context, () => true);

/** The textures on those sides of a block that its tint colours, each once. */
export const tintedTextures = (context: BlockContext): string[] =>
  texturesOn(context, ({ untinted }) => !untinted);

function texturesOn(
  context: BlockContext,
  counts: (side: { untinted?: boolean }) => boolean,
): string[] {
  const found = context.shownModels.flatMap((id) =>
    (context.resolvedModel(id)?.boxes ?? []).flatMap(({ sides }) =>
      Object.values(sides).flatMap((side) => (counts(side) ? (side.texture ?? []) : [])),
    ),
  );
  return [...new Set(found)];
}
