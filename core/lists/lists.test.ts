import { expect, test } from '@jest/globals';
import { freeName, heldUnder, itemAt, movedUp } from './index.ts';

test('an item that is there is given, also when it is undefined; any other index is an error', () => {
  expect(itemAt(['bank', 'lamp'], 1)).toBe('lamp');
  expect(itemAt<number | undefined>([undefined], 0)).toBeUndefined();
  expect(itemAt(new Uint8Array([7]), 0)).toBe(7);
  for (const index of [-1, 2, 0.5, NaN])
    expect(() => itemAt(['bank', 'lamp'], index)).toThrow(/The list of 2 has no item/);
});

test('a key of its own is given; what every object has is not one', () => {
  expect(heldUnder({ lamp: 3 }, 'lamp')).toBe(3);
  expect(() => heldUnder({ lamp: 3 }, 'constructor')).toThrow('Nothing is held under constructor.');
});

test('an item moves up by one place; the first cannot', () => {
  expect(movedUp(['a', 'b', 'c'], 2)).toEqual(['a', 'c', 'b']);
  expect(() => movedUp(['a', 'b'], 0)).toThrow(RangeError);
});

test('a name is taken as it is, or with the first number that makes it free', () => {
  expect(freeName('lit', ['level'])).toBe('lit');
  expect(freeName('lit', ['lit', 'lit_2', 'lit_4'])).toBe('lit_3');
});
