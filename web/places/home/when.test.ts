import { expect, test } from '@jest/globals';
import { momentInWords, spanInWords } from './when.ts';

const now = new Date(2026, 10, 27, 18, 0);
const at = (month: number, day: number, hour: number, minute: number, year = 2026) =>
  new Date(year, month - 1, day, hour, minute).toISOString();

test('a moment is said by its time today, and with its day otherwise', () => {
  expect(momentInWords(at(11, 27, 9, 5), now)).toBe('09:05');
  expect(momentInWords(at(11, 26, 23, 59), now)).toBe('yesterday, 23:59');
  expect(momentInWords(at(3, 2, 8, 0), now)).toBe('2 Mar, 08:00');
  expect(momentInWords(at(3, 2, 8, 0, 2025), now)).toBe('2 Mar 2025, 08:00');
});

test('of a stretch the day is said once, and a moment is no stretch', () => {
  expect(spanInWords(at(11, 27, 9, 5), at(11, 27, 9, 50), now)).toBe('09:05–09:50');
  expect(spanInWords(at(11, 26, 9, 5), at(11, 26, 9, 50), now)).toBe('yesterday, 09:05–09:50');
  expect(spanInWords(at(11, 26, 23, 5), at(11, 27, 0, 50), now)).toBe('yesterday, 23:05 – 00:50');
  expect(spanInWords(at(11, 27, 9, 5), at(11, 27, 9, 5), now)).toBe('09:05');
});
