import { diffLines } from 'diff';

/**
 * One line of a text beside an older one: whether it came or went, and its number in the new text.
 */
export interface MarkedLine {
  text: string;
  kind?: 'more' | 'less';
  number?: number;
}

/**
 * A text with the lines marked that came, and among them those that went (Myers, 1986). Without an
 * older text nothing is marked.
 *
 * @example markLines('a\n', 'b\n')
 * // [{ text: 'a', kind: 'less' }, { text: 'b', kind: 'more', number: 1 }]
 */
export function markLines(before: string | undefined, after: string): MarkedLine[] {
  const parts =
    before === undefined
      ? [{ value: after, added: false, removed: false }]
      : diffLines(before, after);
  let number = 0;
  return parts.flatMap(({ value, added, removed }) =>
    value === ''
      ? []
      : value
          .replace(/\n$/, '')
          .split('\n')
          .map((text): MarkedLine => {
            if (removed) return { text, kind: 'less' };
            number += 1;
            return added ? { text, kind: 'more', number } : { text, number };
          }),
  );
}

/**
 * The first line that another text has otherwise, by its number in both; 1 where there is none.
 *
 * @example firstChangedLine('a\nb\n', 'a\nc\n') // 2
 */
export const firstChangedLine = (before: string, after: string): number =>
  markLines(before, after).findIndex((line) => line.kind) + 1 || 1;

/** How many lines came or went. */
export const changedLines = (before: string, after: string): number =>
  markLines(before, after).filter((line) => line.kind).length;
