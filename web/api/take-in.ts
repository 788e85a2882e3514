import { endpoints } from '../../core/api/index.ts';
import type { Bringing } from '../../core/take-over/index.ts';
import { call } from './client.ts';
import { openPack } from './open-pack.ts';
import type { Session } from './session.ts';
import { uploadPicture } from './textures.ts';

/**
 * Takes blocks of the open pack into a mod: its pictures and sounds first, then all of it as one
 * edit. Rejects with a sentence, and then the mod is as it was.
 */
export async function takeIn(
  session: Session,
  { changes, pictures, sounds }: Bringing,
  label: string,
): Promise<void> {
  for (const picture of await openPack.ask('blobs', { digests: pictures }))
    await uploadPicture(picture);
  for (const bytes of await openPack.ask('blobs', { digests: sounds })) {
    const type = bytes[0] === 0x4f ? 'audio/ogg' : 'audio/wav';
    await call(endpoints.uploadSound, {}, { file: { bytes, type } });
  }
  session.edit(label, changes);
}
