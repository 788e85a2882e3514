/** Making a mod, or parts of one, out of a pack that was written by hand. */
export { TakeOverProblem } from './problem.ts';
export { partsOf, refuseUnread } from './parts.ts';
export { takeOver, takeOverMod, readWhole, type TakeOverHow, type TakenOver } from './take-over.ts';
export { fileForms, type FileForm, type FormDifference } from './form-differences.ts';
export { differencesInMeaning } from './meaning.ts';
export type { Natural } from './natural.ts';
export { tidyMod } from './tidy.ts';
export { moveToNamespace } from './namespace.ts';
export type { Arrival, Coming } from './arrivals.ts';
export { onlyBlocks } from './only-blocks.ts';
export { bringBlocks, type Bringing } from './bring.ts';
export { namespaceMove, renameNamespace, type NamespaceMove } from './rename-namespace.ts';
export { scaledTo, scalingOf, type Scaling } from './scale.ts';
