import { freeName, itemAt } from '../../core/lists/index.ts';
import { rolePicture, type PictureRole } from '../../core/forms/index.ts';
import { encodePicture } from '../../core/textures/index.ts';
import { replacedPicture, showTexture, type SlotUse } from '../../core/models/index.ts';
import { idOf, lookUp, stockNamed, type Mod, type Picture } from '../../core/mod/index.ts';
import { pointer } from '../../core/json/index.ts';
import { endpoints } from '../../core/api/index.ts';
import { call } from './client.ts';
import { readPicture } from './picture-files.ts';
import type { Session } from './session.ts';

/** Sends a PNG to the server, which keeps it and says what it is. */
export const uploadPicture = (bytes: Blob | Uint8Array): Promise<Picture> =>
  call(endpoints.uploadPicture, {}, { file: { bytes, type: 'image/png' } });

/**
 * Sends a picture file to the server and, once it has been accepted, makes it the picture of a
 * texture: a strip where it moves. Throws with a reason when it is refused.
 */
export async function uploadTexture(session: Session, name: string, file: File): Promise<void> {
  const { png, strip } = await readPicture(file, session.view.mod.header.tickRate);
  const picture = await uploadPicture(png);
  const before = lookUp(session.view.mod.textures, name);
  session.edit(before ? `Replace the texture ${name}` : `Import the texture ${name}`, [
    {
      path: pointer(['textures', name]),
      before,
      after: replacedPicture(before, { picture, strip }),
    },
  ]);
}

/**
 * Sends a picture file to the server and, once it has been accepted, shows it on slots of a block that have
 * no texture: as a new texture named after the block, all in one step. Throws with the server's
 * reason when it is refused.
 */
export async function fillWithPicture(
  session: Session,
  block: string,
  uses: readonly SlotUse[],
  file: File,
): Promise<void> {
  const { png, strip } = await readPicture(file, session.view.mod.header.tickRate);
  const picture = await uploadPicture(png);
  const { mod } = session.view;
  const taken = Object.keys(mod.textures);
  const own = taken.includes(block) ? `${block}_${itemAt(uses, 0).slot}` : block;
  const name = freeName(own, taken);
  session.edit(`Import the texture ${name}`, [
    { path: pointer(['textures', name]), after: { picture, strip } },
    ...showTexture(mod, block, uses, idOf(mod.header.namespace, name)),
  ]);
}

/**
 * Plain pictures of a material for roles of a form, others for every name of a block, sent to the
 * server.
 */
export async function paintRoles(
  mod: Mod,
  roles: readonly PictureRole[],
  stock: string,
  name: string,
): Promise<Partial<Record<PictureRole, Picture>>> {
  const seed = [...name].reduce((sum, letter) => (sum * 31 + letter.charCodeAt(0)) % 65_521, 7);
  const colour = stockNamed(stock)?.traits.mapColour ?? '#8d8d86';
  const painted = roles.map(async (role, i) => {
    const pixels = rolePicture(role, colour, mod.header.texels, seed + i);
    return [role, await uploadPicture(encodePicture(pixels))] as const;
  });
  return Object.fromEntries(await Promise.all(painted));
}
