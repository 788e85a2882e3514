import { FluidsTogether, openCell, solidCell, sourceCell } from '../fluids/index.ts';
import { ReactionWorld, type Effect, type Occurrence, type Standing } from '../reactions/index.ts';
import { directions, directionStep, type Vec3 } from '../space/index.ts';
import { followed, follows, type Around } from './block/place.ts';
import { isSolid } from './block/solid.ts';
import type { PackWorld, YardBlock } from './pack-world.ts';

export interface YardOptions {
  random?: () => number;
  lightAt?: (place: Vec3) => number;
}

const plus = (place: Vec3, step: Vec3): Vec3 => [
  place[0] + step[0],
  place[1] + step[1],
  place[2] + step[2],
];

/**
 * A bounded world of a pack on ticks: in each the fluids move first, then the blocks answer, then
 * what follows its neighbours is set anew. Every block holds fluids back; where a fluid comes or
 * goes, the blocks beside it hear that a neighbour changes, and where a reaction puts something, the
 * fluids run round it.
 *
 * @example
 * const yard = new Yard([9, 4, 9], worldFrom(readPack(files)));
 * yard.put([4, 1, 4], { fluid: 'saltmarsh:brine' });
 * yard.tick();
 */
export class Yard {
  private readonly fluids: FluidsTogether;
  private readonly reactions: ReactionWorld;
  private touched = new Map<string, Vec3>();
  /** What changed since blocks followed last. */
  private changed = new Map<string, Vec3>();
  private readonly following: ReadonlySet<string>;

  constructor(
    readonly size: Vec3,
    private readonly pack: PackWorld,
    options: YardOptions = {},
  ) {
    this.fluids = new FluidsTogether(size, pack.fluids);
    this.reactions = new ReactionWorld({ blocks: pack.blocks, isMeant: pack.isMeant, ...options });
    this.following = new Set([...pack.blocks.values()].filter(follows).map(({ id }) => id));
  }

  get ticks(): number {
    return this.reactions.ticks;
  }

  at = (place: Vec3): Standing | undefined => this.reactions.at(place);
  /** How high a fluid stands in a cell: 0 for a source, its level for what runs; else undefined. */
  levelAt(place: Vec3): number | undefined {
    const cell = this.fluids.at(place);
    return cell.kind === 'fluid' ? cell.level : undefined;
  }
  isSignalled = (place: Vec3): boolean => this.reactions.isSignalled(place);
  strengthAt = (place: Vec3): number => this.reactions.strengthAt(place);

  /** The cells in which something changed since this was last asked. */
  takeChanged(): Vec3[] {
    const places = [...this.touched.values()];
    this.touched = new Map();
    return places;
  }
  private touch(place: Vec3): void {
    this.touched.set(place.join(' '), place);
  }
  private change(place: Vec3): void {
    this.touch(place);
    this.changed.set(place.join(' '), place);
  }

  /** Whether what stands in a cell leaves nothing of it open; so does a block that nobody knows. */
  isSolid(place: Vec3): boolean {
    const stands = this.at(place);
    if (!stands || !('block' in stands)) return false;
    const block = this.pack.blocks.get(stands.block);
    return !block || isSolid(block, stands.state, this.pack.texels);
  }

  /** What stands around a cell, as the rules of placing of a block ask for it. */
  aroundOf(place: Vec3, { id, space }: YardBlock): Around {
    return {
      isSolid: (side) => this.isSolid(plus(place, directionStep(side))),
      hasSignal: this.isSignalled(place),
      ownKind: (side) => {
        const stands = this.at(plus(place, directionStep(side)));
        return stands && 'block' in stands && stands.block === id
          ? space.decode(stands.state)
          : undefined;
      },
    };
  }

  /** What stands in a cell from the start, which nobody hears of. */
  lay(place: Vec3, stands: Standing): void {
    this.touch(place);
    this.show(place, stands);
    this.reactions.lay(place, stands);
  }

  /** Puts a block, the source of a fluid or nothing. Throws a RangeError outside of the world. */
  put(place: Vec3, stands: Standing | undefined): void {
    this.change(place);
    this.show(place, stands);
    this.reactions.put(place, stands);
  }

  happen(place: Vec3, occurrence: Occurrence): void {
    this.reactions.happen(place, occurrence);
  }

  /** One tick; gives what came of reactions. */
  tick(): Effect[] {
    for (const { place, after } of this.fluids.tick()) {
      const stands = this.standing(after);
      const before = this.reactions.at(place);
      this.change(place);
      if (JSON.stringify(before) !== JSON.stringify(stands)) this.reactions.put(place, stands);
    }
    const effects = this.reactions.tick();
    // What a reaction does beyond the rim of the world no fluid sees.
    for (const { place } of this.reactions.changed()) {
      if (!this.isInside(place)) continue;
      this.change(place);
      this.show(place, this.reactions.at(place));
    }
    this.follow();
    return effects;
  }

  /** Sets anew what follows a neighbour that changed; what comes of that is followed next time. */
  private follow(): void {
    const near = new Map<string, Vec3>();
    for (const place of this.changed.values())
      for (const side of directions) {
        const beside = plus(place, directionStep(side));
        near.set(beside.join(' '), beside);
      }
    this.changed.clear();
    for (const place of near.values()) {
      const stands = this.at(place);
      if (!stands || !('block' in stands) || !this.following.has(stands.block)) continue;
      const block = this.pack.blocks.get(stands.block);
      const after = block && followed(block, stands.state, this.aroundOf(place, block));
      if (after === undefined || after === stands.state) continue;
      this.reactions.alter(place, after);
      this.change(place);
    }
  }

  private isInside = (place: Vec3): boolean =>
    place.every((part, axis) => part >= 0 && part < (this.size[axis] ?? 0));

  private standing(cell: ReturnType<FluidsTogether['at']>): Standing | undefined {
    if (cell.kind === 'open') return undefined;
    return cell.kind === 'fluid'
      ? { fluid: cell.fluid }
      : { block: cell.block, state: this.reactions.usualStateOf(cell.block) };
  }

  /** Shows the fluids what stands in a cell; what is there already is left as it is. */
  private show(place: Vec3, stands: Standing | undefined): void {
    const cell = this.fluids.at(place);
    if (!stands) {
      if (cell.kind !== 'open') this.fluids.put(place, openCell);
    } else if ('fluid' in stands) {
      if (cell.kind !== 'fluid' || cell.fluid !== stands.fluid)
        this.fluids.put(place, { ...sourceCell, fluid: stands.fluid });
    } else if (cell.kind !== 'solid' || cell.block !== stands.block)
      this.fluids.put(place, solidCell(stands.block));
  }
}
