import type { LetterCase } from '../../../mod/index.ts';

const firstUpper = (word: string): string => word.charAt(0).toUpperCase() + word.slice(1);

const written: Readonly<Record<LetterCase, (words: readonly string[]) => string>> = {
  snake: (words) => words.join('_'),
  kebab: (words) => words.join('-'),
  camel: ([first = '', ...others]) => first + others.map(firstUpper).join(''),
  pascal: (words) => words.map(firstUpper).join(''),
  upper: (words) => words.join('_').toUpperCase(),
};

/**
 * A name with its words written together in another way. What lies between colons, slashes and dots
 * is a name of its own, so ids and paths keep their parts.
 *
 * @example inCase('saltmarsh:tide_lantern', 'kebab') // 'saltmarsh:tide-lantern'
 */
export const inCase = (name: string, letterCase: LetterCase): string =>
  name.replaceAll(/[^:/.]+/g, (part) => written[letterCase](wordsOf(part)));

/** The words of a name, in small letters: they end at marks, and where a large letter follows. */
const wordsOf = (name: string): string[] =>
  name
    .replaceAll(/([a-z0-9])([A-Z])/g, '$1 $2')
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .filter((word) => word !== '');
