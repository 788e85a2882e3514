import type { Action, Reaction } from '../mod/index.ts';
import { directions, directionStep, type Direction, type Vec3 } from '../space/index.ts';
import type { StateSpace } from '../states/index.ts';
import {
  answers,
  byIdAlone,
  reactionTo,
  type Beside,
  type IsMeant,
  type Occurrence,
} from './occurrence.ts';
import { comesAs, stateAfter } from './own-state.ts';

/** A block as the world of reactions knows it. */
export interface ReactingBlock {
  id: string;
  space: StateSpace;
  reactions: readonly Reaction[];
}

/** What stands in a cell: a block in a state, or a fluid's source. Nothing has no cell. */
export type Standing = { block: string; state: number } | { fluid: string };

/** One thing that came of a reaction, and where. */
export interface Effect {
  tick: number;
  place: Vec3;
  /** The block that did it, and by which of its reactions. */
  by: string;
  reaction: number;
  event: Occurrence['event'];
  action: Action;
  /** The state before and after, where the action was one of the block's own state. */
  states?: readonly [before: number, after: number];
}

/** What a world is made with. */
export interface WorldParts {
  blocks: ReadonlyMap<string, ReactingBlock>;
  isMeant?: IsMeant;
  /** A number from 0 up to but without 1, for chance. */
  random?: () => number;
  /** The light above a block, 0 to 15; full where nothing is said. */
  lightAt?: (place: Vec3) => number;
}

interface Cell {
  stands: Standing;
  /** The signal that it gives, and the tick at which that ends by itself. */
  strength: number;
  until: number;
  timers: { at: number; reaction: number }[];
}

/** A cell that holds something. Cells are gone through in the order in which they came to. */
interface Entry {
  place: Vec3;
  cell: Cell;
  order: number;
}

/** Something that happened in a cell. */
interface Heard {
  place: Vec3;
  occurrence: Occurrence;
  /** What was broken: when it is heard it stands there no more. */
  was?: Standing | undefined;
}

/** What is worked out at most once, and only where it is asked for. */
function once<T>(make: () => T): () => T {
  let made: { value: T } | undefined;
  return () => (made ??= { value: make() }).value;
}

const keyOf = ([x, y, z]: Vec3): string => `${x} ${y} ${z}`;
const beside = ([x, y, z]: Vec3, side: Direction): Vec3 => {
  const [dx, dy, dz] = directionStep(side);
  return [x + dx, y + dy, z + dz];
};

/**
 * A world of blocks that react, on fixed ticks. What an action brings about is heard in the next
 * tick, in the order in which it came about, so that nothing can go round within one tick:
 *
 * 1. Signals that end by themselves at this tick end.
 * 2. What is heard at this tick is answered, in its order: by the first reaction that fits.
 * 3. Timers that are due are answered, in the order of their cells' appearance and of the reactions.
 * 4. Each reaction at random is drawn with the chance 1 in its ticks, in the same order.
 *
 * Whenever a block comes to stand, or is in another state than before, its timers begin anew: one
 * for each reaction after ticks whose `state` fits. Its six neighbours then hear that a neighbour
 * changes: once in a tick, however many of theirs do. A block gives a signal to its six neighbours;
 * one of them hears that a signal comes when it had none before, and that it goes when it has none
 * left, and nothing of one that comes and goes again before it is heard.
 *
 * @example
 * const world = new ReactionWorld({ blocks });
 * world.put([0, 0, 0], { block: 'saltmarsh:lever', state: 0 });
 * world.happen([0, 0, 0], { event: 'used', by: 'players' });
 * world.tick(); // what came of it
 */
export class ReactionWorld {
  private readonly cells = new Map<string, Entry>();
  /** Those in which something may come of itself, so that what is at rest costs nothing. */
  private readonly lively = new Map<string, Entry>();
  private nextOrder = 0;
  private heard: Heard[] = [];
  /** What cells are to hear of their neighbours, by cell and by what it is of. */
  private readonly stirred = new Map<string, Heard>();
  private effects: Effect[] = [];
  private touched = new Map<string, Vec3>();
  /** How many blocks give a signal. */
  private giving = 0;
  ticks = 0;

