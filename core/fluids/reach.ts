import { fluidTicks, type FluidPhysics } from './physics.ts';
import { Spread } from './spread.ts';
import type { FluidScene } from './scenes.ts';

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
}

/** More steps than this nobody waits for. */
const mostSteps = 2000;

/**
 * Pours a fluid in a scene and lets it run until it is at rest.
 *
 * @example reachOf(brine, sceneNamed('step')!, 20).seconds // 3.2
 */
export function reachOf(physics: FluidPhysics, scene: FluidScene, tickRate: number): Reach {
  const spread = new Spread(scene.world(), physics);
  spread.put(scene.source, { kind: 'fluid', level: 0, isSource: true });
  let last = 0;
  let farthest = 0;
  const [x, , z] = scene.source;
  while (!spread.isAtRest && spread.steps < mostSteps)
    for (const { place } of spread.step()) {
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
  };
}
