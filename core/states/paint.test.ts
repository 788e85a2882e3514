import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { BitSet, expandRows, paintRows, StateSpace, type Property, type Row } from './index.ts';

const space = new StateSpace([
  { name: 'heading', kind: 'heading', default: 'south' },
  { name: 'lit', kind: 'toggle', default: false },
  { name: 'hung', kind: 'choice', values: ['floor', 'wall', 'ceiling'], default: 'floor' },
] as Property[]);
const lit = space.matching({ lit: true });

test('painting gives the chosen states their value and leaves every other state alone', () =>
  fc.assert(
    fc.property(
      fc.array(
        fc.record({
          chosen: fc.uniqueArray(fc.nat(space.size - 1)),
          value: fc.option(fc.nat(3), { nil: undefined }),
        }),
        { maxLength: 6 },
      ),
      (strokes) => {
        let rows: Row<number>[] = [{ when: { lit: false }, value: 0 }];
        const plain = expandRows(rows, space);
        for (const { chosen, value } of strokes) {
          rows = paintRows(
            rows,
            space,
            chosen.reduce((set, state) => set.add(state), new BitSet(space.size)),
            () => value,
          );
          for (const state of chosen) plain[state] = value;
          expect(expandRows(rows, space)).toEqual(plain);
        }
      },
    ),
    { numRuns: 60 },
  ));

test('worked examples: all that are lit, one cell, a cell taken away', () => {
  expect(paintRows([{ value: 0 }], space, lit, () => 13)).toEqual([
    { when: { lit: true }, value: 13 },
    { value: 0 },
  ]);
  const one = new BitSet(space.size).add(
    space.encode({ heading: 'east', lit: true, hung: 'wall' }),
  );
  expect(paintRows([{ value: 0 }], space, one, (before) => before! + 1)).toEqual([
    { when: { heading: 'east', lit: true, hung: 'wall' }, value: 1 },
    { value: 0 },
  ]);
  expect(paintRows<number>([{ value: 0 }], space, lit, () => undefined)).toEqual([
    { when: { lit: false }, value: 0 },
  ]);
});
