/** Three-way merges of built files with what people changed in them by hand. */
export { mergeTexts, type MergedText, type TextClash, type Three } from './texts.ts';
export { mergeValues, type Choice, type Clash, type MergedValue } from './values.ts';
