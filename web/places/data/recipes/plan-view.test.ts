import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { planView } from './plan-view.ts';

const sides = fc.integer({ min: 1, max: 8 });

test('every place lies within the plan, and neighbours touch along their edges', () =>
  fc.assert(
    fc.property(sides, sides, (columns, rows) => {
      const { half, size, middleOf } = planView(columns, rows);
      for (let column = 0; column < columns; column += 1)
        for (let row = 0; row < rows; row += 1) {
          const { left, top } = middleOf(column, row);
          expect(left - half.width).toBeGreaterThanOrEqual(0);
          expect(left + half.width).toBeLessThanOrEqual(size.width);
          expect(top + half.height).toBeLessThanOrEqual(size.height);
          const right = middleOf(column + 1, row);
          expect([right.left - left, right.top - top]).toEqual([half.width, half.height]);
          const below = middleOf(column, row + 1);
          expect([below.left - left, below.top - top]).toEqual([-half.width, half.height]);
        }
    }),
  ));

test('a plan of six by six fits beside the bill', () => {
  expect(planView(6, 6).size.width).toBeLessThan(520);
});
