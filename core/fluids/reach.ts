import { fluidTicks, type FluidPhysics } from './physics.ts';
import { Spread } from './spread.ts';
import type { FluidScene } from './scenes.ts';
import { sourceCell, type CellPlace } from './world.ts';

/** How far a fluid comes in a scene, and how long it takes. */
export interface Reach {
  /** Steps until it is at rest; undefined where it was not after all of them. */
  steps: number | undefined;
  ticks: number | undefined;
  seconds: number | undefined;
  /** The cells that it fills then, the source not counted. */
  cells: number;
  /** How many cells away from the source the farthest is, level or down, along the axes. */
  farthest: number;
  /** When each cell was first filled, in steps, by the number of the cell. */
  arrivals: ReadonlyMap<number, number>;
}

/** More steps than this nobody waits for. */
const mostSteps = 2000;

/** A fluid that was just poured in a scene. */
export function pouredIn(
  physics: FluidPhysics,
  scene: FluidScene,
): { spread: Spread; source: CellPlace } {
  const { world, source } = scene.laid(physics.reach);
  const spread = new Spread(world, physics);
  spread.put(source, sourceCell);
  return { spread, source };
}

/**
 * Pours a fluid in a scene and lets it run until it is at rest.
 *
 * @example reachOf(brine, sceneNamed('step')!, 20).seconds // 3.2
 */
export function reachOf(physics: FluidPhysics, scene: FluidScene, tickRate: number): Reach {
  const { spread, source } = pouredIn(physics, scene);
  let last = 0;
  let farthest = 0;
  const arrivals = new Map<number, number>();
  const [x, , z] = source;
  while (!spread.isAtRest && spread.steps < mostSteps)
    for (const { place, after } of spread.step()) {
      const index = spread.world.indexOf(place);
      if (after.kind === 'fluid' && !arrivals.has(index)) arrivals.set(index, spread.steps);
      last = spread.steps;
      farthest = Math.max(farthest, Math.abs(place[0] - x) + Math.abs(place[2] - z));
    }
  const steps = spread.isAtRest ? last : undefined;
  const ticks = steps === undefined ? undefined : fluidTicks(physics, steps);
  return {
    steps,
    ticks,
    seconds: ticks === undefined ? undefined : ticks / tickRate,
    cells: spread.world.count().flowing,
    farthest,
    arrivals,
  };
}
