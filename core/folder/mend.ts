import type { Files } from '../bytes/index.ts';
import { declaredChanges } from '../families/index.ts';
import { changedMod, mendDocuments, type FilesChange } from '../mend/index.ts';
import { currentEdition, type Change } from '../mod/index.ts';
import { editionIn, readModFolder } from './read.ts';
import { documentsOfFolder } from './write.ts';

/**
 * Makes changes of a mod in the files of its folder: each keeps its author's form, and only what
 * changed is written anew. Undefined where a change does not fit, or where the documents are of an
 * earlier edition, which say the same in another way.
 *
 * @example mendFolder(files, [{ path: '/blocks/brine/traits/hardness', before: 1, after: 2 }])
 */
export function mendFolder(files: Files, changes: readonly Change[]): FilesChange | undefined {
  if (editionIn(files) !== currentEdition) return undefined;
  const { mod } = readModFolder(files, { goesOn: true });
  const mended = changedMod(mod, declaredChanges(mod, changes));
  return mended && mendDocuments(files, documentsOfFolder(mod), documentsOfFolder(mended));
}
