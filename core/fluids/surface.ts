import type { CellPlace, FluidWorld } from './world.ts';

/** Heights of a surface at the corners of its cell, 0 to 1, and by which corner. */
export interface Corners {
  northWest: number;
  northEast: number;
  southEast: number;
  southWest: number;
}

/** How high a source stands in its cell, where nothing is above it: a little below the rim. */
const stillHeight = 14 / 16;

/**
 * How high a fluid stands in a cell, 0 to 1: full where more of it is above, else by its level, a
 * source a little below the rim. Undefined where there is none.
 */
function heightAt(world: FluidWorld, place: CellPlace, reach: number, up: number) {
  const index = world.indexOf(place);
  if (!world.isFluid(index)) return undefined;
  const [x, y, z] = place;
  if (world.isFluid(world.indexOf([x, y + up, z]))) return 1;
  return (world.levelAt(index, reach) / reach) * stillHeight;
}

/**
 * The heights of a cell's surface at its four corners: each the mean of the cells of the fluid that
 * meet there, but full where one of them is. So neighbouring surfaces meet without a step.
 *
 * @example cornerHeights(world, [3, 1, 3], 6) // { northWest: 0.875, northEast: 0.66, … }
 */
export function cornerHeights(
  world: FluidWorld,
  [x, y, z]: CellPlace,
  reach: number,
  rises = false,
): Corners {
  const up = rises ? -1 : 1;
  const corner = (dx: number, dz: number): number => {
    const places: CellPlace[] = [
      [x, y, z],
      [x + dx, y, z],
      [x, y, z + dz],
      [x + dx, y, z + dz],
    ];
    const heights = places.flatMap((place) => heightAt(world, place, reach, up) ?? []);
    if (heights.includes(1)) return 1;
    return heights.reduce((sum, height) => sum + height, 0) / Math.max(1, heights.length);
  };
  return {
    northWest: corner(-1, -1),
    northEast: corner(1, -1),
    southEast: corner(1, 1),
    southWest: corner(-1, 1),
  };
}

/**
 * Which way the fluid in a cell runs, as a step east and a step south of a length of 1, or none
 * where it is still: down its slope, by the levels around.
 */
export function flowAt(
  world: FluidWorld,
  [x, y, z]: CellPlace,
  reach: number,
): { east: number; south: number } {
  const own = world.levelAt(world.indexOf([x, y, z]), reach);
  const fall = (dx: number, dz: number): number => {
    const index = world.indexOf([x + dx, y, z + dz]);
    return world.isFluid(index) ? own - world.levelAt(index, reach) : 0;
  };
  const east = fall(1, 0) - fall(-1, 0);
  const south = fall(0, 1) - fall(0, -1);
  const length = Math.hypot(east, south);
  return length === 0 ? { east: 0, south: 0 } : { east: east / length, south: south / length };
}
