import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { cellAfter, cellsBetween, toggled } from './moves.ts';

const press = (key: string, ctrlKey = false) => ({ key, ctrlKey, metaKey: false });
const size = { rows: 20, columns: 4 };

test('arrows go one cell, with Ctrl to the end; pages, Home and End stay in the grid', () => {
  const from = { row: 3, column: 1 };
  expect(cellAfter(press('ArrowDown'), from, size, 8)).toEqual({ row: 4, column: 1 });
  expect(cellAfter(press('ArrowLeft', true), from, size, 8)).toEqual({ row: 3, column: 0 });
  expect(cellAfter(press('ArrowDown', true), from, size, 8)).toEqual({ row: 19, column: 1 });
  expect(cellAfter(press('PageUp'), from, size, 8)).toEqual({ row: 0, column: 1 });
  expect(cellAfter(press('End'), from, size, 8)).toEqual({ row: 3, column: 3 });
  for (const key of ['x', 'Enter', 'constructor'])
    expect(cellAfter(press(key), from, size, 8)).toBeUndefined();
});

test('no key leads out of the grid', () => {
  const keys = ['ArrowUp', 'ArrowDown', 'ArrowLeft', 'ArrowRight', 'PageUp', 'PageDown', 'Home'];
  fc.assert(
    fc.property(
      fc.constantFrom(...keys),
      fc.boolean(),
      fc.nat(19),
      fc.nat(3),
      (key, ctrl, row, column) => {
        const cell = cellAfter(press(key, ctrl), { row, column }, size, 8);
        expect(cell?.row).toBeGreaterThanOrEqual(0);
        expect(cell?.row).toBeLessThan(20);
        expect(cell?.column).toBeGreaterThanOrEqual(0);
        expect(cell?.column).toBeLessThan(4);
      },
    ),
  );
});

test('a range is the rectangle, whichever corners were named', () => {
  const cells = [
    { row: 1, column: 2 },
    { row: 1, column: 3 },
    { row: 2, column: 2 },
    { row: 2, column: 3 },
  ];
  expect(cellsBetween({ row: 1, column: 2 }, { row: 2, column: 3 })).toEqual(cells);
  expect(cellsBetween({ row: 2, column: 2 }, { row: 1, column: 3 })).toEqual(cells);
});

test('toggling takes out what is in and puts in what is not', () => {
  expect(toggled(new Set([1, 2]), 2)).toEqual([1]);
  expect(toggled(new Set([1]), 2)).toEqual([1, 2]);
});
