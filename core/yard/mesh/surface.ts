import type { Vec3 } from '../../space/index.ts';
import type { Cells } from '../grid/cells.ts';
import type { Meant } from '../grid/numbers.ts';

/** A fluid in a cell, as its surface needs it. */
export type FluidCell = Extract<Meant, { kind: 'fluid' }>;
export type FluidAt = (place: Vec3) => FluidCell | undefined;

/** A level counts its share of the reach of ⅞ of a cell; a source ⅞. */
const stillHeight = 7 / 8;

/** What of the same fluid stands in cells, seen from one of them. */
export const fluidsIn =
  (cells: Cells, meant: (number: number) => Meant | undefined): FluidAt =>
  (place) => {
    const found = meant(cells.at(place));
    return found?.kind === 'fluid' ? found : undefined;
  };

const levelOf = ({ level, fluid }: FluidCell): number => (level === 0 ? fluid.reach : level);

/**
 * How high the surface of a fluid stands at the four corners of its cell, north-west, south-west,
 * south-east, north-east, 0 to 1: by the section Fluids, each the mean of the cells of the fluid that
 * meet there, those with the fluid above them making it 1.
 */
export function surfaceOf(
  fluidAt: FluidAt,
  [x, y, z]: Vec3,
  own: FluidCell,
): [number, number, number, number] {
  const up = own.fluid.rises ? -1 : 1;
  const isSame = (place: Vec3) => fluidAt(place)?.id === own.id;
  const corner = (dx: number, dz: number): number => {
    let [sum, many] = [0, 0];
    for (const [ax, az] of [
      [0, 0],
      [dx, 0],
      [0, dz],
      [dx, dz],
    ] as const) {
      const there = fluidAt([x + ax, y, z + az]);
      if (there?.id !== own.id) continue;
      if (isSame([x + ax, y + up, z + az])) return 1;
      sum += (levelOf(there) / there.fluid.reach) * stillHeight;
      many += 1;
    }
    return sum / Math.max(1, many);
  };
  return [corner(-1, -1), corner(-1, 1), corner(1, 1), corner(1, -1)];
}

/** Which way a fluid runs, as east and south: the sum of the ways to its neighbours by their fall. */
export function runOf(fluidAt: FluidAt, [x, y, z]: Vec3, own: FluidCell): [number, number] {
  const fall = (dx: number, dz: number): number => {
    const there = fluidAt([x + dx, y, z + dz]);
    return there?.id === own.id ? levelOf(own) - levelOf(there) : 0;
  };
  return [fall(1, 0) - fall(-1, 0), fall(0, 1) - fall(0, -1)];
}
