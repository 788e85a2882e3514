import type { Files } from '../bytes/index.ts';
import { mendFolder } from '../folder/index.ts';
import type { Kit } from '../kits/index.ts';
import type { FilesChange } from '../mend/index.ts';
import type { Change } from '../mod/index.ts';
import { readFolderForm } from './folder.ts';
import { readBuilt, type OnProgress, type Reading } from './run.ts';

/** A form in which a declaration lies in files: how it is read, judged, and mended. */
export interface Form {
  title: string;
  /** The target whose packs these are; a mod folder is none's. */
  kit?: Kit;
  /**
   * What is wrong with files, and what they declare where that can be read. `onProgress` is told how
   * far it is, where that takes long.
   */
  read: (files: Files, onProgress?: OnProgress) => Reading;
  /** Makes changes of what is declared in the files. Undefined where one finds no place. */
  mend?: ((files: Files, changes: readonly Change[]) => FilesChange | undefined) | undefined;
  /** What follows for files that keep digests of others. */
  settle?: ((before: Files, after: Files) => FilesChange) | undefined;
}

/** The form of a target's packs. */
export const formOf = (kit: Kit): Form => ({
  title: kit.title,
  kit,
  read: (files, onProgress) => readBuilt(kit, files, onProgress),
  mend: kit.mend,
  settle: kit.settle,
});

/** The form of a mod that lives in a folder. */
export const folderForm: Form = {
  title: 'a mod folder',
  read: (files) => readFolderForm(files),
  mend: mendFolder,
};
