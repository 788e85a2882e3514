import { digestOf, type Files } from '../bytes/index.ts';
import { HeaderSchema, type Header } from '../mod/index.ts';

/** Where in a mod folder the files lie that a build only carries along. */
export const keptFolder = 'kept/';

/** Where in a mod folder the picture of the mod lies. */
export const pictureFile = 'picture.png';

/** The files that a build carries along, by their paths in a pack; undefined where there are none. */
export function keptIn(files: Files): Header['kept'] {
  const kept = [...files].flatMap(([file, bytes]) => {
    const path = file.startsWith(keptFolder) ? file.slice(keptFolder.length) : '';
    return path ? [[path, { sha256: digestOf(bytes), bytes: bytes.length }] as const] : [];
  });
  return kept.length ? Object.fromEntries(kept) : undefined;
}

/** Why the files in `kept/` cannot be carried along, in a sentence; undefined when they can. */
export const keptProblem = (kept: Header['kept']): string | undefined =>
  HeaderSchema.shape.kept.safeParse(kept).error?.issues[0]?.message;
