/** Changes of files in the way of their authors. Knows text, JSON and the declaration. */
export {
  applyFileChanges,
  type FileChange,
  type FileFix,
  type FilesChange,
} from './file-change.ts';
export { changedMod, mendDocuments, rewritten, type Written } from './documents.ts';
export { fixOfMisfit, fixOfText } from './fixes.ts';
export { decoded } from './text.ts';
