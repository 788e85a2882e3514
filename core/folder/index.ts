/** A mod as a folder of text and PNG: reading it with line and column, writing it. */
export { readModFolder, writeModFolder, type FileProblem, type ModFolder } from './folder.ts';
