import { expect, test } from '@jest/globals';
import { walkedTo } from './walk-list.ts';

test.each([
  ['ArrowDown', 0, 1],
  ['ArrowDown', 3, undefined],
  ['ArrowUp', 0, undefined],
  ['ArrowUp', 3, 2],
  ['Home', 2, 0],
  ['End', 1, 3],
  ['ArrowLeft', 1, undefined],
  ['a', 1, undefined],
])('%s at %i of four leads to %s', (key, index, to) => expect(walkedTo(key, index, 4)).toBe(to));
