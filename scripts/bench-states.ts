import {
  coverage,
  expandRows,
  fewestRows,
  mixedRadix,
  proveCodes,
  StateSpace,
  whenOf,
  type Property,
  type Row,
} from '../core/states/index.ts';
import { chance } from '../demo/art/canvas.ts';
import type { Line, Median } from './figures.ts';

/** Sizes of spaces: 64, 1,024 and 16,384 states. */
const spaces = [
  [4, 4, 4],
  [4, 16, 16],
  [16, 16, 8, 8],
];
const spaceOf = (sizes: readonly number[]) =>
  new StateSpace(
    sizes.map((size, i): Property => ({
      name: `p${i}`,
      kind: 'number',
      min: 0,
      max: size - 1,
      default: 0,
    })),
  );

/** Rows that ask for random runs of values of every property; the last takes what is left. */
function randomRows(space: StateSpace, many: number): Row<number>[] {
  const random = chance(many);
  const rows: Row<number>[] = Array.from({ length: many - 1 }, (_, i) => ({
    when: whenOf(
      space,
      space.values.map((list) => {
        const [from, length] = [
          Math.floor(random() * list.length),
          1 + Math.floor(random() * (list.length / 2)),
        ];
        return Array.from({ length }, (__, k) => (from + k) % list.length).sort((a, b) => a - b);
      }),
    ),
    value: i % 16,
  }));
  return [...rows, { value: 99 }];
}

/**
 * Coverage with dead rows, the fewest rows, and the proof of the codes, over growing spaces and
 * lists. Each run has a fresh space.
 */
export function benchStates(median: Median, line: Line): void {
  const times = new Map<string, number>();
  for (const sizes of spaces)
    for (const many of [8, 64, 256]) {
      const size = sizes.reduce((a, b) => a * b, 1);
      const fresh = Array.from({ length: 11 }, () => spaceOf(sizes)).map((space) => ({
        space,
        rows: randomRows(space, many),
      }));
      const cover = median(11, (run) => coverage(fresh[run]!.rows, fresh[run]!.space));
      const values = expandRows(fresh[0]!.rows, fresh[0]!.space);
      let fewest = 0;
      const least = median(11, (run) => {
        fewest = fewestRows(values, fresh[run]!.space, fresh[run]!.rows).rows.length;
      });
      times.set(`${size} ${many}`, cover);
      times.set(`least ${size} ${many}`, least);
      line(
        `states.${size}.${many}.coverage`,
        `${size.toLocaleString('en')} states × ${many} rows: coverage and dead rows`,
        `${cover.toFixed(2)} ms`,
        `fewest rows (${fewest}): ${least.toFixed(1)} ms`,
      );
    }
  const ratio = (a: string, b: string) => (times.get(a)! / times.get(b)!).toFixed(1);
  line(
    'states.coverage.growth-states',
    'coverage, × 16 states with 256 rows',
    `× ${ratio('16384 256', '1024 256')}`,
  );
  line(
    'states.coverage.growth-rows',
    'coverage, × 32 rows with 16,384 states',
    `× ${ratio('16384 256', '16384 8')}`,
  );
  line(
    'states.fewest.growth-states',
    'fewest rows, × 16 states with 256 rows',
    `× ${ratio('least 16384 256', 'least 1024 256')}`,
  );
  const [small, large] = [spaceOf([64, 64]), spaceOf([256, 256])];
  const [few, all] = [
    median(5, () => proveCodes(mixedRadix(small), small)),
    median(5, () => proveCodes(mixedRadix(large), large)),
  ];
  line(
    'states.codes.proof',
    'proof of the codes of 65,536 states',
    `${all.toFixed(0)} ms`,
    `× ${(all / few).toFixed(1)} for × 16 states`,
  );
}
