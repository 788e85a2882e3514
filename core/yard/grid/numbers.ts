import type { PackWorld, YardBlock, YardFluid } from '../pack-world.ts';

/** What a number of a cell stands for. A block that the pack does not have keeps its name. */
export type Meant =
  | { kind: 'block'; block: YardBlock; state: number }
  | { kind: 'fluid'; id: string; fluid: YardFluid; level: number }
  | { kind: 'unknown'; id: string };

/** What stands in a cell: a block in a state, or a fluid at a level, 0 for a source. */
export type Stands = { block: string; state: number } | { fluid: string; level: number };

/** The number of a cell in which nothing stands. */
export const open = 0;

/**
 * A whole number for everything that can stand in a cell of a pack: each state of each block, each
 * level of each fluid, and, as they are met, blocks that the pack does not have.
 *
 * @example numbers.meant(numbers.of({ block: 'saltmarsh:tide_lantern', state: 3 }))
 */
export class Numbers {
  private readonly firsts = new Map<string, number>();
  private readonly starts: { first: number; meant: (offset: number) => Meant; many: number }[] = [];
  private next = open + 1;

  constructor(private readonly world: PackWorld) {
    for (const block of world.blocks.values())
      this.add(`block ${block.id}`, block.space.size, (state) => ({ kind: 'block', block, state }));
    for (const [id, fluid] of world.fluids)
      this.add(`fluid ${id}`, fluid.reach + 1, (level) => ({ kind: 'fluid', id, fluid, level }));
  }

  /** Every number is below this one. */
  get count(): number {
    return this.next;
  }

  /** The number of what stands somewhere; that of nothing for a fluid that the pack does not have. */
  of(stands: Stands | undefined): number {
    if (!stands) return open;
    if ('fluid' in stands) {
      const first = this.firsts.get(`fluid ${stands.fluid}`);
      const { reach = 0 } = this.world.fluids.get(stands.fluid) ?? {};
      return first === undefined ? open : first + Math.min(stands.level, reach);
    }
    const block = this.world.blocks.get(stands.block);
    const first = this.firsts.get(`block ${stands.block}`);
    if (block && first !== undefined) return first + Math.min(stands.state, block.space.size - 1);
    const id = stands.block;
    return (
      this.firsts.get(`unknown ${id}`) ??
      this.add(`unknown ${id}`, 1, () => ({ kind: 'unknown', id }))
    );
  }

  /** What a number stands for; undefined for nothing. */
  meant(number: number): Meant | undefined {
    if (number <= open || number >= this.next) return undefined;
    let [low, high] = [0, this.starts.length - 1];
    while (low < high) {
      const half = (low + high + 1) >> 1;
      if ((this.starts[half]?.first ?? 0) <= number) low = half;
      else high = half - 1;
    }
    const start = this.starts[low];
    return start?.meant(number - start.first);
  }

  private add(key: string, many: number, meant: (offset: number) => Meant): number {
    const first = this.next;
    this.firsts.set(key, first);
    this.starts.push({ first, meant, many });
    this.next += many;
    return first;
  }
}
