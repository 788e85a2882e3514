import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { randomMod } from '../../../inspect/testing/random-blocks.ts';
import { resolveBlocks } from '../../../mod/index.ts';
import type { Vec3 } from '../../../space/index.ts';
import { engineBox } from '../write/shape.ts';
import { shortfallsOf } from '../shortfalls.ts';
import { byteAfter } from './asks/states.ts';
import { inWords, mustBeNode } from './check.ts';
import { checksOf, differences } from './index.ts';
import { meets, rays, type Line } from './rays.ts';

const coordinate = fc.integer({ min: -8, max: 8 }).map((n) => n / 16);
const corner = fc.tuple(coordinate, coordinate, coordinate);
const box = fc.tuple(corner, corner).map(([a, b]): readonly [Vec3, Vec3] => [
  [Math.min(a[0], b[0]), Math.min(a[1], b[1]), Math.min(a[2], b[2])],
  [Math.max(a[0], b[0]) + 0.03, Math.max(a[1], b[1]) + 0.03, Math.max(a[2], b[2]) + 0.03],
]);

describe('rays', () => {
  test('where a ray meets boxes is where walking along it in small steps comes into one', () =>
    fc.assert(
      fc.property(fc.array(box, { maxLength: 3 }), fc.constantFrom(...rays), (boxes, ray) => {
        const far = meets(ray, boxes);
        const [from, to] = [ray.slice(0, 3), ray.slice(3)];
        const inside = (t: number) =>
          boxes.map(engineBox).some((one) =>
            [0, 1, 2].every((axis) => {
              const at = from[axis]! + (to[axis]! - from[axis]!) * t;
              return at >= one[axis]! - 1e-9 && at <= one[axis + 3]! + 1e-9;
            }),
          );
        const steps = Array.from({ length: 1601 }, (_, i) => i / 1600);
        const walked = steps.find(inside);
        if (walked === undefined) expect(far).toBe(-1);
        else expect(Math.abs(walked * 4 - far)).toBeLessThan(4 / 1600 + 1e-6);
      }),
    ));

  test('rays come from all six sides, and a ray beside everything meets nothing', () => {
    expect(rays).toHaveLength(6 * 49);
    const beside: Line = [-2, 5, 5, 2, 5, 5];
    expect(
      meets(beside, [
        [
          [-0.5, -0.5, -0.5],
          [0.5, 0.5, 0.5],
        ],
      ]),
    ).toBe(-1);
  });
});

describe('answers', () => {
  test('each ask judges its own answer; what is no answer is refused', () => {
    const mod = randomMod(3, 2);
    const checks = checksOf(mod, 10);
    const none = differences(checks, { answers: checks.map(() => 'nothing') });
    // Nothing is as predicted where the engine knows nothing.
    expect(none).toHaveLength(checks.length);
    expect(none.every(({ about, ours }) => about && ours)).toBe(true);
    expect(differences(checks, null)).toMatchObject([{ ours: 'answers', engine: 'nothing' }]);
    expect(differences(checks, { answers: 7 })).toHaveLength(1);
    expect(mustBeNode(['a:b', 3])(['a:b', 3])).toBeUndefined();
    expect(mustBeNode(['a:b', 3])(null)).toEqual({ ours: 'a:b, byte 3', engine: 'nothing' });
    expect(inWords([1, 'a'])).toBe('[1,"a"]');
  });

  test('a byte is turned where the engine knows it as a turn, with what else is in it', () => {
    expect(byteAfter('facedir', 0, 1)).toBe(1);
    expect(byteAfter('colorfacedir', 35, 1)).toBe(32);
    expect(byteAfter(undefined, 35, 1)).toBe(35);
  });
});

test('what the engine shows otherwise is said of the blocks that it concerns, and of no other', () => {
  const mod = randomMod(60, 3);
  const said = resolveBlocks(mod).map((block) => ({ block, words: shortfallsOf(mod, block) }));
  const about = (what: RegExp) =>
    said.filter(({ words }) => words.some((one) => what.test(one.words))).map(({ block }) => block);
  const bright = about(/brightest light/);
  expect(bright.length).toBeGreaterThan(0);
  for (const { block } of said) {
    const declared = block.declared.traits.lightEmitted === 15;
    expect([block.name, bright.includes(block)]).toEqual([block.name, declared]);
    const candidates = block.looks.rows.some(({ value }) => value.length > 1);
    expect(about(/first of \d candidates/).includes(block)).toBe(candidates);
  }
  expect(about(/the engine leaves .* as it is/).length).toBeGreaterThan(0);
});
