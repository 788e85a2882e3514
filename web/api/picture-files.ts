import type { Strip } from '../../core/mod/index.ts';
import { stripOfMoving } from '../../core/textures/frames/index.ts';
import { encodePicture, type Pixels } from '../../core/textures/index.ts';
import { messageOf } from '../../core/words/index.ts';
import { pictureWork, type Around } from './picture-work.ts';

/** The kinds of picture files that are read. */
export const pictureKinds = 'image/png,image/apng,image/gif,image/webp';

/** Whether a file is to come in as a picture. */
export const isPictureFile = ({ name, type }: File): boolean =>
  pictureKinds.split(',').includes(type) || /\.(png|apng|gif|webp)$/i.test(name);

/** A picture file that came in: as a PNG and, where it moves, with its timing. */
export interface PictureIn {
  /** The file itself where it is a PNG that does not move. */
  png: Blob | Uint8Array;
  pixels: Pixels;
  strip?: Strip;
}

/** A picture file that came in, or why it is none. */
export type CameIn = (PictureIn & { problem?: undefined }) | { problem: string; png?: undefined };

/** Reads picture files beside the page, at so many ticks a second. */
export async function readPictures(
  files: readonly File[],
  tickRate: number,
  around?: Around,
): Promise<CameIn[]> {
  const read = await pictureWork('read', { files }, around);
  return read.map((one, i): CameIn => {
    if (one.problem !== undefined) return one;
    try {
      const { pixels, strip } = stripOfMoving(one.moving, tickRate);
      const file = files[i];
      return { png: one.isStillPng && file ? file : encodePicture(pixels), pixels, strip };
    } catch (error) {
      return { problem: messageOf(error) };
    }
  });
}

/** Reads one picture file. Throws with a sentence where it is none. */
export async function readPicture(file: File, tickRate: number): Promise<PictureIn> {
  const [one] = await readPictures([file], tickRate);
  if (!one || one.problem !== undefined)
    throw new Error(one?.problem ?? 'The picture could not be read.');
  return one;
}
