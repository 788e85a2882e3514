/** A mod as a folder of text and PNG: reading it with line and column, writing it. */
export { keptFolder, pictureFile } from './kept.ts';
export { fileOfKit, kitPart, kitsFolder } from './kits.ts';
export { editionIn, readModFolder, type ModFolder } from './read.ts';
export type { FileProblem, UnreadEntry } from './reader.ts';
export { mendFolder } from './mend.ts';
export { documentsOfFolder, writeModFolder } from './write.ts';
