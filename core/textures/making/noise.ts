import { mix } from '../../space/index.ts';

/** A number from 0 up to but without 1 that belongs to a place and a seed. */
export const chanceAt = (x: number, y: number, seed: number): number => mix(x, y, seed) / 2 ** 32;

/** What goes on with the same values beyond its sides: places run from 0 to 1 and round again. */
export type Field = (across: number, down: number) => number;
/** A field that moves, and after a time from 0 to 1 is as it was. */
export type MovingField = (across: number, down: number, time: number) => number;

/**
 * Smooth noise from -1 to 1 that tiles: values on a lattice of so many cells, eased between them
 * (value noise; Ebert et al., *Texturing and Modeling*, 3rd ed., 2.5).
 *
 * @example noise(4, 4, 7)(0.25, 1.5) === noise(4, 4, 7)(1.25, 0.5)
 */
export function noise(cellsAcross: number, cellsDown: number, seed: number): Field {
  const moving = movingNoise(cellsAcross, cellsDown, 1, seed);
  return (across, down) => moving(across, down, 0);
}

/** Smooth noise that tiles and comes back after so many steps of time. */
export function movingNoise(
  cellsAcross: number,
  cellsDown: number,
  steps: number,
  seed: number,
): MovingField {
  const at = (x: number, y: number, step: number): number =>
    chanceAt(
      modulo(x, cellsAcross) + cellsAcross * modulo(step, steps),
      modulo(y, cellsDown),
      seed,
    ) *
      2 -
    1;
  return (across, down, time) => {
    const [x, left] = parts(across * cellsAcross);
    const [y, top] = parts(down * cellsDown);
    const [step, since] = parts(time * steps);
    const plane = (on: number) =>
      between(
        between(at(x, y, on), at(x + 1, y, on), left),
        between(at(x, y + 1, on), at(x + 1, y + 1, on), left),
        top,
      );
    return steps === 1 ? plane(0) : between(plane(step), plane(step + 1), since);
  };
}

/** How far a place is from the nearest of some scattered points, and from the next one. */
export interface Nearness {
  nearest: number;
  next: number;
  /** Which point is nearest: a number from 0 to 1 of its own. */
  chance: number;
}

/**
 * The nearest of scattered points, one in each cell of a lattice, in cells (S. Worley, 1996, *A
 * cellular texture basis function*). It tiles.
 */
export function scattered(cells: number, seed: number): (x: number, y: number) => Nearness {
  return (across, down) => {
    const [px, py] = [across * cells, down * cells];
    const found: Nearness = { nearest: Infinity, next: Infinity, chance: 0 };
    for (let dy = -2; dy <= 2; dy += 1)
      for (let dx = -2; dx <= 2; dx += 1) {
        const [x, y] = [Math.floor(px) + dx, Math.floor(py) + dy];
        const [homeX, homeY] = [modulo(x, cells), modulo(y, cells)];
        const far = Math.hypot(
          x + chanceAt(homeX, homeY, seed) - px,
          y + chanceAt(homeX, homeY, seed + 1) - py,
        );
        if (far >= found.next) continue;
        if (far < found.nearest)
          Object.assign(found, {
            next: found.nearest,
            nearest: far,
            chance: chanceAt(homeX, homeY, seed + 2),
          });
        else found.next = far;
      }
    return found;
  };
}

/** What is left of a number when whole steps are taken away, from 0 up to the step. */
export const modulo = (value: number, by: number): number => ((value % by) + by) % by;

/** How far a place is from another where both go round after 1. */
export function wayRound(from: number, to: number): number {
  const way = modulo(to - from, 1);
  return way > 0.5 ? way - 1 : way;
}

const parts = (value: number): [whole: number, rest: number] => {
  const whole = Math.floor(value);
  return [whole, value - whole];
};

/** Between two values with no corner at either (Hermite). */
const between = (from: number, to: number, share: number): number =>
  from + (to - from) * share * share * (3 - 2 * share);
