/** Small helpers for sentences: near-miss names, lists, numbers of things. Knows nobody. */
import { distance } from 'fastest-levenshtein';

/** So many slips of the fingers one makes in a name at most. */
const mostSlips = 3;

/**
 * The candidate that was most likely meant: at most a third of its letters away, and three
 * (Levenshtein, 1966). Of ids of one namespace the names count alone. Undefined when none is near.
 *
 * @example closest('tide_lantren', ['tide_lantern', 'brine']) // 'tide_lantern'
 */
export function closest(given: string, candidates: Iterable<string>): string | undefined {
  let best: string | undefined;
  let least = Infinity;
  const space = given.slice(0, given.indexOf(':') + 1);
  for (const candidate of candidates) {
    const from = candidate.startsWith(space) ? space.length : 0;
    const length = Math.max(given.length, candidate.length) - from;
    const steps = distance(given.slice(from).toLowerCase(), candidate.slice(from).toLowerCase());
    // Two letters that changed places are one slip of the fingers (Damerau, 1964), where
    // Levenshtein counts two.
    const apart = steps === 2 && lettersOf(given) === lettersOf(candidate) ? 1 : steps;
    if (apart < least && apart <= Math.min(mostSlips, Math.max(1, Math.floor(length / 3))))
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

/** The same with how often each is there: `tallied(['a', 'b', 'a'])` is `2 a and b`. */
export function tallied(words: readonly string[]): string {
  const times = new Map<string, number>();
  for (const word of words) times.set(word, (times.get(word) ?? 0) + 1);
  return listed([...times].map(([word, many]) => (many > 1 ? `${many} ${word}` : word)));
}

/** A number with its noun: `count(1, 'row')` is `1 row`, `count(3, 'row')` is `3 rows`. */
export const count = (many: number, one: string, more = `${one}s`): string =>
  `${many.toLocaleString('en')} ${many === 1 ? one : more}`;

/** A word with its article: `withArticle('axe')` is `an axe`. */
export const withArticle = (word: string): string =>
  `${/^[aeio]/i.test(word) ? 'an' : 'a'} ${word}`;

/** A name as one says it: `spokenName('tide_lantern')` is `Tide lantern`. */
export const spokenName = (name: string): string => {
  const words = name.replaceAll('_', ' ');
  return words.slice(0, 1).toUpperCase() + words.slice(1);
};

/** What went wrong, in words, whatever was thrown. */
export const messageOf = (error: unknown): string =>
  error instanceof Error ? error.message : String(error);

export { inWords, type Messages, type Said } from './messages.ts';
