import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { diagramOf, rowsOfDiagram, type DiagramRow } from './diagram.ts';
import { boxesOf, searchRows } from './exact.ts';

const sizesOf = fc.array(fc.integer({ min: 1, max: 4 }), { minLength: 1, maxLength: 4 });
const cellsIn = (sizes: readonly number[]) => sizes.reduce((product, size) => product * size, 1);
const tableOf = (sizes: readonly number[]) =>
  fc
    .array(fc.nat(3), { minLength: cellsIn(sizes), maxLength: cellsIn(sizes) })
    .map((list) => Int32Array.from(list));
const anyTable = sizesOf.chain((sizes) =>
  fc.tuple(
    fc.constant(sizes),
    tableOf(sizes),
    fc.shuffledSubarray(
      sizes.map((_, i) => i),
      { minLength: sizes.length },
    ),
  ),
);

/** The place of a cell's value in each dimension, the last counting fastest. */
function digitsOf(cell: number, sizes: readonly number[]): number[] {
  let rest = cell;
  return sizes
    .toReversed()
    .map((size) => {
      const digit = rest % size;
      rest = Math.floor(rest / size);
      return digit;
    })
    .reverse();
}

/**
 * What rows mean, said as plainly as can be: the first that asks for nothing else than what the
 * cell has.
 */
const kindIn = (rows: readonly DiagramRow[], digits: readonly number[]): number =>
  rows.find(({ asks }) =>
    [...asks].every(([dimension, values]) => values.includes(digits[dimension]!)),
  )?.kind ?? 0;

test(
  'the rows of a diagram give every cell its kind, in whatever order the dimensions are ' + 'asked',
  () =>
    fc.assert(
      fc.property(anyTable, ([sizes, table, order]) => {
        const diagram = diagramOf(table, 4, sizes, order)!;
        const rows = rowsOfDiagram(diagram, order);
        table.forEach((kind, cell) => expect(kindIn(rows, digitsOf(cell, sizes))).toBe(kind));
        expect(rows).toHaveLength(diagram.rows);
      }),
    ),
);

test(
  'parts that are alike are one node: a table that depends on one dimension has one, ' +
    'and none when it depends on nothing',
  () => {
    const sizes = [3, 4, 2];
    const byMiddle = Int32Array.from(
      { length: 24 },
      (_, cell) => 1 + (digitsOf(cell, sizes)[1]! % 2),
    );
    expect(diagramOf(byMiddle, 3, sizes, [0, 1, 2])!.nodes).toHaveLength(1);
    expect(diagramOf(byMiddle, 3, sizes, [1, 0, 2])!.nodes).toHaveLength(1);
    expect(diagramOf(new Int32Array(24).fill(2), 3, sizes, [2, 1, 0])).toEqual({
      root: 2,
      terminals: 3,
      nodes: [],
      rows: 1,
    });
    expect(
      rowsOfDiagram(diagramOf(byMiddle, 3, sizes, [0, 1, 2])!, [0, 1, 2]).map(({ asks, kind }) => [
        [...asks],
        kind,
      ]),
    ).toEqual([
      [[[1, [1, 3]]], 2],
      [[], 1],
    ]);
  },
);

test(
  'a diagram never has more nodes than the table has cells, and building stops at its ' + 'bound',
  () =>
    fc.assert(
      fc.property(anyTable, ([sizes, table, order]) => {
        const diagram = diagramOf(table, 4, sizes, order)!;
        expect(diagram.nodes.length).toBeLessThan(Math.max(2, table.length));
        // Building one that would make more rows is given up; one that makes just as many is not.
        expect(diagramOf(table, 4, sizes, order, diagram.rows)).toEqual(diagram);
        if (diagram.nodes.length)
          expect(diagramOf(table, 4, sizes, order, diagram.rows - 1)).toBeUndefined();
      }),
    ),
);

test('the boxes of a table are all choices of values, each once, the widest first', () => {
  const boxes = boxesOf([2, 3])!;
  expect(boxes).toHaveLength(3 * 7);
  expect(new Set(boxes.map((box) => JSON.stringify(box.digits))).size).toBe(21);
  expect(boxes[0]).toEqual({
    cells: 0b111111,
    digits: [
      [0, 1],
      [0, 1, 2],
    ],
  });
  for (const { cells, digits } of boxes)
    for (let cell = 0; cell < 6; cell += 1)
      expect((cells >> cell) & 1).toBe(
        digitsOf(cell, [2, 3]).every((digit, i) => digits[i]!.includes(digit)) ? 1 : 0,
      );
  expect(boxesOf([2, 2, 2, 2, 2])!.every(({ cells }) => cells !== 0)).toBe(true);
  expect(boxesOf([16, 2])).toBeUndefined();
  expect(boxesOf([4, 4, 4, 4])).toBeUndefined();
});

test('the search finds nothing below the fewest, and says when that is proved', () => {
  // A chequered table of 2 × 3 needs more rows than it has kinds.
  const table = Int32Array.from([1, 2, 1, 2, 1, 2]);
  const boxes = boxesOf([2, 3])!;
  const { found, proved } = searchRows(table, 3, boxes, 9);
  expect(proved).toBe(true);
  expect(found).toHaveLength(3);
  expect(searchRows(table, 3, boxes, 3)).toEqual({ proved: true });
  expect(searchRows(new Int32Array(6), 1, boxes, 3)).toEqual({ found: [], proved: true });
});
