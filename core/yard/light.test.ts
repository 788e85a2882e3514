import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Vec3 } from '../space/index.ts';
import { Light, type Lighting } from './index.ts';

const size: Vec3 = [5, 3, 4];
const cell = fc.oneof(
  { weight: 6, arbitrary: fc.constant({ emits: 0, absorbs: 0 }) },
  fc.record({ emits: fc.constant(0), absorbs: fc.integer({ min: 1, max: 15 }) }),
  fc.record({ emits: fc.integer({ min: 1, max: 15 }), absorbs: fc.integer({ min: 0, max: 15 }) }),
);
const around = ([x, y, z]: Vec3): Vec3[] => [
  [x + 1, y, z],
  [x - 1, y, z],
  [x, y + 1, z],
  [x, y - 1, z],
  [x, y, z + 1],
  [x, y, z - 1],
];

/** The rule of the document, asked again and again until nothing changes. */
function plainly(cells: readonly Lighting[]): number[] {
  const [w, h, d] = size;
  const at = ([x, y, z]: Vec3) =>
    x >= 0 && y >= 0 && z >= 0 && x < w && y < h && z < d ? x + w * (z + d * y) : -1;
  const levels = cells.map(({ emits }) => emits);
  for (let hasChanged = true; hasChanged;) {
    hasChanged = false;
    for (let y = 0; y < h; y += 1)
      for (let z = 0; z < d; z += 1)
        for (let x = 0; x < w; x += 1)
          for (const next of around([x, y, z])) {
            const [here, there] = [at([x, y, z]), at(next)];
            if (there < 0) continue;
            const left = levels[here]! - Math.max(1, cells[there]!.absorbs);
            if (left <= levels[there]!) continue;
            levels[there] = left;
            hasChanged = true;
          }
  }
  return levels;
}

test('whatever stands there: every cell has the level that the rule gives', () =>
  fc.assert(
    fc.property(fc.array(cell, { minLength: 60, maxLength: 60 }), (cells) => {
      const [w, h, d] = size;
      const index = ([x, y, z]: Vec3) => x + w * (z + d * y);
      const light = new Light(size).shine((place) => cells[index(place)]!);
      const wanted = plainly(cells);
      for (let y = 0; y < h; y += 1)
        for (let z = 0; z < d; z += 1)
          for (let x = 0; x < w; x += 1) expect(light.at([x, y, z])).toBe(wanted[index([x, y, z])]);
    }),
  ));

test('a world that is lit anew forgets what shone before, and outside there is none', () => {
  const light = new Light([4, 1, 1]).shine(([x]) => ({ emits: x === 0 ? 9 : 0, absorbs: 0 }));
  expect([0, 1, 2, 3].map((x) => light.at([x, 0, 0]))).toEqual([9, 8, 7, 6]);
  expect(light.at([4, 0, 0])).toBe(0);
  light.shine(() => ({ emits: 0, absorbs: 0 }));
  expect(light.at([0, 0, 0])).toBe(0);
});
