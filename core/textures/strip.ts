import type { Texture } from '../mod/entries.schema.ts';

/** Width and height of one frame of a texture: the whole picture when it has no strip. */
export function frameSize({ picture, strip }: Texture): { width: number; height: number } {
  return { width: picture.width, height: strip ? strip.frameHeight ?? picture.width : picture.height };
}

/** How many frames a texture has, whole or not. */
export const frameCount = (texture: Texture): number => texture.picture.height / frameSize(texture).height;
