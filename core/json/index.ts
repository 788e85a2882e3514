/**
 * JSON text: strict reading with line and column, printing that is the same everywhere, JSON
 * Pointers. Knows nobody.
 */
export { pointer, pointerSteps, valueAt } from './pointer.ts';
export { parseJson, type JsonProblem, type JsonText, type Place } from './parse.ts';
export { printJson } from './print.ts';
export {
  lookUp,
  maxDepth,
  sameData,
  whyNotPlain,
  withoutSchema,
  withoutUndefined,
} from './plain.ts';
export { parseFitting } from './fitting.ts';
export { carry, nowhere } from './carry.ts';
export { renameKey, rewriteJson } from './rewrite.ts';
export { applyTextEdits, type TextEdit } from './text-edit.ts';
export type { TextMend } from './text-mend.ts';
