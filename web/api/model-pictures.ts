import { freeName, heldUnder } from '../../core/lists/index.ts';
import { pointer } from '../../core/json/index.ts';
import { kitNamed } from '../../core/kits/index.ts';
import { idOf, lookUp, ownName, type Box, type Mod } from '../../core/mod/index.ts';
import {
  bakeUnwrapped,
  boxesOf,
  modelWithBoxes,
  placesShownBy,
  resolvedModelOf,
  textureOf,
  textureSizes,
  unwrapBoxes,
} from '../../core/models/index.ts';
import {
  decodePicture,
  encodePicture,
  frameAt,
  frameSize,
  type Pixels,
} from '../../core/textures/index.ts';
import { blobAddress } from './address.ts';
import type { Session } from './session.ts';
import { uploadPicture } from './textures.ts';

/**
 * Sends a PNG to the server and, once it has been accepted, shows it on a slot of a model: as a new
 * texture named after both, in one step. Throws with the server's reason when it is refused.
 */
export async function fillSlot(
  session: Session,
  model: string,
  slot: string,
  file: Blob,
): Promise<void> {
  const picture = await uploadPicture(file);
  const { mod } = session.view;
  const name = freeName(`${model}_${slot}`.replaceAll('/', '_'), Object.keys(mod.textures));
  const before = heldUnder(mod.models, model);
  session.edit(`Import the texture ${name}`, [
    { path: pointer(['textures', name]), after: { picture } },
    {
      path: pointer(['models', model]),
      before,
      after: { ...before, slots: { ...before.slots, [slot]: idOf(mod.header.namespace, name) } },
    },
  ]);
}

/** The pixels that a texture of the mod shows first, fetched from the server. */
async function pixelsOf(mod: Mod, id: string): Promise<Pixels | undefined> {
  const texture = textureOf(mod, id);
  if (!texture) return undefined;
  const answer = await fetch(blobAddress(texture.picture.sha256));
  if (!answer.ok) throw new Error(`The picture of ${id} could not be read.`);
  const pixels = decodePicture(new Uint8Array(await answer.arrayBuffer()));
  const { width, height } = frameSize(texture);
  const from = frameAt(texture, 0) * width * height * 4;
  return { width, height, data: pixels.data.subarray(from, from + width * height * 4) };
}

/** Pixels of every texture that a model shows, and of one more. */
async function shownPixels(mod: Mod, ids: readonly (string | undefined)[]) {
  const wanted = [...new Set(ids)].filter((id) => id !== undefined);
  const read = await Promise.all(wanted.map(async (id) => [id, await pixelsOf(mod, id)] as const));
  return new Map(read);
}

/**
 * Gives every side of a model a place of its own on one picture, and paints on it what the sides
 * show now: model and picture in one step. Where the slot shows a picture of the mod already, that
 * one is gone on with, and what is painted stays where it is. Throws when the picture would be
 * larger than the kit holds, or when one cannot be read.
 */
export async function unwrapModel(
  session: Session,
  model: string,
  slot: string,
  as: readonly Box[] | undefined,
): Promise<void> {
  const { mod } = session.view;
  const { namespace, texels } = mod.header;
  const resolved = resolvedModelOf(mod, idOf(namespace, model));
  if (!resolved) return;
  const shown = resolved.slots.get(slot);
  const own = shown === undefined ? undefined : ownName(namespace, shown);
  const sheet = own === undefined ? undefined : lookUp(mod.textures, own);
  const boxes = boxesOf(mod, model);
  const known = await shownPixels(mod, [...resolved.slots.values(), shown]);
  const after = unwrapBoxes(boxes, {
    slot,
    texels,
    most: kitNamed(mod.header.kit).limits.textureSide,
    ...(sheet && { least: frameSize(sheet) }),
    ...(shown !== undefined && { taken: placesShownBy(mod, shown, model) }),
    before: as,
  });
  const pixels = bakeUnwrapped({
    before: resolved,
    after,
    texels,
    sizeOf: textureSizes(mod),
    pixelsOf: (id) => known.get(id),
    base: shown === undefined ? undefined : known.get(shown),
  });
  const picture = await uploadPicture(encodePicture(pixels));
  const name =
    sheet && own !== undefined ? own : freeName(model, Object.keys(session.view.mod.textures));
  const declared = modelWithBoxes(session.view.mod, model, after.boxes);
  session.edit(`Give every side of ${model} a place of its own`, [
    { path: pointer(['textures', name]), before: sheet, after: { picture } },
    {
      path: pointer(['models', model]),
      before: heldUnder(session.view.mod.models, model),
      after: { ...declared, slots: { ...declared.slots, [slot]: idOf(namespace, name) } },
    },
  ]);
}
