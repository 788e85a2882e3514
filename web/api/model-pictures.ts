import { freeName, heldUnder } from '../../core/lists/index.ts';
import { pointer } from '../../core/json/index.ts';
import { tightestKit } from '../../core/kits/index.ts';
import { idOf, type Box, type Mod } from '../../core/mod/index.ts';
import { resolvedModelOf, textureOf, unwrapModel } from '../../core/models/index.ts';
import { decodePicture, encodePicture, shownAt, type Pixels } from '../../core/textures/index.ts';
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
  return shownAt(texture, decodePicture(new Uint8Array(await answer.arrayBuffer())), 0);
}

/** Pixels of textures, by id. */
async function shownPixels(mod: Mod, ids: readonly (string | undefined)[]) {
  const wanted = [...new Set(ids)].filter((id) => id !== undefined);
  const read = await Promise.all(wanted.map(async (id) => [id, await pixelsOf(mod, id)] as const));
  return new Map(read);
}

/**
 * Unwraps a model, paints what it shows, keeps the picture and puts both into the mod in one step:
 * see `unwrapModel` of core. Throws with a sentence when that cannot be done.
 */
export async function unwrapOnDesk(
  session: Session,
  model: string,
  before: readonly Box[],
): Promise<void> {
  const { mod } = session.view;
  const { namespace } = mod.header;
  const known = await shownPixels(mod, [
    ...(resolvedModelOf(mod, idOf(namespace, model))?.slots.values() ?? []),
  ]);
  const { pixels, changes } = unwrapModel(mod, model, {
    most: tightestKit(mod, (kit) => kit.limits.textureSide).limits.textureSide,
    pixelsOf: (id) => known.get(id),
    before,
  });
  const picture = await uploadPicture(encodePicture(pixels));
  // Another edit may have come while the picture was sent: nothing of it is overwritten.
  if (session.view.mod.models[model] !== mod.models[model])
    throw new Error('The model was changed meanwhile. Unwrap it again.');
  session.edit(`Give every side of ${model} a place of its own`, changes(picture));
}
