/**
 * The Block Pack's shape: the schemas of its files and where they lie. Shared by writer, reader and
 * Yard.
 */
export * from './schemas.ts';
export { layout, pathInPack, placeInPack, type FileKind, type FileRule } from './layout.ts';
