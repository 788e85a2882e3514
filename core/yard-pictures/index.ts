/** What the Yard finds in the files of a pack, drawn. */
export { walkPictures, type WalkPictures } from './walk-pictures.ts';
