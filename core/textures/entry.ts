import { digestOf } from '../bytes/index.ts';
import type { Picture } from '../mod/entries.schema.ts';
import { pictureFacts } from './facts-of.ts';
import { decodePicture } from './png.ts';

/**
 * What a mod says of a picture that comes in. Throws a {@link PictureProblem} when it cannot be
 * read.
 */
export const pictureEntry = (bytes: Uint8Array): Picture => ({
  sha256: digestOf(bytes),
  bytes: bytes.length,
  ...pictureFacts(decodePicture(bytes)),
});
