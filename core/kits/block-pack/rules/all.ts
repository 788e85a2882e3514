/**
 * Every rule over the files of a Block Pack, one line each; a test finds files that are missing
 * here.
 */
export { digestDiffers } from './digest-differs.ts';
export { doesNotFit } from './does-not-fit.ts';
export { fileMissing } from './file-missing.ts';
export { idAndNameDisagree } from './id-and-name-disagree.ts';
export { keyTwice } from './key-twice.ts';
export { languageFileMissing } from './language-file-missing.ts';
export { languageMalformed } from './language-malformed.ts';
export { packLookMissing } from './look-missing.ts';
export { malformedJson } from './malformed-json.ts';
export { outOfOrder } from './out-of-order.ts';
export { referenceMissing } from './reference-missing.ts';
export { registryDisagrees } from './registry-disagrees.ts';
export { textureUnreadable } from './texture-unreadable.ts';
export { unknownFile } from './unknown-file.ts';
export { unsafePathInPack } from './unsafe-path.ts';
export { wrongEdition } from './wrong-edition.ts';
