/**
 * The state space: properties, states as whole numbers, rows, their coverage and the fewest of
 * them, state codes. Knows only directions.
 */
export { BitSet } from './bitset.ts';
export {
  hasValue,
  isOrientation,
  mostValues,
  propertyKinds,
  valueCount,
  valuesOf,
  type Property,
  type Value,
} from './property.ts';
export { stateFromText } from './from-text.ts';
export { mostStates, StateSpace, whenOf, type State, type When } from './space.ts';
export {
  coverage,
  dependsOn,
  expandRows,
  fromRows,
  kindsOf,
  mattering,
  rowsFromValues,
  toRows,
  valueIn,
  type ByState,
  type Coverage,
  type Row,
  type Rows,
} from './rows.ts';
export { codeFlaw } from './code-flaw.ts';
export { fewestRows, type FewestRows } from './minimise.ts';
export {
  bitFields,
  bitsFor,
  codeTable,
  withCode,
  decoderOf,
  encoderOf,
  listValues,
  valuesIn,
  mixedRadix,
  proveCodes,
  type CodeDigit,
  type CodeLayout,
  type CodeProof,
  type CodeValues,
} from './codes.ts';
export { keepCodesStable, renameInCodes } from './stable-codes.ts';
export { whatToDrop, type Dropped } from './fit.ts';
export { paintRows } from './paint.ts';
