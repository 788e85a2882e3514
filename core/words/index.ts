/** Small helpers for sentences: near-miss names, lists, numbers of things. Knows nobody. */
import { distance } from 'fastest-levenshtein';

/**
 * The candidate that was most likely meant: at most a third of its letters away (Levenshtein,
 * 1966). Undefined when none is near.
 *
 * @example closest('tide_lantren', ['tide_lantern', 'brine']) // 'tide_lantern'
 */
export function closest(given: string, candidates: Iterable<string>): string | undefined {
  let best: string | undefined;
  let least = Infinity;
  for (const candidate of candidates) {
    const steps = distance(given.toLowerCase(), candidate.toLowerCase());
    // Two letters that changed places are one slip of the fingers (Damerau, 1964), where
    // Levenshtein counts two.
    const apart = steps === 2 && lettersOf(given) === lettersOf(candidate) ? 1 : steps;
    if (
      apart < least &&
      apart <= Math.max(1, Math.floor(Math.max(given.length, candidate.length) / 3))
    )
      [best, least] = [candidate, apart];
  }
  return best;
}

const lettersOf = (word: string): string => [...word.toLowerCase()].sort().join('');

/** ` Did you mean …?` with a leading space, or nothing. */
export const didYouMean = (near: string | undefined): string =>
  near === undefined ? '' : ` Did you mean ${near}?`;

/** `listed(['a', 'b', 'c'])` is `a, b and c`. */
export const listed = (words: readonly string[], last = 'and'): string =>
  words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} ${last} ${words.at(-1)!}`;

/** A number with its noun: `count(1, 'row')` is `1 row`, `count(3, 'row')` is `3 rows`. */
export const count = (many: number, one: string, more = `${one}s`): string =>
  `${many.toLocaleString('en')} ${many === 1 ? one : more}`;

/** A name as one says it: `spokenName('tide_lantern')` is `Tide lantern`. */
export const spokenName = (name: string): string => {
  const words = name.replaceAll('_', ' ');
  return words.slice(0, 1).toUpperCase() + words.slice(1);
};

/** What went wrong, in words, whatever was thrown. */
export const messageOf = (error: unknown): string =>
  error instanceof Error ? error.message : String(error);

export { inWords, type Messages, type Said } from './messages.ts';
