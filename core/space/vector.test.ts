import { expect, test } from '@jest/globals';
import { eachOfFour, vector } from './vector.ts';

test('a vector is made axis by axis, four of four one by one', () => {
  expect(vector((axis) => axis * 10)).toEqual([0, 10, 20]);
  expect(eachOfFour([1, 2, 3, 4], (n) => `${n}`)).toEqual(['1', '2', '3', '4']);
});
