import type { Vec3 } from '../space/index.ts';
import type { FluidPhysics } from './physics.ts';
import {
  openCell,
  solidCell,
  sourceCell,
  type CellPlace,
  type FluidCell,
  type FluidWorld,
} from './world.ts';

/** A cell that became another one in a step. */
export interface Placed {
  place: CellPlace;
  before: FluidCell;
  after: FluidCell;
}

const level: readonly Vec3[] = [
  [1, 0, 0],
  [-1, 0, 0],
  [0, 0, 1],
  [0, 0, -1],
];

/**
 * A fluid that spreads, step by step; a step is `pace` ticks. All cells change at once, each by what
 * was around it before:
 *
 * 1. A source stays. What is solid stays.
 * 2. A cell that is entered from above is full: its level is the reach.
 * 3. Else it is one lower than the highest of its four level neighbours that run sideways. One runs
 *    sideways when what is under it holds it: something solid, or a source.
 * 4. Where that leaves nothing the cell is open; what has flowed there before leaves what it leaves.
 * 5. With `renews`, an open or flowing cell between two sources that is held becomes a source.
 * 6. A cell of the fluid that touches what it meets becomes what comes of that: a block, or a source
 *    of its own kind.
 *
 * For what rises, above and under change places. Only cells beside a change are looked at again, so
 * what is at rest costs nothing.
 */
export class Spread {
  private waiting: Set<number>;
  /** How many steps are done. */
  steps = 0;

  constructor(
    readonly world: FluidWorld,
    readonly physics: FluidPhysics,
    /** What it is called where it meets others. */
    readonly id = '',
  ) {
    this.waiting = new Set(Array.from({ length: world.many }, (_, index) => index));
  }

  /** True when another step would change nothing. */
  get isAtRest(): boolean {
    return this.waiting.size === 0;
  }

  /** Puts something into a cell between two steps, as a player does. */
  put(place: CellPlace, cell: FluidCell): void {
    this.world.put(place, cell);
    this.wake(this.world.indexOf(place));
  }

  /** One step; gives the cells that changed, in the order of their numbers. */
  step(): Placed[] {
    const { world } = this;
    const looked = [...this.waiting].sort((a, b) => a - b);
    const changes = looked.flatMap((index) => {
      const after = this.next(index);
      return after ? [{ index, before: world.cell(index), after }] : [];
    });
    this.waiting = new Set();
    for (const { index, after } of changes) world.set(index, after);
    for (const { index } of changes) this.wake(index);
    this.steps += 1;
    return changes.map(({ index, before, after }) => ({
      place: world.placeOf(index),
      before,
      after,
    }));
  }

  /** Steps until nothing changes, or so many are done; gives how many were. */
  run(most: number): number {
    const first = this.steps;
    while (!this.isAtRest && this.steps - first < most) this.step();
    return this.steps - first;
  }

  private wake(index: number): void {
    this.waiting.add(index);
    const [x, y, z] = this.world.placeOf(index);
    // What is under a neighbour decides whether that runs sideways: two cells off as well.
    for (const [dx, , dz] of level) {
      for (const dy of [-1, 0, 1]) this.look([x + dx, y + dy, z + dz]);
    }
    for (const dy of [-1, 1]) this.look([x, y + dy, z]);
  }

  private look(place: CellPlace): void {
    const index = this.world.indexOf(place);
    if (index >= 0) this.waiting.add(index);
  }

  private get down(): number {
    return this.physics.rises ? 1 : -1;
  }

  private neighbour(index: number, [dx, dy, dz]: Vec3): number {
    const [x, y, z] = this.world.placeOf(index);
    return this.world.indexOf([x + dx, y + dy, z + dz]);
  }

  private isHeld(index: number): boolean {
    const under = this.neighbour(index, [0, this.down, 0]);
    return this.world.isSolid(under) || this.world.isSource(under);
  }

  /** What a cell becomes; undefined where it stays. */
  private next(index: number): FluidCell | undefined {
    const { world, physics } = this;
    if (world.isSolid(index)) return undefined;
    const met = world.isFluid(index) ? this.metAt(index) : undefined;
    if (met !== undefined && met !== this.id) return solidCell(met);
    if (world.isSource(index)) return undefined;
    if (met !== undefined) return sourceCell;
    if (physics.renews && this.isRenewed(index)) return sourceCell;
    const before = world.levelAt(index, physics.reach);
    const after = this.levelFor(index);
    if (after === before) return undefined;
    if (after > 0) return { kind: 'fluid', level: after, isSource: false };
    return physics.leaves === undefined ? openCell : solidCell(physics.leaves);
  }

  private levelFor(index: number): number {
    const { world, physics } = this;
    const above = this.neighbour(index, [0, -this.down, 0]);
    if (world.isFluid(above)) return physics.reach;
    const beside = level.map((step) => {
      const other = this.neighbour(index, step);
      return world.isFluid(other) && this.isHeld(other) ? world.levelAt(other, physics.reach) : 0;
    });
    return Math.max(0, Math.max(...beside) - 1);
  }

  private isRenewed(index: number): boolean {
    const sources = level.filter((step) => this.world.isSource(this.neighbour(index, step)));
    return sources.length >= 2 && this.isHeld(index);
  }

  /** What a cell of the fluid becomes because of what it touches. */
  private metAt(index: number): string | undefined {
    const { meets = [] } = this.physics;
    if (!meets.length) return undefined;
    const around = [...level, [0, 1, 0] as Vec3, [0, -1, 0] as Vec3].map((step) =>
      this.world.blockAt(this.neighbour(index, step)),
    );
    return meets.find(({ with: other }) => around.includes(other))?.becomes;
  }
}
