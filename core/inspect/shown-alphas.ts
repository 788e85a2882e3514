import type { BlockContext } from './context.ts';

/** A texture that a block shows, and what alpha it holds. */
export interface ShownAlpha {
  texture: string;
  alpha: 'none' | 'holes' | 'partial';
}

/** Whether a texture that a block shows is missing, so that nothing can be said of all of them. */
export const showsMissing = (context: BlockContext): boolean =>
  texturesShown(context).some((texture) => texture === undefined || !context.texture(texture));

const texturesShown = (context: BlockContext): (string | undefined)[] =>
  context.shownModels.flatMap((id) => {
    const model = context.resolvedModel(id);
    return model ? [...model.slots.values()] : [undefined];
  });

/**
 * The alpha of every texture that the models of a block show; textures that are missing are left
 * out.
 */
export function shownAlphas(context: BlockContext): ShownAlpha[] {
  return [...new Set(texturesShown(context))].flatMap((texture) => {
    const found = texture === undefined ? undefined : context.texture(texture);
    return texture !== undefined && found ? [{ texture, alpha: found.picture.alpha }] : [];
  });
}
