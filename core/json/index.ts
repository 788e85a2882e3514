/**
 * JSON text: strict reading with line and column, printing that is the same everywhere, JSON
 * Pointers. Knows nobody.
 */
export { pointer, pointerSteps, valueAt } from './pointer.ts';
export { parseJson, type JsonProblem, type JsonText, type Place } from './parse.ts';
export { printJson } from './print.ts';
export { lookUp, maxDepth, whyNotPlain, withoutSchema, withoutUndefined } from './plain.ts';
