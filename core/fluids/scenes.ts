import { FluidWorld, solidCell, type CellPlace } from './world.ts';

/** A little ground on which a fluid is watched. */
export interface FluidScene {
  name: string;
  title: string;
  /** The ground before anything is poured, as wide as a fluid of so many levels needs. */
  laid: (reach: number) => LaidScene;
}

/** A world as it is before anything is poured, and where that is done. */
export interface LaidScene {
  world: FluidWorld;
  source: CellPlace;
}

/**
 * A world on whose ground each column is so high, by how far east it is, and so deep that a fluid
 * of so many levels, poured in the middle, comes to its end on both sides.
 */
function slice(heights: readonly number[], high: number, reach: number): FluidWorld {
  const deep = 2 * reach + 1;
  const world = new FluidWorld([heights.length, high, deep]);
  heights.forEach((height, x) => {
    for (let z = 0; z < deep; z += 1)
      for (let y = 0; y < height; y += 1) world.put([x, y, z], solidCell());
  });
  return world;
}

const even = (many: number, height: number): number[] => Array.from({ length: many }, () => height);
const scene = (
  name: string,
  title: string,
  heights: (reach: number) => number[],
  high: number,
  source: (reach: number) => readonly [x: number, y: number],
): FluidScene => ({
  name,
  title,
  laid: (reach) => ({
    world: slice(heights(reach), high, reach),
    source: [...source(reach), reach],
  }),
});

/** The scenes in which a fluid is looked at: on flat ground, over a step, over a hole, into a corner. */
export const fluidScenes: readonly FluidScene[] = [
  scene(
    'flat',
    'On flat ground',
    (reach) => even(2 * reach + 3, 2),
    6,
    (reach) => [reach + 1, 2],
  ),
  scene(
    'step',
    'Over a step',
    (reach) => [...even(4, 5), ...even(reach + 3, 2)],
    8,
    () => [2, 5],
  ),
  scene(
    'hole',
    'Over a hole',
    (reach) => [...even(4, 4), ...even(3, 1), ...even(reach + 2, 4)],
    7,
    () => [2, 4],
  ),
  scene(
    'corner',
    'Into a corner',
    (reach) => [...even(2, 5), ...even(reach + 5, 2)],
    7,
    () => [4, 2],
  ),
];

/** The scene of that name. */
export const sceneNamed = (name: string): FluidScene | undefined =>
  fluidScenes.find((scene) => scene.name === name);
