import { writeFileSync } from 'node:fs';

/** Does work several times and gives the median of its milliseconds. */
export type Median = (runs: number, work: (run: number) => void) => number;

/**
 * Shows a figure: a name that stays the same over versions, what it is in words, its value with a
 * unit, and a note.
 */
export type Line = (name: string, words: string, value: string, note?: string) => void;

export interface Figure {
  value: number;
  unit: string;
  words: string;
  note: string;
}

/** The median of several runs, in milliseconds. */
export const median: Median = (runs, work) => {
  const times = Array.from({ length: runs }, (_, run) => {
    const start = performance.now();
    work(run);
    return performance.now() - start;
  }).sort((a, b) => a - b);
  return times[Math.floor(runs / 2)] ?? NaN;
};

/**
 * The same of two works, done turn by turn: what the machine does beside them, such as bringing
 * files to the disk, slows one as much as the other.
 */
export async function medians(
  runs: number,
  ...works: readonly [Work, Work]
): Promise<[first: number, second: number]> {
  const times: [number[], number[]] = [[], []];
  for (let run = 0; run < runs; run += 1)
    for (const which of [0, 1] as const) {
      const start = performance.now();
      await works[which](run);
      times[which].push(performance.now() - start);
    }
  const middle = (all: number[]) => all.sort((a, b) => a - b)[runs >> 1] ?? NaN;
  return [middle(times[0]), middle(times[1])];
}

type Work = (run: number) => unknown;

/**
 * A value as it is shown, as a number with its unit; what has no number is 0.
 *
 * @example figureOf('× 3.5') // { value: 3.5, unit: '×' }
 */
export function figureOf(shown: string): { value: number; unit: string } {
  const [, before = '', digits = '0', after = ''] = /^([^\d]*)([\d.,]*)(.*)$/.exec(shown) ?? [];
  return {
    value: Number(digits.replaceAll(',', '')),
    unit: [before.trim(), after.trim()].filter(Boolean).join(' '),
  };
}

/**
 * Figures that are printed as they come, and written to a file at the end where one is named by
 * `--json FILE`.
 */
export function figures(argv: readonly string[]): { line: Line; done: () => void } {
  const kept: Record<string, Figure> = {};
  const at = argv.indexOf('--json');
  const file = at < 0 ? undefined : argv[at + 1];
  if (at >= 0 && file === undefined) throw new Error('Name a file after --json.');
  return {
    line(name, words, value, note = '') {
      if (Object.hasOwn(kept, name)) throw new Error(`the figure ${name} stands twice`);
      kept[name] = { ...figureOf(value), words, note };
      console.log(`${words.padEnd(58)} ${value.padStart(10)}  ${note}`);
    },
    done() {
      if (file !== undefined) writeFileSync(file, `${JSON.stringify(kept, null, 2)}\n`);
    },
  };
}
