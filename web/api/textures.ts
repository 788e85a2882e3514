import { lookUp, nameFrom } from '../../core/mod/index.ts';
import { pointer } from '../../core/json/index.ts';
import { endpoints } from '../../core/api/index.ts';
import { call } from './client.ts';
import type { Session } from './session.ts';

/**
 * Sends a PNG to the server and, once it has been accepted, makes it the picture of a texture.
 * Throws with the server's reason when it is refused.
 */
export async function uploadTexture(session: Session, name: string, file: Blob): Promise<void> {
  const picture = await call(
    endpoints.uploadPicture,
    {},
    { file: { bytes: file, type: 'image/png' } },
  );
  const before = lookUp(session.view.mod.textures, name);
  session.edit(before ? `Replace the texture ${name}` : `Import the texture ${name}`, [
    { path: pointer(['textures', name]), before, after: { ...before, picture } },
  ]);
}

/** A name for a texture from a file's name. */
export const textureNameOf = (file: string): string =>
  nameFrom(file.replace(/\.png$/i, '')) || 'texture';