  constructor(private readonly parts: WorldParts) {}

  /** What stands in a cell; undefined for nothing. */
  at(place: Vec3): Standing | undefined {
    return this.cells.get(keyOf(place))?.cell.stands;
  }

  /** The signal that a block gives, 0 to 15. */
  strengthAt(place: Vec3): number {
    return this.cells.get(keyOf(place))?.cell.strength ?? 0;
  }

  /** Whether a signal comes to a cell from one of its neighbours. */
  isSignalled = (place: Vec3): boolean =>
    this.giving > 0 && directions.some((side) => this.strengthAt(beside(place, side)) > 0);

  /** Whether anything is still to be heard, or a timer runs. */
  get isWaiting(): boolean {
    return (
      this.heard.length > 0 ||
      [...this.lively.values()].some(({ cell }) => cell.timers.length > 0 || cell.until < Infinity)
    );
  }
  /** What is heard in the next tick. */
  get toHear(): readonly Heard[] {
    return this.heard;
  }

  /** The cells in which something changed in the last tick. */
  changed(): { place: Vec3 }[] {
    return [...this.touched.values()].map((place) => ({ place }));
  }

  /** The state in which a block stands when nothing is said of it. */
  usualStateOf = (block: string): number => this.parts.blocks.get(block)?.space.defaultState ?? 0;

  /** Puts something into a cell, or nothing, as a player or the world does. */
  put(place: Vec3, stands: Standing | undefined): void {
    this.change(place, stands);
  }

  /** Puts the block of a cell into another state; the signal that it gives goes on. */
  alter(place: Vec3, state: number): void {
    const stands = this.at(place);
    if (stands && 'block' in stands) this.change(place, { block: stands.block, state }, true);
  }

  /** What a cell holds from the start: nobody hears of it. Its timers begin. */
  lay(place: Vec3, stands: Standing): void {
    this.hold(place, { stands, strength: 0, until: Infinity, timers: this.timersOf(stands) });
  }

  private hold(place: Vec3, cell: Cell): void {
    const key = keyOf(place);
    const order = this.cells.get(key)?.order ?? this.nextOrder++;
    const entry = { place, cell, order };
    this.cells.set(key, entry);
    this.watch(key, entry);
  }

  /** Keeps a cell among those that are looked at in each tick for as long as it has to be. */
  private watch(key: string, entry: Entry): void {
    const { cell } = entry;
    const hasChance = this.blockOf(cell.stands)?.reactions.some(({ when }) => when === 'at random');
    if (hasChance || cell.timers.length > 0 || cell.until < Infinity) this.lively.set(key, entry);
    else this.lively.delete(key);
  }

  private get livelyInOrder(): Entry[] {
    return [...this.lively.values()].sort((a, b) => a.order - b.order);
  }

  /** Something happens to a block: it is heard in the next tick, of what is broken even then. */
  happen(place: Vec3, occurrence: Occurrence): void {
    const isDug = occurrence.event === 'broken' || occurrence.event === 'dug wrongly';
    const was = isDug ? this.at(place) : undefined;
    this.heard.push({ place, occurrence, ...(was && { was }) });
  }

  /** One tick; gives what came of it, in order. */
  tick(): Effect[] {
    this.ticks += 1;
    this.effects = [];
    this.touched = new Map();
    for (const { place, cell } of this.livelyInOrder)
      if (cell.until <= this.ticks) this.signal(place, 0, undefined);
    const heard = this.heard;
    this.heard = [];
    this.stirred.clear();
    for (const { place, occurrence, was } of heard) this.answer(place, occurrence, was);
    for (const { place, cell } of this.livelyInOrder)
      for (const timer of cell.timers.filter(({ at }) => at === this.ticks)) {
        // Another reaction has put it into another state: its timers began anew.
        if (this.cells.get(keyOf(place))?.cell !== cell) continue;
        cell.timers = cell.timers.filter((one) => one !== timer);
        this.watch(keyOf(place), this.cells.get(keyOf(place))!);
        this.answer(place, { event: 'after ticks', reaction: timer.reaction });
      }
    this.drawAtRandom();
    return this.effects;
  }

  private get random(): () => number {
    return this.parts.random ?? (() => 0);
  }

