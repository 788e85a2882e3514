import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { directionStep, type Vec3 } from '../../space/index.ts';
import { ofOpen as usual, type Body, type CellFacts } from '../grid/facts.ts';
import { aimedAt, wayOf } from './aim.ts';
import { isInTheWay, walked, type Gait, type Player } from './body.ts';

const cube: readonly Body[] = [[0, 0, 0, 1, 1, 1]];
const stone: CellFacts = { ...usual, collision: cube, isTaken: true };
const tickRate = 20;

/** Ground below 0, and otherwise what is named by its place. */
const ground = (
  cells: Record<string, Partial<CellFacts>> = {},
  floor: Partial<CellFacts> = {},
) => ({
  tickRate,
  factsAt: ([x, y, z]: Vec3): CellFacts => {
    const own = cells[`${x} ${y} ${z}`];
    if (own) return { ...usual, ...own };
    return y < 0 ? { ...stone, ...floor } : usual;
  },
});
const at = (place: Vec3, change: Partial<Player> = {}): Player => ({
  at: place,
  speed: [0, 0, 0],
  yaw: 0,
  pitch: 0,
  crouches: false,
  flies: false,
  isStanding: true,
  fallen: 0,
  ...change,
});
const rest: Gait = { forward: 0, right: 0, up: 0 };
const north: Gait = { forward: 1, right: 0, up: 0 };

function after(ticks: number, player: Player, gait: Gait, on: ReturnType<typeof ground>): Player {
  let now = player;
  for (let i = 0; i < ticks; i += 1) now = walked(now, gait, on).player;
  return now;
}

describe('Reference physics, Surface and Contact', () => {
  test('walking is 4 blocks a second on stone, and speedOnTop times that', () => {
    const from = at([0.5, 0, 0.5]);
    const going = after(40, from, north, ground());
    expect(-going.speed[2]).toBeCloseTo(4, 3);
    const fast = after(40, from, north, ground({}, { speedOnTop: 1.5 }));
    expect(-fast.speed[2]).toBeCloseTo(6, 3);
  });

  test('whoever lets go loses the share friction of the speed each tick', () => {
    const going = at([0.5, 0, 0.5], { speed: [0, 0, -4] });
    const { player } = walked(going, rest, ground({}, { friction: 0.1 }));
    expect(-player.speed[2]).toBeCloseTo(3.6, 6);
  });

  test('after a fall the share bounce of the speed is left, upward; crouching none', () => {
    const falling = (crouches: boolean) =>
      at([0.5, 0.2, 0.5], { speed: [0, -6, 0], isStanding: false, fallen: 3, crouches });
    const soft = ground({}, { bounce: 0.5 });
    const { player } = walked(falling(false), rest, soft);
    expect(player.speed[1]).toBeCloseTo((6 + 9.8 / tickRate) * 0.5, 6);
    expect(walked(falling(true), rest, soft).player.speed[1]).toBe(0);
  });

  test('whoever is inside a block loses the share dragInside of the speed each tick', () => {
    const thick = ground({ '0 0 0': { drag: 0.5 } });
    const going = at([0.5, 0, 0.5], { speed: [0, 0, -4] });
    expect(-walked(going, rest, thick).player.speed[2]).toBeCloseTo(4 * 0.4 * 0.5, 6);
  });

  test('falling adds 9.8 blocks a second each second', () => {
    const high = at([0.5, 50, 0.5], { isStanding: false });
    expect(after(20, high, rest, ground()).speed[1]).toBeCloseTo(-9.8, 6);
  });
});

test('a landing says where and after which fall; standing goes on being told', () => {
  let now = at([0.5, 2, 0.5], { isStanding: false });
  let landing: ReturnType<typeof walked>['landing'];
  for (let i = 0; i < 40 && !landing; i += 1) {
    const came = walked(now, rest, ground());
    now = came.player;
    ({ landing } = came);
  }
  expect(landing?.place).toEqual([0, -1, 0]);
  expect(landing?.fallen).toBeCloseTo(2, 6);
  expect(now.at[1]).toBe(0);
});

