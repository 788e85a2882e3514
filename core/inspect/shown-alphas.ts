import type { BlockContext } from './context.ts';

/** A texture that a block shows, and what alpha it holds. */
export interface ShownAlpha {
  texture: string;
  alpha: 'none' | 'holes' | 'partial';
}

/**
 * The alpha of every texture that the models of a block show; textures that are missing are left
 * out.
 */
export function shownAlphas(context: BlockContext): ShownAlpha[] {
  const textures = context.shownModels.flatMap((id) => [
    ...(context.resolvedModel(id)?.slots.values() ?? []),
  ]);
  return [...new Set(textures)].flatMap((texture) => {
    const found = texture === undefined ? undefined : context.texture(texture);
    return texture !== undefined && found ? [{ texture, alpha: found.picture.alpha }] : [];
  });
}