  private drawAtRandom(): void {
    for (const { place, cell } of this.livelyInOrder)
      for (const [at, { when, ticks = 1 }] of (
        this.blockOf(cell.stands)?.reactions ?? []
      ).entries())
        if (when === 'at random' && this.parts.random && this.random() * ticks < 1)
          this.answer(place, { event: 'at random', reaction: at });
  }

  private blockOf(stands: Standing | undefined): ReactingBlock | undefined {
    return stands && 'block' in stands ? this.parts.blocks.get(stands.block) : undefined;
  }

  private besideAt(place: Vec3): NonNullable<Occurrence['beside']> {
    return Object.fromEntries(
      directions.flatMap((side): [Direction, Beside][] => {
        const stands = this.at(beside(place, side));
        if (!stands) return [];
        if ('fluid' in stands) return [[side, { id: stands.fluid }]];
        const space = this.parts.blocks.get(stands.block)?.space;
        return [[side, { id: stands.block, ...(space && { state: space.decode(stands.state) }) }]];
      }),
    );
  }

  private answer(place: Vec3, given: Occurrence, was?: Standing): void {
    const stands = was ?? this.at(place);
    const block = this.blockOf(stands);
    if (!block || !stands || !('block' in stands)) return;
    if (!block.reactions.some((reaction, i) => answers(reaction, i, given))) return;
    const occurrence = this.occurrenceAt(place, given);
    const isMeant = this.parts.isMeant ?? byIdAlone;
    const at = reactionTo(block.reactions, block.space, stands.state, occurrence, isMeant);
    const reaction = block.reactions[at];
    if (!reaction) return;
    const isGone = was !== undefined && this.at(place) === undefined;
    for (const action of reaction.then) {
      const states = this.act(place, block, action, isGone);
      this.effects.push({
        tick: this.ticks,
        place,
        by: block.id,
        reaction: at,
        event: given.event,
        action,
        ...(states && { states }),
      });
    }
  }

  /** What happens in a cell, with what stands round it, which is looked at only where asked for. */
  private occurrenceAt(place: Vec3, given: Occurrence): Occurrence {
    const signal = once(() => this.isSignalled(place));
    const neighbours = once(() => this.besideAt(place));
    return {
      get signal() {
        return signal();
      },
      get beside() {
        return neighbours();
      },
      light: this.parts.lightAt?.(place) ?? 15,
      luck: (chance) => this.random() < chance,
      ...given,
    };
  }

  /** Does one action; gives the states before and after where the block's own state is changed. */
  private act(
    place: Vec3,
    block: ReactingBlock,
    action: Action,
    isGone: boolean,
  ): readonly [number, number] | undefined {
    const stands = this.at(place);
    switch (action.do) {
      case 'set':
      case 'flip':
      case 'step': {
        if (!stands || !('block' in stands) || stands.block !== block.id) return undefined;
        const after = stateAfter(block.space, stands.state, action);
        if (after !== stands.state) this.change(place, { block: block.id, state: after }, true);
        return [stands.state, after];
      }
      case 'become':
        if (!isGone) this.change(place, this.comes(action, stands));
        return undefined;
      case 'vanish':
        if (!isGone) this.change(place, undefined);
        return undefined;
      case 'signal':
        this.signal(place, action.strength, action.ticks);
        return undefined;
      case 'place':
        this.fill(beside(place, action.side), this.comes(action, stands));
        return undefined;
      case 'pour':
        this.fill(beside(place, action.side), { fluid: action.fluid });
        return undefined;
      case 'drain':
        this.drain(beside(place, action.side));
        return undefined;
      case 'spread':
        this.spread(place, block, action.within, action.onto);
        return undefined;
      default:
        return undefined;
    }
  }

  private fresh = (block: string): Standing => ({
    block,
    state: this.usualStateOf(block),
  });

  /** Another block in the state in which it is to come. */
  private comes(
    action: Extract<Action, { do: 'become' | 'place' }>,
    from: Standing | undefined,
  ): Standing {
    const { block } = action;
    const space = this.parts.blocks.get(block)?.space;
    const state =
      from && 'block' in from ? this.blockOf(from)?.space.decode(from.state) : undefined;
    return { block, state: space ? comesAs(action, space, state) : 0 };
  }

