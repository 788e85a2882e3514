import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { toneRamp, toOklab } from './index.ts';

const byte = fc.nat(255);

test('the tones of a material go from dark to light, its colour in their middle', () => {
  fc.assert(
    fc.property(byte, byte, byte, (red, green, blue) => {
      const ramp = toneRamp([red, green, blue, 255], 5);
      const lights = ramp.map((tone) => toOklab(tone)[0]);
      expect(lights).toEqual([...lights].sort((a, b) => a - b));
      [red, green, blue].forEach((value, i) =>
        expect(Math.abs(ramp[2]![i]! - value)).toBeLessThanOrEqual(1),
      );
    }),
    // Almost black: two of its tones lie at the end.
    { examples: [[0, 0, 17]] },
  );
});

test('one tone alone is the colour itself', () => {
  expect(toneRamp([169, 116, 60, 255], 1)).toEqual([[169, 116, 60, 255]]);
});
