import { FluidWorld, solidCell, type CellPlace } from './world.ts';

/** A little ground on which a fluid is watched, and where it is poured. */
export interface FluidScene {
  name: string;
  title: string;
  /** A world as it is before anything is poured. */
  world: () => FluidWorld;
  source: CellPlace;
}

/** The scenes stand in a slice as deep as this, cut through at the middle. */
const deep = 9;

/** A world on whose ground each column is so high, by how far east it is. */
function slice(heights: readonly number[], high: number): FluidWorld {
  const world = new FluidWorld([heights.length, high, deep]);
  heights.forEach((height, x) => {
    for (let z = 0; z < deep; z += 1)
      for (let y = 0; y < height; y += 1) world.put([x, y, z], solidCell());
  });
  return world;
}

const middle = (deep - 1) / 2;
const even = (many: number, height: number): number[] => Array.from({ length: many }, () => height);

/** The scenes in which a fluid is looked at: over a step, over a hole, into a corner, on flat ground. */
export const fluidScenes: readonly FluidScene[] = [
  {
    name: 'flat',
    title: 'On flat ground',
    world: () => slice(even(31, 1), 4),
    source: [15, 1, middle],
  },
  {
    name: 'step',
    title: 'Over a step',
    world: () => slice([...even(9, 4), ...even(22, 1)], 7),
    source: [4, 4, middle],
  },
  {
    name: 'hole',
    title: 'Over a hole',
    world: () => slice([...even(10, 3), ...even(3, 1), ...even(18, 3)], 6),
    source: [5, 3, middle],
  },
  {
    name: 'corner',
    title: 'Into a corner',
    world: () => slice([...even(3, 4), ...even(28, 1)], 5),
    source: [6, 1, middle],
  },
];

/** The scene of that name. */
export const sceneNamed = (name: string): FluidScene | undefined =>
  fluidScenes.find((scene) => scene.name === name);
