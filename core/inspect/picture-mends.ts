import type { PictureMend } from './finding.ts';

/** The frames of a texture brought to another size, texel by texel. */
export const resizing = (
  texture: string,
  frameHeight: number,
  width: number,
  height: number,
): PictureMend => ({
  title: `Make it ${width} × ${height}`,
  texture,
  mending: { way: 'resize', frameHeight, width, height },
});
