/**
 * A mod that lives in a folder: which files say which part of it, and what is to be done where one
 * side changed, or both.
 */
export {
  exchangeUnits,
  type Agreed,
  type Digests,
  type Exchange,
  type InFolder,
  type Sides,
} from './exchange.ts';
export { digestsAfter, folderBroughtForward, giveUnit, givesInOrder } from './give.ts';
export { labelOf, unitsInWords } from './label.ts';
export { mergeSides, type Clash, type Side } from './merge.ts';
export { readUnits, saysUnit, whyNotExchanged, type ReadUnits } from './read.ts';
export {
  blobsOfUnit,
  filesOfUnit,
  touchedUnits,
  unitOf,
  unitsOfMod,
  valueOfUnit,
  withUnits,
  type Unit,
} from './units.ts';
