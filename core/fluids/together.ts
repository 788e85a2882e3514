import type { Vec3 } from '../space/index.ts';
import type { FluidPhysics } from './physics.ts';
import { Spread } from './spread.ts';
import {
  FluidWorld,
  openCell,
  solidCell,
  sourceCell,
  type CellPlace,
  type FilledCell,
  type FluidCell,
  type OpenOrSolid,
} from './world.ts';

/** What is in a cell of a world of several fluids: one of them says which. */
export type MixedCell = OpenOrSolid | (FilledCell & { fluid: string });

/** A cell that became another one at a tick. */
export interface Poured {
  place: CellPlace;
  after: MixedCell;
}

/**
 * A bounded world of several fluids on fixed ticks. To each of them a cell of another one is as
 * good as solid, under the id of that. Every `pace` ticks a fluid makes a step of {@link Spread};
 * of several in one tick the one whose id comes first in the alphabet is first, and the next sees
 * what it did.
 *
 * @example
 * const fluids = new FluidsTogether([9, 4, 9], new Map([['saltmarsh:brine', brine]]));
 * fluids.put([4, 1, 4], { kind: 'fluid', fluid: 'saltmarsh:brine', level: 0, isSource: true });
 * fluids.tick(); // the cells that changed
 */
export class FluidsTogether {
  private readonly spreads: ReadonlyMap<string, Spread>;
  /** How many ticks have passed. */
  ticks = 0;

  constructor(
    readonly size: Vec3,
    physics: ReadonlyMap<string, FluidPhysics>,
  ) {
    this.spreads = new Map(
      [...physics]
        .sort(([a], [b]) => (a < b ? -1 : 1))
        .map(([id, one]) => [id, new Spread(new FluidWorld(size), one, id)]),
    );
  }

  get isAtRest(): boolean {
    return [...this.spreads.values()].every((spread) => spread.isAtRest);
  }

  /** What is in a cell; outside it is solid. */
  at(place: CellPlace): MixedCell {
    let found = openCell;
    for (const [id, { world }] of this.spreads) {
      const cell = world.at(place);
      if (cell.kind === 'fluid') return { ...cell, fluid: id };
      found = cell;
    }
    return found;
  }

  /** Puts something into a cell between two ticks. Throws a RangeError outside, or for no fluid of it. */
  put(place: CellPlace, cell: MixedCell): void {
    if (cell.kind === 'fluid' && !this.spreads.has(cell.fluid))
      throw new RangeError(`There is no fluid ${cell.fluid} here.`);
    for (const [id, spread] of this.spreads) spread.put(place, seenBy(id, cell));
  }

  /** One tick; gives the cells that changed, each as it is afterwards. */
  tick(): Poured[] {
    this.ticks += 1;
    return [...this.spreads].flatMap(([id, spread]) =>
      this.ticks % spread.physics.pace === 0 && !spread.isAtRest ? this.step(id, spread) : [],
    );
  }

  private step(id: string, spread: Spread): Poured[] {
    return spread.step().map(({ place, after }) => {
      const became = this.named(id, after);
      for (const [other, seeing] of this.spreads) if (other !== id) show(seeing, place, became);
      return { place, after: became };
    });
  }

  /** A block that is called like one of the fluids is a source of that. */
  private named(id: string, cell: FluidCell): MixedCell {
    if (cell.kind === 'fluid') return { ...cell, fluid: id };
    return cell.kind === 'solid' && this.spreads.has(cell.block)
      ? { ...sourceCell, fluid: cell.block }
      : cell;
  }
}

/** Shows a fluid what a cell has become; another level of another fluid is nothing new to it. */
function show(spread: Spread, place: CellPlace, cell: MixedCell): void {
  const seen = seenBy(spread.id, cell);
  const before = spread.world.at(place);
  const isKnown = before.kind === 'solid' && seen.kind === 'solid' && before.block === seen.block;
  if (!isKnown) spread.put(place, seen);
}

/** A cell as one of the fluids sees it: another fluid is solid, under its id. */
const seenBy = (id: string, cell: MixedCell): FluidCell =>
  cell.kind === 'fluid' && cell.fluid !== id ? solidCell(cell.fluid) : cell;
