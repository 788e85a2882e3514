/**
 * Files on this machine: reading folders and packs, planning a build, writing it so that nothing is
 * lost. Used by server and cli.
 */
export { DiskProblem, DiskQuestion, inWords, shown } from './problem.ts';
export { lockFolder } from './folder-lock.ts';
export { folderAt, makeFolder, readSome, watchFolder } from './linked-folder.ts';
export { writeNew } from './new-files.ts';
export { writeNewFolder } from './new-folder.ts';
export { commandOf, openWith, placeIn, programAt } from './programs.ts';
export { readOrdinary } from './ordinary.ts';
export {
  maxBytes,
  readFolder,
  readModOrPack,
  type ReadTarget,
  readTree,
  type Tree,
  type Unread,
} from './read.ts';
export { standingAt } from './standing.ts';
export {
  planBuild,
  planOver,
  type Built,
  type Decided,
  type FileFate,
  type PlannedFile,
} from './plan.ts';
export { readRecord, recordFile } from './record.ts';
export { ChangedMeanwhile, packAt, saveChanges, type FileToSave } from './save-changes.ts';
export { placeAt, targetOf } from './target.ts';
export { writeBuild, type BuildOptions } from './write.ts';
export { askEngine, type AskOptions } from './engine/ask.ts';
export { makeGallery, type GalleryOptions, type Photograph } from './engine/gallery.ts';
