/** The state space: properties, states as whole numbers, rows and their coverage. Knows only directions. */
export { BitSet } from './bitset.ts';
export { mostValues, propertyKinds, valueCount, valuesOf, type Property, type Value } from './property.ts';
export { mostStates, StateSpace, type State, type When } from './space.ts';
export { coverage, dependsOn, expandRows, rowsFromValues, toRows, valueIn, type ByState, type Coverage, type Row, type Rows } from './rows.ts';
export { bitsFor, mixedRadix, type CodeLayout } from './codes.ts';
