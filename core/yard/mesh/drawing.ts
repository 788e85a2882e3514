import { directionStep, type Direction, type Vec3 } from '../../space/index.ts';
import type { Cells } from '../grid/cells.ts';
import type { CellFacts } from '../grid/facts.ts';
import type { Numbers } from '../grid/numbers.ts';
import { fullLight } from '../light.ts';
import type { Looks } from '../look/drawn.ts';
import type { WorldNow } from '../run/world-now.ts';

/** A world as it is drawn: what stands where, how it looks, and its light. */
export interface Drawing {
  cells: Cells;
  numbers: Numbers;
  looks: Looks;
  facts: (number: number) => CellFacts;
  /** The number of a picture; 0 for the marker. */
  pictureNumber: (id: string | undefined) => number;
  fluidLook: (id: string) => { still?: string; flowing?: string; tint?: string; isClear: boolean };
  /** The light of blocks, and that of the day, by cell. */
  block: Uint8Array;
  sky: Uint8Array;
  texels: number;
}

/** A world as it stands now, to be drawn with these looks and pictures. */
export const drawingOf = (
  { cells, numbers, facts, lighting, pack }: WorldNow,
  how: Pick<Drawing, 'looks' | 'pictureNumber' | 'fluidLook'>,
): Drawing => ({
  ...how,
  cells,
  numbers,
  facts,
  block: lighting.block,
  sky: lighting.sky,
  texels: pack.texels,
});

/** The cell beyond a side. */
export const stepTo = ([x, y, z]: Vec3, side: Direction): Vec3 => {
  const [dx, dy, dz] = directionStep(side);
  return [x + dx, y + dy, z + dz];
};

/**
 * The brighter of the light in the cell itself and in the one that a face looks into; outside of
 * the world it is that of open air.
 */
export function lightOf(
  { cells, block, sky }: Drawing,
  place: Vec3,
  normal: Vec3,
): { block: number; sky: number } {
  const next = stepTo(place, directionNear(normal));
  const own = cells.indexOf(place);
  const [ownBlock, ownSky] = [block[own] ?? 0, sky[own] ?? 0];
  if (!cells.isInside(next)) return { block: ownBlock, sky: fullLight };
  const there = cells.indexOf(next);
  return {
    block: Math.max(ownBlock, block[there] ?? 0),
    sky: Math.max(ownSky, sky[there] ?? 0),
  };
}

/** The direction that is nearest to the way that a face looks. */
function directionNear([x, y, z]: Vec3): Direction {
  const [a, b, c] = [Math.abs(x), Math.abs(y), Math.abs(z)];
  if (b >= a && b >= c) return y > 0 ? 'up' : 'down';
  if (a >= c) return x > 0 ? 'east' : 'west';
  return z > 0 ? 'south' : 'north';
}
