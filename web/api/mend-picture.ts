import type { PictureMend } from '../../core/inspect/index.ts';
import { pointer } from '../../core/json/index.ts';
import { lookUp, type Texture } from '../../core/mod/index.ts';
import { encodePicture } from '../../core/textures/index.ts';
import { mendedStrip } from '../../core/textures/mending/index.ts';
import { keepPixels, readPixels } from './known-pixels.ts';
import { pictureWork } from './picture-work.ts';
import type { Session } from './session.ts';
import { uploadPicture } from './textures.ts';

/**
 * Puts a picture of the mod right, in one step. Throws with a sentence where it is gone, or was
 * changed meanwhile.
 */
export async function mendPictureOf(
  session: Session,
  { title, texture: name, mending }: PictureMend,
): Promise<void> {
  const before = lookUp(session.view.mod.textures, name);
  if (!before) throw new Error('The texture is there no more.');
  const pixels = await readPixels(before.picture.sha256);
  const mended = await pictureWork('mend', { pixels, mending });
  const picture = await uploadPicture(encodePicture(mended));
  if (lookUp(session.view.mod.textures, name) !== before)
    throw new Error('The texture was changed meanwhile. Mend it again.');
  keepPixels(picture.sha256, mended);
  const strip = before.strip && mendedStrip(before.strip, mending);
  const after: Texture = { ...before, picture, ...(strip && { strip }) };
  session.edit(`${title}: ${name}`, [
    {
      path: pointer(['textures', name]),
      before,
      after,
    },
  ]);
}
