/** Texts: every name in every language, placeholders, JSON and PO. */
export {
  changeText,
  isEverywhere,
  keyProblem,
  originalOf,
  ownedKey,
  placeholderProblem,
  placeholders,
  shownTexts,
  ownedText,
  textEntries,
  textsBeside,
  type TextEntry,
  type Texts,
} from './table.ts';
export { readTexts, writePo, writeWordsJson, type TextPlan } from './exchange.ts';
export { printPo, readPo, type PoEntry, type PoFile } from './po.ts';
