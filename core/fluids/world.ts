import { itemAt } from '../lists/index.ts';
import type { Vec3 } from '../space/index.ts';

/** A place in a world of fluids: whole cells east, up and south. */
export type CellPlace = Vec3;

/**
 * What is in a cell: nothing, something solid (which block), or a fluid with its level, which is a
 * source or runs from one.
 */
export type FluidCell = OpenOrSolid | FilledCell;
export type OpenOrSolid = { kind: 'open' } | { kind: 'solid'; block: string };
export interface FilledCell {
  kind: 'fluid';
  level: number;
  isSource: boolean;
}

export const openCell: OpenOrSolid = { kind: 'open' };
/** A cell from which fluid runs. */
export const sourceCell: FilledCell = { kind: 'fluid', level: 0, isSource: true };
/** A cell that holds what stands on it. */
export const solidCell = (block = 'ground'): OpenOrSolid => ({ kind: 'solid', block });

/** In a byte: 0 for open, 1 to 15 for what flows at that level, 16 for a source, 17 for solid. */
const source = 16;
const solid = 17;

/**
 * A bounded world of one fluid. Its cells are numbers, so that a step looks at bytes; what is solid
 * is remembered by name beside them. Whatever lies outside is solid.
 */
export class FluidWorld {
  private readonly bytes: Uint8Array;
  private readonly blocks = new Map<number, string>();

  /** An open world of so many cells east, up and south. Throws a RangeError for one without any. */
  constructor(readonly size: Vec3) {
    if (size.some((side) => !Number.isInteger(side) || side < 1))
      throw new RangeError(`A world of ${size.join(' × ')} cells is none.`);
    this.bytes = new Uint8Array(size[0] * size[1] * size[2]);
  }

  /** The number of a cell; −1 outside. */
  indexOf([x, y, z]: CellPlace): number {
    const [wide, high, deep] = this.size;
    if (x < 0 || y < 0 || z < 0 || x >= wide || y >= high || z >= deep) return -1;
    return (y * deep + z) * wide + x;
  }

  placeOf(index: number): CellPlace {
    const [wide, , deep] = this.size;
    const x = index % wide;
    const rest = (index - x) / wide;
    return [x, (rest - (rest % deep)) / deep, rest % deep];
  }

  at(place: CellPlace): FluidCell {
    return this.cell(this.indexOf(place));
  }

  cell(index: number): FluidCell {
    const byte = this.byte(index);
    if (byte === 0) return openCell;
    if (byte === solid) return solidCell(this.blocks.get(index));
    return { kind: 'fluid', level: byte === source ? 0 : byte, isSource: byte === source };
  }

  /** Puts something into a cell. Throws a RangeError outside of the world, or for a level of none. */
  put(place: CellPlace, cell: FluidCell): void {
    const index = this.indexOf(place);
    if (index < 0) throw new RangeError(`The cell ${place.join(', ')} lies outside of the world.`);
    this.set(index, cell);
  }

  set(index: number, cell: FluidCell): void {
    this.blocks.delete(index);
    if (cell.kind === 'open') this.bytes[index] = 0;
    else if (cell.kind === 'solid') {
      this.bytes[index] = solid;
      this.blocks.set(index, cell.block);
    } else if (cell.isSource) this.bytes[index] = source;
    else if (cell.level >= 1 && cell.level <= 15) this.bytes[index] = cell.level;
    else throw new RangeError(`A level of ${cell.level} is none.`);
  }

  private byte(index: number): number {
    return index < 0 ? solid : itemAt(this.bytes, index);
  }

  isSource = (index: number): boolean => this.byte(index) === source;
  isSolid = (index: number): boolean => this.byte(index) === solid;
  isFluid = (index: number): boolean => {
    const byte = this.byte(index);
    return byte >= 1 && byte <= source;
  };

  /** The level of what is in a cell, a source counting as so much; 0 where there is no fluid. */
  levelAt(index: number, ofSource: number): number {
    const byte = this.byte(index);
    return byte === source ? ofSource : byte === solid ? 0 : byte;
  }

  blockAt = (index: number): string | undefined => (index < 0 ? undefined : this.blocks.get(index));

  get many(): number {
    return this.bytes.length;
  }

  /** The same world, to be changed apart. */
  copy(): FluidWorld {
    const copy = new FluidWorld(this.size);
    copy.bytes.set(this.bytes);
    for (const [index, block] of this.blocks) copy.blocks.set(index, block);
    return copy;
  }

  /** How many cells hold a source, and how many what runs from one. */
  count(): { sources: number; flowing: number } {
    let [sources, flowing] = [0, 0];
    for (const byte of this.bytes)
      if (byte === source) sources += 1;
      else if (byte >= 1 && byte < source) flowing += 1;
    return { sources, flowing };
  }

  /** True where both hold the same everywhere. */
  isLike(other: FluidWorld): boolean {
    return (
      this.size.every((side, axis) => side === other.size[axis]) &&
      this.bytes.every((byte, i) => byte === other.bytes[i]) &&
      [...this.blocks].every(([index, block]) => other.blocks.get(index) === block)
    );
  }
}
