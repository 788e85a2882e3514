import { expect, test } from '@jest/globals';
import { litByNight } from './lit.ts';

test('what gives no light is seen at midnight by 4 of 15 levels of the day, in their cold colour', () => {
  const left = 0.07 + 0.93 * (4 / 15) ** 1.3;
  litByNight(0).forEach((part, i) => expect(part).toBeCloseTo([0.72, 0.84, 1][i]! * left));
  litByNight(15).forEach((part, i) => expect(part).toBeCloseTo([1, 0.9, 0.74][i]!));
});