test('a step of one block is climbed, a wall of two is not', () => {
  const step = ground({ '0 0 -1': stone });
  const over = after(30, at([0.5, 0, 0.9]), north, step);
  expect(over.at[2]).toBeLessThan(-0.5);
  const wall = ground({ '0 0 -1': stone, '0 1 -1': stone });
  const held = after(30, at([0.5, 0, 0.9]), north, wall);
  expect(held.at[2]).toBeCloseTo(0.35, 6);
});

test('nobody ever comes to be within a block, however they go', () => {
  const cell = fc.tuple(
    fc.integer({ min: -2, max: 2 }),
    fc.integer({ min: 0, max: 2 }),
    fc.integer({ min: -2, max: 2 }),
  );
  const gait = fc.record({
    forward: fc.integer({ min: -1, max: 1 }),
    right: fc.integer({ min: -1, max: 1 }),
    up: fc.integer({ min: -1, max: 1 }),
  });
  const half: readonly Body[] = [[0, 0, 0, 1, 0.5, 1]];
  fc.assert(
    fc.property(
      fc.array(fc.tuple(cell, fc.boolean()), { maxLength: 12 }),
      fc.array(fc.tuple(gait, fc.integer({ min: 0, max: 359 })), { maxLength: 30 }),
      fc.boolean(),
      (cells, gaits, flies) => {
        const blocks = Object.fromEntries(
          cells.map(([place, isHalf]) => [
            place.join(' '),
            { ...stone, collision: isHalf ? half : cube },
          ]),
        );
        const on = ground(blocks);
        let now = at([0.5, 6, 0.5], { flies, isStanding: false });
        for (const [way, yaw] of gaits) {
          now = walked({ ...now, yaw }, way, on).player;
          for (const place of near(now.at))
            expect(isInTheWay(now, place, on.factsAt(place).collision)).toBe(false);
        }
      },
    ),
    { numRuns: 150 },
  );
});

function near([x, y, z]: Vec3): Vec3[] {
  const places: Vec3[] = [];
  for (let dx = -1; dx <= 1; dx += 1)
    for (let dy = -1; dy <= 2; dy += 1)
      for (let dz = -1; dz <= 1; dz += 1)
        places.push([Math.floor(x) + dx, Math.floor(y) + dy, Math.floor(z) + dz]);
  return places;
}

describe('what one looks at', () => {
  test('is the nearest body on the way, by the side through which it is entered', () => {
    const bodies = (place: Vec3) => (place.join(' ') === '3 0 0' ? cube : []);
    const found = aimedAt([0.5, 0.5, 0.5], wayOf(90, 0), 5, bodies);
    expect(found).toMatchObject({ place: [3, 0, 0], side: 'west', distance: 2.5 });
    expect(aimedAt([0.5, 0.5, 0.5], wayOf(90, 0), 2, bodies)).toBeUndefined();
    expect(aimedAt([0.5, 0.5, 0.5], wayOf(270, 0), 5, bodies)).toBeUndefined();
  });

  test('of a body that fills a part of its cell, the ray goes by beside it', () => {
    const low = (place: Vec3): readonly Body[] =>
      place.join(' ') === '2 0 0' ? [[0, 0, 0, 1, 0.25, 1]] : [];
    expect(aimedAt([0.5, 0.5, 0.5], [1, 0, 0], 5, low)).toBeUndefined();
    const down = aimedAt([0.5, 0.9, 0.5], wayOf(90, -20), 5, low);
    expect(down?.side).toBe('up');
    expect(down?.point[1]).toBeCloseTo(0.25, 9);
  });

  test('the side that is hit looks back at whoever looks', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 360, noNaN: true }),
        fc.double({ min: -89, max: 89, noNaN: true }),
        (yaw, pitch) => {
          const way = wayOf(yaw, pitch);
          const shell = (place: Vec3) =>
            place.some((part) => Math.abs(part) >= 3) ? cube : ([] as const);
          const found = aimedAt([0.5, 0.5, 0.5], way, 20, shell)!;
          const step = directionStep(found.side);
          expect(step[0] * way[0] + step[1] * way[1] + step[2] * way[2]).toBeLessThan(0);
        },
      ),
    );
  });
});
