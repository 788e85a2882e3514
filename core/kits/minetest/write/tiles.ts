import { itemAt } from '../../../lists/index.ts';
import type { Mod, Texture } from '../../../mod/index.ts';
import { lookUp, ownName } from '../../../mod/index.ts';
import { decodePicture, encodePicture, frameCount, frameSize } from '../../../textures/index.ts';
import { tintColour } from '../../../textures/index.ts';
import type { BlobOf } from '../../kit.ts';
import type { BodyFace } from '../states/body.ts';
import type { LuaValue } from './lua.ts';
import { fileName } from './names.ts';

/** The picture of what leads nowhere, as a file beside the mod's own. */
export const missingPicture = (namespace: string): string =>
  `${fileName(namespace, 'missing')}.png`;

const textureNamed = (mod: Mod, id: string | undefined): [string, Texture] | undefined => {
  const name = id === undefined ? undefined : ownName(mod.header.namespace, id);
  const texture = name === undefined ? undefined : lookUp(mod.textures, name);
  return name !== undefined && texture ? [name, texture] : undefined;
};

/** The file that shows a texture: the one of what is missing for an id that leads nowhere. */
export function fileOfTexture(mod: Mod, id: string | undefined): string {
  const known = textureNamed(mod, id);
  return known
    ? `${fileName(mod.header.namespace, known[0])}.png`
    : missingPicture(mod.header.namespace);
}

/** What faces show, as the engine's tile: a file, with its frames and its colour. */
export function tileOf(
  mod: Mod,
  tint: string,
  { texture: id, tinted }: Pick<BodyFace, 'texture' | 'tinted'>,
): LuaValue {
  const name = fileOfTexture(mod, id);
  const texture = textureNamed(mod, id)?.[1];
  const animation = texture && framesOf(mod, texture);
  if (!animation && !tinted) return name;
  return { name, ...(tinted && { color: colourOf(tint) }), ...(animation && { animation }) };
}

/** A tint as the engine's colour. */
function colourOf(tint: string): string {
  const parts = tintColour(tint);
  return `#${parts
    .map((part) =>
      Math.round(part * 255)
        .toString(16)
        .padStart(2, '0'),
    )
    .join('')}`;
}

const isMoving = (texture: Texture): boolean =>
  !!texture.strip && Math.floor(frameCount(texture)) > 1;

function framesOf({ header }: Mod, texture: Texture): LuaValue {
  const { strip } = texture;
  if (!strip || !isMoving(texture)) return undefined;
  const { width, height } = frameSize(texture);
  return {
    type: 'vertical_frames',
    aspect_w: width,
    aspect_h: height,
    length: (shownFrames(texture).length * strip.ticks) / header.tickRate,
  };
}

/** The frames of a strip in the order in which they show. The engine knows no other. */
function shownFrames(texture: Texture): number[] {
  const frames = Math.floor(frameCount(texture));
  const { order } = texture.strip ?? {};
  return order?.length
    ? order.map((frame) => (frame >= 0 && frame < frames ? frame : 0))
    : Array.from({ length: frames }, (_, frame) => frame);
}

/** The PNG of a texture for the engine: a strip with its frames laid in the order they show. */
export function pictureFor(texture: Texture, blobOf: BlobOf): Uint8Array {
  const bytes = blobOf(texture.picture.sha256);
  const order = isMoving(texture) ? shownFrames(texture) : [];
  if (!order.length || !texture.strip?.order?.length) return bytes;
  const { width, height } = frameSize(texture);
  const { data } = decodePicture(bytes);
  const size = width * height * 4;
  const laid = new Uint8Array(size * order.length);
  order.forEach((_, i) => {
    const from = itemAt(order, i) * size;
    laid.set(data.subarray(from, from + size), i * size);
  });
  return encodePicture({ width, height: height * order.length, data: laid });
}
