import { lookUp } from '../../core/mod/index.ts';
import { pointer } from '../../core/json/index.ts';
import type { Picture } from '../../core/mod/index.ts';
import { ask } from './client.ts';
import type { Session } from './session.ts';

/**
 * Sends a PNG to the server and, once it has been accepted, makes it the picture of a texture.
 * Throws with the server's reason when it is refused.
 */
export async function uploadTexture(session: Session, name: string, file: Blob): Promise<void> {
  const answer = await ask('/api/pictures', {
    method: 'POST',
    body: file,
    headers: { 'Content-Type': 'image/png' },
  });
  const picture = (await answer.json()) as Picture;
  const before = lookUp(session.view.mod.textures, name);
  session.edit(before ? `Replace the texture ${name}` : `Import the texture ${name}`, [
    { path: pointer(['textures', name]), before, after: { ...before, picture } },
  ]);
}
