/** Three-way merges of built files with what people changed in them by hand. */
export { mergeTexts, type MergedText, type TextClash, type TextForm, type Three } from './texts.ts';
export { mergeValues, type Choice, type MergedValue, type MergeRules } from './values.ts';
