import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { cellAt, darkVolume, floodLight, setLight, type LightVolume } from './index.ts';

const size = { width: 7, height: 4, depth: 5 };
const cells = size.width * size.height * size.depth;
const level = fc.integer({ min: 0, max: 15 });
const anyChange = fc.record({
  cell: fc.nat(cells - 1),
  emitted: fc.oneof(fc.constant(0), level),
  absorbed: fc.oneof(fc.constant(0), level, fc.constant(15)),
});

/**
 * Every cell the greatest of what it gives and what its neighbours bring, asked again until nothing
 * changes.
 */
function settled({ width, height, depth, emitted, absorbed }: LightVolume): number[] {
  const levels = [...emitted];
  for (let changed = true; changed;) {
    changed = false;
    for (let y = 0; y < height; y += 1)
      for (let z = 0; z < depth; z += 1)
        for (let x = 0; x < width; x += 1) {
          const at = (y * depth + z) * width + x;
          for (const [dx, dy, dz] of [
            [1, 0, 0],
            [-1, 0, 0],
            [0, 1, 0],
            [0, -1, 0],
            [0, 0, 1],
            [0, 0, -1],
          ] as const) {
            const [nx, ny, nz] = [x + dx, y + dy, z + dz];
            if (nx < 0 || ny < 0 || nz < 0 || nx >= width || ny >= height || nz >= depth) continue;
            const arrives = levels[(ny * depth + nz) * width + nx]! - Math.max(1, absorbed[at]!);
            if (arrives > levels[at]!) [levels[at], changed] = [arrives, true];
          }
        }
  }
  return levels;
}

test('a flood is what asking every cell again and again settles at', () =>
  fc.assert(
    fc.property(fc.array(anyChange, { maxLength: 12 }), (changes) => {
      const volume = darkVolume(size.width, size.height, size.depth);
      for (const { cell, emitted, absorbed } of changes)
        [volume.emitted[cell], volume.absorbed[cell]] = [emitted, absorbed];
      floodLight(volume);
      expect([...volume.levels]).toEqual(settled(volume));
    }),
  ));

test(
  'light that comes and goes, and walls that are built and taken away, always leave ' +
    'what a fresh flood gives',
  () =>
    fc.assert(
      fc.property(fc.array(anyChange, { minLength: 1, maxLength: 24 }), (changes) => {
        const volume = darkVolume(size.width, size.height, size.depth);
        for (const { cell, ...now } of changes) {
          setLight(volume, cell, now);
          const fresh = { ...volume, levels: new Uint8Array(cells) };
          floodLight(fresh);
          expect([...volume.levels]).toEqual([...fresh.levels]);
        }
      }),
      { numRuns: 150 },
    ),
);

test(
  'worked by hand: a lamp of 5 in a row, behind glass that takes 1, behind a pane that ' +
    'takes 3, behind a wall',
  () => {
    const row = (absorbed: number[]) => {
      const volume = darkVolume(absorbed.length, 1, 1);
      absorbed.forEach((value, x) => (volume.absorbed[x] = value));
      setLight(volume, cellAt(volume, 0, 0, 0), { emitted: 5, absorbed: 0 });
      return [...volume.levels];
    };
    expect(row([0, 0, 0, 0, 0, 0, 0])).toEqual([5, 4, 3, 2, 1, 0, 0]);
    expect(row([0, 1, 0, 0, 0, 0, 0])).toEqual([5, 4, 3, 2, 1, 0, 0]);
    expect(row([0, 3, 0, 0])).toEqual([5, 2, 1, 0]);
    expect(row([0, 15, 0, 0])).toEqual([5, 0, 0, 0]);
  },
);
