import type { Mod, Texture } from '../../../mod/index.ts';
import { lookUp, ownName } from '../../../mod/index.ts';
import { stripOf } from '../../../textures/frames/index.ts';
import {
  decodePicture,
  encodePicture,
  frameCount,
  frameSize,
  shownAt,
  stepsOf,
} from '../../../textures/index.ts';
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
  const laid = laidFrames(texture);
  if (!laid) return undefined;
  const { width, height } = frameSize(texture);
  return {
    type: 'vertical_frames',
    aspect_w: width,
    aspect_h: height,
    length: laid.ticks / header.tickRate,
  };
}

/** A strip for the engine is at most so high: every machine can hold it. */
const mostTexels = 4096;

/**
 * How a strip is laid out for the engine, which shows every frame of a picture for the same time
 * and lets none go over into the next: the longest time that all steps are whole times of; of one
 * that goes over, a frame each tick. Undefined for a still picture.
 */
function laidFrames(texture: Texture): { many: number; ticks: number } | undefined {
  if (!isMoving(texture)) return undefined;
  const steps = stepsOf(texture);
  const ticks = steps.reduce((sum, step) => sum + step.ticks, 0);
  const each = texture.strip?.blend ? 1 : steps.map((step) => step.ticks).reduce(sharedTime);
  const most = Math.max(1, Math.floor(mostTexels / frameSize(texture).height));
  return { many: Math.max(1, Math.min(most, Math.round(ticks / each))), ticks };
}

/** The longest time that two times are whole times of (Euclid); a tick where there is none. */
function sharedTime(a: number, b: number): number {
  const rest = a % b;
  if (rest === 0) return b;
  return Number.isInteger(a) && Number.isInteger(b) ? sharedTime(b, rest) : 1;
}

/** The PNG of a texture for the engine: a strip with its frames laid in the order they show. */
export function pictureFor(texture: Texture, blobOf: BlobOf): Uint8Array {
  const bytes = blobOf(texture.picture.sha256);
  const laid = laidFrames(texture);
  if (!laid || (!texture.strip?.order?.length && !texture.strip?.blend)) return bytes;
  const pixels = decodePicture(bytes);
  const frames = Array.from({ length: laid.many }, (_, i) =>
    shownAt(texture, pixels, (i * laid.ticks) / laid.many),
  );
  return encodePicture(stripOf(frames));
}
