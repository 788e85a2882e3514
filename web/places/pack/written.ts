import { diffWordsWithSpace } from 'diff';
import { markLines } from '../../parts/lines.ts';

/** A piece of a line: as it is, struck out, or put in. */
export interface Piece {
  text: string;
  kind?: 'less' | 'more';
}

/** A line of a file with a mend in it: its number as the author counts, none where it is new. */
export interface WrittenLine {
  number?: number;
  pieces: Piece[];
  /** The whole line goes or comes. */
  whole?: 'less' | 'more';
}

/** Lines that are not shown because nothing is said of them. */
export interface Fold {
  from: number;
  to: number;
}

/**
 * A text as its author wrote it, with what a mend strikes out and puts in. A line that becomes
 * another one is one line.
 *
 * @example writtenLines('"banc"\n', '"bank"\n')
 * // [{ number: 1, pieces: [{ text: '"' }, { text: 'banc', kind: 'less' }, { text: 'bank', kind: 'more' }, { text: '"' }] }]
 */
export function writtenLines(text: string, mended?: string): WrittenLine[] {
  const marked = mended === undefined ? markLines(undefined, text) : markLines(text, mended);
  const lines: WrittenLine[] = [];
  let number = 0;
  for (let i = 0; i < marked.length;) {
    const less = runOf(marked, i, 'less');
    const more = runOf(marked, i + less.length, 'more');
    if (less.length && less.length === more.length)
      for (const [j, before] of less.entries())
        lines.push({ number: ++number, pieces: piecesOf(before, more[j] ?? '') });
    else {
      for (const gone of less)
        lines.push({ number: ++number, pieces: [{ text: gone, kind: 'less' }], whole: 'less' });
      for (const come of more)
        lines.push({ pieces: [{ text: come, kind: 'more' }], whole: 'more' });
      if (!less.length && !more.length)
        lines.push({ number: ++number, pieces: [{ text: marked[i]?.text ?? '' }] });
    }
    i += Math.max(1, less.length + more.length);
  }
  return lines;
}

const runOf = (
  lines: readonly { text: string; kind?: 'less' | 'more' }[],
  from: number,
  kind: 'less' | 'more',
): string[] => {
  const run: string[] = [];
  for (let i = from; lines[i]?.kind === kind; i += 1) run.push(lines[i]!.text);
  return run;
};

const piecesOf = (before: string, after: string): Piece[] =>
  diffWordsWithSpace(before, after).map(({ value, added, removed }) => ({
    text: value,
    ...(added ? { kind: 'more' as const } : removed ? { kind: 'less' as const } : {}),
  }));

/** Files up to so many lines are shown whole; of longer ones, what is said and what stands around. */
const shownWhole = 300;
const around = 6;

/**
 * Lines with long runs folded in which nothing is said.
 *
 * @example folded(lines, new Set([412]), new Set()) // [fold 1–405, …, fold 419–900]
 */
export function folded(
  lines: readonly WrittenLine[],
  said: ReadonlySet<number>,
  opened: ReadonlySet<number>,
): (WrittenLine | Fold)[] {
  if (lines.length <= shownWhole) return [...lines];
  const isKept = lines.map(
    ({ number, pieces }) =>
      number === undefined || said.has(number) || pieces.some(({ kind }) => kind),
  );
  const near = isKept.map((_, i) =>
    isKept.slice(Math.max(0, i - around), i + around + 1).some(Boolean),
  );
  const shown: (WrittenLine | Fold)[] = [];
  for (let i = 0; i < lines.length; i += 1) {
    let end = i;
    while (end < lines.length && !near[end]) end += 1;
    const [from, to] = [lines[i]?.number ?? 0, lines[end - 1]?.number ?? 0];
    if (end === i) shown.push(lines[i]!);
    else if (end - i > 3 && !opened.has(from)) shown.push({ from, to });
    else shown.push(...lines.slice(i, end));
    i = Math.max(i, end - 1);
  }
  return shown;
}

/**
 * The characters that a place points at, from 0: the text, number or sign that begins there.
 *
 * @example tokenAt('  "rows": [', 3) // [2, 8]
 */
export function tokenAt(line: string, column: number): [from: number, to: number] {
  const from = Math.min(Math.max(0, column - 1), Math.max(0, line.length - 1));
  const [found = ''] = /^("(?:[^"\\]|\\.)*"?|[\w.+-]+|\S)/.exec(line.slice(from)) ?? [];
  return [from, from + Math.max(1, found.length)];
}
