import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  coverage,
  expandRows,
  fewestRows,
  StateSpace,
  valuesOf,
  whenOf,
  type Property,
  type Row,
} from './index.ts';
import { boxesOf } from './exact.ts';

const toggle = (name: string): Property => ({ name, kind: 'toggle', default: false });
const number = (name: string, many: number): Property => ({
  name,
  kind: 'number',
  min: 0,
  max: many - 1,
  default: 0,
});
const anySpace = fc
  .array(fc.integer({ min: 1, max: 4 }), { maxLength: 4 })
  .map((sizes) => new StateSpace(sizes.map((size, i) => number(`p${i}`, size))));
const painted = (space: StateSpace) =>
  fc.array(fc.option(fc.nat(3), { nil: undefined, freq: 6 }), {
    minLength: space.size,
    maxLength: space.size,
  });

test(
  'the rows mean exactly what was painted, holes among it; none is dead; none fewer ' +
    'than the different values',
  () =>
    fc.assert(
      fc.property(
        anySpace.chain((space) => fc.tuple(fc.constant(space), painted(space))),
        ([space, values]) => {
          const { rows, exact, atLeast } = fewestRows(values, space);
          expect(expandRows(rows, space)).toEqual(values);
          expect(coverage(rows, space).dead).toEqual([]);
          expect(atLeast).toBe(new Set(values.filter((value) => value !== undefined)).size);
          expect(rows.length).toBeGreaterThanOrEqual(atLeast);
          if (rows.length === atLeast) expect(exact).toBe(true);
        },
      ),
      { numRuns: 150 },
    ),
);

test('what was written with few rows never needs more', () =>
  fc.assert(
    fc.property(
      anySpace
        .filter((space) => space.size > 1 && space.size <= 32)
        .chain((space) =>
          fc.tuple(
            fc.constant(space),
            fc.array(
              fc.tuple(
                fc.tuple(
                  ...space.properties.map((property) =>
                    fc.subarray(
                      valuesOf(property).map((_, i) => i),
                      { minLength: 1 },
                    ),
                  ),
                ),
                fc.nat(2),
              ),
              { minLength: 1, maxLength: 4 },
            ),
          ),
        ),
      ([space, drafts]) => {
        const rows: Row<number>[] = drafts.map(([digits, value]) => ({
          when: whenOf(space, digits),
          value,
        }));
        const { rows: fewest, exact } = fewestRows(expandRows(rows, space), space);
        if (exact) expect(fewest.length).toBeLessThanOrEqual(rows.length);
        const begun = fewestRows(expandRows(rows, space), space, rows).rows;
        expect(begun.length).toBeLessThanOrEqual(rows.length);
        expect(expandRows(begun, space)).toEqual(expandRows(rows, space));
        const other = expandRows(rows, space).with(0, 9);
        expect(() => fewestRows(other, space, rows)).toThrow(RangeError);
        expect(expandRows(fewest, space)).toEqual(expandRows(rows, space));
      },
    ),
    { numRuns: 150 },
  ));

/** The length of the shortest list, by trying every list of boxes: only for the smallest tables. */
function shortest(values: readonly (number | undefined)[], sizes: number[]): number {
  const boxes = boxesOf(sizes)!;
  let lists: { open: number }[] = [
    {
      open: values.reduce<number>(
        (mask, value, cell) => (value === undefined ? mask : mask | (1 << cell)),
        0,
      ),
    },
  ];
  for (let length = 0; ; length += 1) {
    if (lists.some(({ open }) => open === 0)) return length;
    const next = new Set<number>();
    for (const { open } of lists)
      for (const { cells } of boxes) {
        const given = new Set(
          values.flatMap((value, cell) => (((cells & open) >> cell) & 1 ? [value] : [])),
        );
        if (values.some((value, cell) => value === undefined && (cells >> cell) & 1)) continue;
        if (given.size === 1) next.add(open & ~cells);
      }
    lists = [...next].map((open) => ({ open }));
  }
}

test('on small tables no list at all is shorter', () =>
  fc.assert(
    fc.property(
      fc.constantFrom<number[]>([2, 3], [2, 2, 2], [3, 3], [4, 2]).chain((sizes) => {
        const size = sizes.reduce((a, b) => a * b, 1);
        return fc.tuple(
          fc.constant(sizes),
          fc.array(fc.option(fc.nat(2), { nil: undefined, freq: 8 }), {
            minLength: size,
            maxLength: size,
          }),
        );
      }),
      ([sizes, values]) => {
        const { rows, exact } = fewestRows(
          values,
          new StateSpace(sizes.map((size, i) => number(`p${i}`, size))),
        );
        expect(exact).toBe(true);
        expect(rows).toHaveLength(shortest(values, sizes));
      },
    ),
    { numRuns: 80 },
  ));

test(
  'worked examples: an exception before the rest, a list of values, nothing to ask, ' +
    'nothing painted',
  () => {
    const space = new StateSpace([
      { name: 'heading', kind: 'heading', default: 'south' },
      toggle('lit'),
    ]);
    expect(fewestRows([0, 13, 0, 13, 0, 13, 0, 13], space)).toEqual({
      rows: [{ when: { lit: true }, value: 13 }, { value: 0 }],
      exact: true,
      atLeast: 2,
    });
    expect(fewestRows([7, 7, 7, 1, 7, 7, 7, 7], space).rows).toEqual([
      { when: { heading: 'east', lit: true }, value: 1 },
      { value: 7 },
    ]);
    expect(
      fewestRows(
        Array.from({ length: 8 }, () => 'same'),
        space,
      ),
    ).toEqual({ rows: [{ value: 'same' }], exact: true, atLeast: 1 });
    expect(
      fewestRows(
        Array.from({ length: 8 }, () => undefined),
        space,
      ),
    ).toEqual({ rows: [], exact: true, atLeast: 0 });
    expect(fewestRows([1, 1, 2, 2, 1, 1, undefined, undefined], space).rows).toEqual([
      { when: { heading: 'east' }, value: 2 },
      { when: { heading: ['north', 'south'] }, value: 1 },
    ]);
  },
);

test('large tables keep their meaning and a list near that from which they were made', () => {
  const space = new StateSpace([number('a', 16), number('b', 16), number('c', 8), number('d', 8)]);
  const rows: Row<number>[] = Array.from({ length: 40 }, (_, i) => ({
    when: {
      a: [i % 16, (i * 7) % 16],
      b: [(i * 5) % 16, (i * 3) % 16, (i * 11) % 16],
      ...(i % 3 ? { c: i % 8 } : {}),
    },
    value: i,
  }));
  rows.push({ value: 99 });
  const values = expandRows(rows, space);
  const fewest = fewestRows(values, space);
  expect(expandRows(fewest.rows, space)).toEqual(values);
  expect(fewest.rows.length).toBeLessThan(400);
  expect(fewestRows(values, space, rows).rows.length).toBeLessThanOrEqual(rows.length);
  const plain = new StateSpace([{ ...number('n', 65_536) }]);
  expect(
    fewestRows(
      Array.from({ length: 65_536 }, (_, i) => i % 3),
      plain,
    ).rows,
  ).toHaveLength(3);
});
