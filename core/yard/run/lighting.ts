import type { Vec3 } from '../../space/index.ts';
import type { Cells } from '../grid/cells.ts';
import type { CellFacts } from '../grid/facts.ts';
import { daylight, flood } from '../light.ts';

/** The light of a world, kept up as cells change. */
export class Lighting {
  /** The light of blocks, and that of the day, by cell. */
  block: Uint8Array;
  sky: Uint8Array;
  private readonly emits: Uint8Array;
  private readonly absorbs: Uint8Array;
  private isStale = true;

  constructor(
    private readonly cells: Cells,
    private readonly facts: (number: number) => CellFacts,
  ) {
    const many = cells.numbers.length;
    [this.block, this.sky] = [new Uint8Array(many), new Uint8Array(many)];
    [this.emits, this.absorbs] = [new Uint8Array(many), new Uint8Array(many)];
  }

  /** Hears what stands in a cell now. */
  change(index: number): void {
    const { emits, absorbs } = this.facts(this.cells.numbers[index] ?? 0);
    if (this.emits[index] === emits && this.absorbs[index] === absorbs) return;
    this.emits[index] = emits;
    this.absorbs[index] = absorbs;
    this.isStale = true;
  }

  /** Lights the world anew where it has to; gives the cells whose light is another. */
  refresh(): number[] {
    if (!this.isStale) return [];
    this.isStale = false;
    const [block, sky] = [this.block, this.sky];
    this.block = this.emits.slice();
    flood(this.block, this.absorbs, this.cells.size);
    this.sky = daylight(this.absorbs, this.cells.size);
    const changed: number[] = [];
    for (let i = 0; i < block.length; i += 1)
      if (block[i] !== this.block[i] || sky[i] !== this.sky[i]) changed.push(i);
    return changed;
  }

  /** The light in a cell when the night takes so many levels of the day: full outside. */
  at(place: Vec3, dark: number): number {
    if (!this.cells.isInside(place)) return 15 - dark;
    const index = this.cells.indexOf(place);
    return Math.max(this.block[index] ?? 0, (this.sky[index] ?? 0) - dark);
  }
}
