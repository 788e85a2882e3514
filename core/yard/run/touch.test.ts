import { expect, test } from '@jest/globals';
import type { Vec3 } from '../../space/index.ts';
import { ofOpen as open, type CellFacts } from '../grid/facts.ts';
import type { Player } from '../player/body.ts';
import { harmTo } from './touch.ts';

const player = (at: Vec3): Player => ({
  at,
  yaw: 0,
  pitch: 0,
  speed: [0, 0, 0],
  crouches: false,
  flies: false,
  isStanding: true,
  fallen: 0,
});
/** One cell, [0, 0, 0], holds something. */
const only =
  (facts: Partial<CellFacts>) =>
  (place: Vec3): CellFacts =>
    place.every((part) => part === 0) ? { ...open, ...facts } : open;

test('Contact: what has bodies is touched where they are, from above and from beside', () => {
  const slab = only({ harm: 0.25, collision: [[0, 0, 0, 1, 0.5, 1]] });
  expect(harmTo(player([0.5, 0.5, 0.5]), slab)).toEqual({ place: [0, 0, 0], share: 0.25 });
  expect(harmTo(player([0.5, 0.6, 0.5]), slab)).toBeUndefined();
  expect(harmTo(player([1.3, 0, 0.5]), slab)?.share).toBe(0.25);
  expect(harmTo(player([1.4, 0, 0.5]), slab)).toBeUndefined();
});

test('Contact: what has none, and a fluid, is touched by who is in its cell', () => {
  const bramble = only({ harm: 0.1 });
  expect(harmTo(player([0.5, 0.9, 0.5]), bramble)?.share).toBe(0.1);
  expect(harmTo(player([0.5, 1, 0.5]), bramble)).toBeUndefined();
});

test('of two, that which does more harm counts', () => {
  const both = ([, y]: Vec3): CellFacts => ({ ...open, harm: y === 0 ? 0.1 : y === 1 ? 0.4 : 0 });
  expect(harmTo(player([0.5, 0, 0.5]), both)?.share).toBe(0.4);
});
