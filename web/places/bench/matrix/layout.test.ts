import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { StateSpace, type Property } from '../../../../core/states/index.ts';
import { fittedArrangement, planeOf, usualArrangement, type Arrangement } from './layout.ts';

const number = (name: string, many: number): Property => ({
  name,
  kind: 'number',
  min: 0,
  max: many - 1,
  default: 0,
});
const spaceOf = (...sizes: number[]) =>
  new StateSpace(sizes.map((size, i) => number(`p${i}`, size)));

test('the usual arrangement shows few columns and what is left down', () => {
  expect(usualArrangement(spaceOf(4, 3, 2))).toEqual({
    columns: ['p1', 'p2'],
    rows: ['p0'],
    tabs: [],
  });
  expect(usualArrangement(spaceOf(6, 2))).toEqual({ columns: ['p0'], rows: ['p1'], tabs: [] });
  expect(usualArrangement(spaceOf(16))).toEqual({ columns: [], rows: ['p0'], tabs: [] });
  expect(usualArrangement(spaceOf(64, 64, 4))).toEqual({
    columns: ['p2'],
    rows: ['p1'],
    tabs: ['p0'],
  });
  expect(
    fittedArrangement({ rows: ['gone', 'p1'], columns: [], tabs: ['p0'] }, spaceOf(2, 2, 2)),
  ).toEqual({ rows: ['p1', 'p2'], columns: [], tabs: ['p0'] });
});

test('however the properties are arranged, each state has one cell and comes back from it', () =>
  fc.assert(
    fc.property(
      fc
        .array(fc.integer({ min: 1, max: 4 }), { maxLength: 4 })
        .chain((sizes) =>
          fc.tuple(
            fc.constant(spaceOf(...sizes)),
            fc.tuple(
              ...sizes.map(() => fc.constantFrom<keyof Arrangement>('rows', 'columns', 'tabs')),
            ),
            fc.nat(),
          ),
        ),
      ([space, ways, seed]) => {
        const arrangement: Arrangement = { rows: [], columns: [], tabs: [] };
        ways.forEach((way, i) => arrangement[way].push(`p${i}`));
        const state = seed % space.size;
        const plane = planeOf(space, arrangement, state);
        const seen = new Set<number>();
        plane.rows.forEach((_, row) =>
          plane.columns.forEach((__, column) => {
            const at = plane.stateAt(row, column);
            seen.add(at);
            expect(plane.cellOf(at)).toEqual({ row, column });
          }),
        );
        expect(seen.size).toBe(plane.rows.length * plane.columns.length);
        expect(seen.has(state)).toBe(true);
        for (let other = 0; other < space.size; other += 1)
          if (!seen.has(other)) expect(plane.cellOf(other)).toBeUndefined();
      },
    ),
  ));

test('a band begins where the values before it change', () => {
  const { rows } = planeOf(spaceOf(2, 3), { rows: ['p0', 'p1'], columns: [], tabs: [] }, 0);
  expect(rows.map(({ first }) => first[0])).toEqual([0, 0, 0, 3, 3, 3]);
  expect(rows.map(({ first }) => first[1])).toEqual([0, 1, 2, 3, 4, 5]);
});
