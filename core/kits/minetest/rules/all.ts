/** Every rule over the files of a mod for this engine, one line each. */
export { changedSince } from './changed.ts';
export { fileGone } from './file-gone.ts';
export { meshUnreadable } from './mesh-unreadable.ts';
export { pictureUnreadable } from './picture-unreadable.ts';