  private fill(place: Vec3, stands: Standing): void {
    if (this.at(place) === undefined) this.change(place, stands);
  }
  private drain(place: Vec3): void {
    const stands = this.at(place);
    if (stands && 'fluid' in stands) this.change(place, undefined);
  }

  /** To the first open cell round about, drawn evenly, under which lies what it grows on. */
  private spread(place: Vec3, block: ReactingBlock, within: number, onto?: string): void {
    const cells: Vec3[] = [];
    for (let dx = -within; dx <= within; dx += 1)
      for (let dy = -1; dy <= 1; dy += 1)
        for (let dz = -within; dz <= within; dz += 1) {
          const cell: Vec3 = [place[0] + dx, place[1] + dy, place[2] + dz];
          if (this.at(cell) === undefined && this.liesOn(cell, onto)) cells.push(cell);
        }
    const chosen = cells[Math.floor(this.random() * cells.length)];
    if (chosen) this.change(chosen, this.fresh(block.id));
  }

  private liesOn(place: Vec3, onto: string | undefined): boolean {
    const under = this.at(beside(place, 'down'));
    if (!under || !('block' in under)) return false;
    return onto === undefined || (this.parts.isMeant ?? byIdAlone)(onto, under.block);
  }

  private signal(place: Vec3, strength: number, ticks: number | undefined): void {
    const cell = this.cells.get(keyOf(place))?.cell;
    if (!cell) return;
    const around = directions.map((side) => beside(place, side));
    const had = around.map(this.isSignalled);
    this.giving += Number(strength > 0) - Number(cell.strength > 0);
    cell.strength = strength;
    cell.until = strength > 0 && ticks !== undefined ? this.ticks + ticks : Infinity;
    this.watch(keyOf(place), this.cells.get(keyOf(place))!);
    this.tellOfSignals(around, had);
  }

  private tellOfSignals(places: readonly Vec3[], had: readonly boolean[]): void {
    places.forEach((one, i) => {
      const has = this.isSignalled(one);
      if (has !== had[i]) this.hear(one, has ? 'signal comes' : 'signal goes');
    });
  }

  /**
   * A cell hears of its neighbours in the next tick: once that one changes, however many do; of
   * signals what has become of them, so that one which comes and goes again is not heard.
   */
  private hear(place: Vec3, event: 'neighbour changes' | 'signal comes' | 'signal goes'): void {
    const key = `${keyOf(place)} ${event === 'neighbour changes' ? 'changes' : 'signals'}`;
    const before = this.stirred.get(key);
    if (!before) {
      const heard = { place, occurrence: { event } };
      this.heard.push(heard);
      this.stirred.set(key, heard);
    } else if (before.occurrence.event !== event) {
      this.heard = this.heard.filter((one) => one !== before);
      this.stirred.delete(key);
    }
  }

  /** What stands in a cell is another one, or in another state: its neighbours hear of it. */
  private change(place: Vec3, stands: Standing | undefined, keepsSignal = false): void {
    const key = keyOf(place);
    this.touched.set(key, place);
    const before = this.cells.get(key)?.cell;
    const around = directions.map((side) => beside(place, side));
    const had = around.map(this.isSignalled);
    if (before && before.strength > 0 && !(stands && keepsSignal)) this.giving -= 1;
    if (!stands) {
      this.cells.delete(key);
      this.lively.delete(key);
    } else
      this.hold(place, {
        stands,
        strength: (keepsSignal && before?.strength) || 0,
        until: (keepsSignal && before?.until) || Infinity,
        timers: this.timersOf(stands),
      });
    this.tellOfSignals(around, had);
    for (const one of around) this.hear(one, 'neighbour changes');
  }

  private timersOf(stands: Standing): Cell['timers'] {
    const block = this.blockOf(stands);
    if (!block || !('block' in stands)) return [];
    return block.reactions.flatMap(({ when, ticks = 1, if: asked }, reaction) =>
      when === 'after ticks' &&
      (!asked?.state || block.space.matching(asked.state).has(stands.state))
        ? [{ at: this.ticks + ticks, reaction }]
        : [],
    );
  }
}
