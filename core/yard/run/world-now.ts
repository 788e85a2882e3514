import type { Effect, Occurrence, Standing } from '../../reactions/index.ts';
import type { Vec3 } from '../../space/index.ts';
import type { Around } from '../block/place.ts';
import { Cells } from '../grid/cells.ts';
import { factsOf, type CellFacts } from '../grid/facts.ts';
import { Numbers, open } from '../grid/numbers.ts';
import type { PackWorld, YardBlock } from '../pack-world.ts';
import { Yard } from '../world.ts';
import { Lighting } from './lighting.ts';

/** A block in a cell, in the state that it is in. */
export interface BlockAt {
  block: YardBlock;
  state: number;
}

/**
 * The world as it is now, twice over: as what stands in each cell, which fluids and reactions go by,
 * and as numbers with their light, which bodies and drawing go by.
 */
export class WorldNow {
  readonly numbers: Numbers;
  readonly cells: Cells;
  readonly facts: (number: number) => CellFacts;
  readonly lighting: Lighting;
  private readonly yard: Yard;
  private readonly seen = new Set<number>();
  /** So many levels the night takes from the day. */
  dark = 0;

  constructor(
    readonly pack: PackWorld,
    size: Vec3,
    random: () => number,
  ) {
    this.numbers = new Numbers(pack);
    this.cells = new Cells(size);
    this.facts = factsOf(pack, this.numbers);
    this.lighting = new Lighting(this.cells, this.facts);
    this.yard = new Yard(size, pack, {
      random,
      lightAt: ([x, y, z]) => this.lighting.at([x, y + 1, z], this.dark),
    });
  }

  lay = (place: Vec3, stands: Standing): void => {
    if (!this.isKnown(stands) || !this.cells.isInside(place)) return;
    this.yard.lay(place, stands);
    this.renumber();
  };
  put(place: Vec3, stands: Standing | undefined): void {
    if (!this.cells.isInside(place) || (stands && !this.isKnown(stands))) return;
    this.yard.put(place, stands);
    this.renumber();
  }
  happen(place: Vec3, occurrence: Occurrence): void {
    this.yard.happen(place, occurrence);
  }
  /** One tick of fluids and reactions. */
  tick(): Effect[] {
    const effects = this.yard.tick();
    this.renumber();
    return effects;
  }
  isSignalled = (place: Vec3): boolean => this.yard.isSignalled(place);
  standingAt = (place: Vec3): Standing | undefined => this.yard.at(place);
  factsAt = (place: Vec3): CellFacts => this.facts(this.cells.at(place));
  isOpen = (place: Vec3): boolean =>
    this.cells.isInside(place) && this.yard.at(place) === undefined;

  /** The block in a cell; undefined for none, and for one that the pack does not have. */
  blockAt(place: Vec3): BlockAt | undefined {
    const stands = this.yard.at(place);
    if (!stands || !('block' in stands)) return undefined;
    const block = this.pack.blocks.get(stands.block);
    return block && { block, state: stands.state };
  }

  /** What stands around a cell, as the rules of placing of a block ask for it. */
  aroundOf = (place: Vec3, block: YardBlock): Around => this.yard.aroundOf(place, block);

  isSolid = (place: Vec3): boolean => this.yard.isSolid(place);

  /** Lights the world as it stands now. */
  light(): void {
    for (const index of this.lighting.refresh()) this.seen.add(index);
  }

  /** The cells that look otherwise, or are lit otherwise, than when this was last asked. */
  takeSeen(): number[] {
    const cells = [...this.seen];
    this.seen.clear();
    return cells;
  }

  /** Brings the numbers up to what stands. */
  private renumber(): void {
    for (const place of this.yard.takeChanged()) {
      const index = this.cells.indexOf(place);
      const number = this.numberOf(place);
      if (this.cells.numbers[index] === number) continue;
      this.cells.numbers[index] = number;
      this.lighting.change(index);
      this.seen.add(index);
    }
  }

  private numberOf(place: Vec3): number {
    const stands = this.yard.at(place);
    if (!stands) return open;
    if ('block' in stands) return this.numbers.of(stands);
    return this.numbers.of({ fluid: stands.fluid, level: this.yard.levelAt(place) ?? 0 });
  }

  /** A fluid that the pack does not have cannot stand anywhere; a block does, as the marker. */
  private isKnown = (stands: Standing): boolean =>
    'block' in stands || this.pack.fluids.has(stands.fluid);
}
