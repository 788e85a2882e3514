import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { mix, pickShare, scatterAt } from './index.ts';

/** The sum of (seen − expected)² ÷ expected. */
const chiSquare = (seen: readonly number[], expected: (i: number) => number): number =>
  seen.reduce((sum, many, i) => sum + (many - expected(i)) ** 2 / expected(i), 0);

test(
  'the mixing of positions is even: chi-square over 16 bins of 64 × 64 places stays ' +
    'below its 99.9 % bound',
  () => {
    const bins = new Array<number>(16).fill(0);
    for (let x = -32; x < 32; x += 1)
      for (let z = -32; z < 32; z += 1) bins[mix(x, 5, z) >>> 28]! += 1;
    const expected = 4096 / 16;
    expect(bins.reduce((sum, seen) => sum + (seen - expected) ** 2 / expected, 0)).toBeLessThan(
      37.7,
    );
  },
);

test(
  'neighbouring places pick independently: pairs along each axis, 4 × 4 outcomes, ' +
    'chi-square below its 99.9 % bound of 37.7',
  () => {
    for (const [dx, dy, dz] of [
      [1, 0, 0],
      [0, 1, 0],
      [0, 0, 1],
    ] as const) {
      const seen = new Array<number>(16).fill(0);
      const pick = (x: number, y: number, z: number) => mix(x, y, z) >>> 30;
      for (let x = 0; x < 32; x += 2)
        for (let y = 0; y < 32; y += 2)
          for (let z = 0; z < 32; z += 2)
            seen[pick(x, y, z) * 4 + pick(x + dx, y + dy, z + dz)]! += 1;
      expect(chiSquare(seen, () => 256)).toBeLessThan(37.7);
    }
  },
);

test(
  'shares are kept over 12 × 12 patches all over the world: 5 : 3 : 2 : 1 : 1, ' +
    'chi-square below its 99.9 % bound of 18.5',
  () => {
    const shares = [5, 3, 2, 1, 1];
    const seen = shares.map(() => 0);
    for (const at of [-1200, 0, 5000, 77_777])
      for (let x = 0; x < 48; x += 1)
        for (let z = 0; z < 48; z += 1) seen[pickShare(shares, mix(at + x, 64, at - z))]! += 1;
    const all = 4 * 48 * 48;
    expect(chiSquare(seen, (i) => (all * shares[i]!) / 12)).toBeLessThan(18.5);
  },
);

test('a share of nothing is never picked, and what is picked is always one of them', () =>
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: -2, max: 5 }), { minLength: 1, maxLength: 6 }),
      fc.integer({ min: 0, max: 2 ** 32 - 1 }),
      (shares, even) => {
        const at = pickShare(shares, even);
        expect(at).toBeGreaterThanOrEqual(0);
        expect(at).toBeLessThan(shares.length);
        if (shares.some((share) => share > 0)) expect(shares[at]).toBeGreaterThan(0);
      },
    ),
  ));

test(
  'scattering stays within its bound, is the same each time and differs from place to ' + 'place',
  () => {
    const shifts = Array.from({ length: 144 }, (_, i) => scatterAt(i % 12, Math.floor(i / 12), 3));
    for (const [x, z] of shifts) expect(Math.max(Math.abs(x), Math.abs(z))).toBeLessThanOrEqual(3);
    expect(new Set(shifts.map(String)).size).toBe(144);
    expect(scatterAt(5, 7, 3)).toEqual(scatterAt(5, 7, 3));
  },
);
