import { vector, type Vec3 } from '../../space/index.ts';
import type { Drop } from '../block/loot.ts';
import type { CellFacts } from '../grid/facts.ts';

/** Something that dropped and was not collected yet. */
export interface Flying {
  drop: Drop;
  at: Vec3;
  speed: Vec3;
  age: number;
}

const gravity = 9.8;
/** It can be collected once it is so many ticks old, from so near. */
const ripe = 8;
const near = 1.6;

/** Where a drop begins: in the middle of its cell, thrown up a little and to a side. */
export const thrown = (drop: Drop, place: Vec3, random: () => number): Flying => ({
  drop,
  at: vector((axis) => place[axis] + 0.5),
  speed: [(random() - 0.5) * 2.4, 2.5, (random() - 0.5) * 2.4],
  age: 0,
});

/** One tick of what dropped: it falls, and lies on what it comes to. */
export function fallen(one: Flying, factsAt: (place: Vec3) => CellFacts, tickRate: number): Flying {
  const speed: [number, number, number] = [
    one.speed[0] * 0.92,
    one.speed[1] - gravity / tickRate,
    one.speed[2] * 0.92,
  ];
  const to: [number, number, number] = [...one.at];
  for (const axis of [0, 1, 2] as const) {
    const before = to[axis];
    to[axis] += speed[axis] / tickRate;
    if (!isWithin(to, factsAt)) continue;
    to[axis] = before;
    speed[axis] = 0;
    if (axis === 1) [speed[0], speed[2]] = [speed[0] * 0.5, speed[2] * 0.5];
  }
  return { ...one, at: to, speed, age: one.age + 1 };
}

function isWithin(point: Vec3, factsAt: (place: Vec3) => CellFacts): boolean {
  const cell = vector((axis) => Math.floor(point[axis]));
  return factsAt(cell).collision.some((body) =>
    [0, 1, 2].every((axis) => {
      const part = point[axis]! - cell[axis]!;
      return part > body[axis]! && part < body[axis + 3]!;
    }),
  );
}

/** Whether somebody whose feet are there collects it. */
export function isCollected({ at, age }: Flying, feet: Vec3): boolean {
  const away = vector((axis) => at[axis] - feet[axis] - (axis === 1 ? 0.8 : 0));
  return age >= ripe && away[0] ** 2 + away[1] ** 2 + away[2] ** 2 < near ** 2;
}
