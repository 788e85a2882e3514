import type { Vec3 } from '../../space/index.ts';
import type { Effect } from '../../reactions/index.ts';
import type { Because } from '../block/place.ts';
import type { Drop } from '../block/loot.ts';
import { blasted } from '../blast.ts';
import { Blasting } from './blasting.ts';
import type { Told } from './deeds.ts';
import { Fire } from './fire.ts';
import { fallen, isCollected, thrown, type Flying } from './flying.ts';
import { dropsOf } from './hand.ts';
import type { WorldNow } from './world-now.ts';

const mostFlying = 400;

/** What comes of what is done in a world: blocks go, drops fly and are collected, it is told. */
export class Aftermath {
  readonly fire = new Fire();
  flying: Flying[] = [];
  /** What was collected, by item and what it carries. */
  readonly collected = new Map<string, Drop>();
  /** Which rule set each property of what was placed, by its cell. */
  readonly because = new Map<string, { block: string; because: readonly Because[] }>();
  private readonly blasting = new Blasting();
  private said: Told[] = [];

  constructor(
    private readonly now: WorldNow,
    private readonly random: () => number,
  ) {}

  tell(told: Told): void {
    this.said.push(told);
  }
  note(text: string): void {
    this.tell({ told: 'note', text });
  }
  sound(place: Vec3, event: Extract<Told, { told: 'sound' }>['event'], set = 'obrank:stone'): void {
    this.tell({ told: 'sound', place, event, set });
  }
  /** What was told since it was asked for last. */
  told(): Told[] {
    const { said } = this;
    this.said = [];
    return said;
  }

  remove(place: Vec3): void {
    this.unsettle(place);
    this.now.put(place, undefined);
  }
  /** What stands there is another one: it does not burn, and no rule set how it is. */
  unsettle(place: Vec3): void {
    this.fire.forget(place);
    this.because.delete(place.join(' '));
  }

  throwOut(place: Vec3, drops: readonly Drop[]): void {
    for (const drop of drops) this.flying.push(thrown(drop, place, this.random));
    // Whatever was thrown first is lost where too much lies about.
    this.flying = this.flying.slice(-mostFlying);
  }

  blast(place: Vec3, strength: number, isSlow = false): void {
    const gone = blasted(place, strength, {
      size: this.now.cells.size,
      ratingAt: (there) => this.now.blockAt(there)?.block.blastRating,
      random: this.random,
    });
    this.shatter(place);
    if (isSlow) this.blasting.begin(place, gone);
    else for (const there of gone) this.shatter(there);
    this.note(`The charge of ${strength} takes ${gone.length} blocks.`);
  }

  /** One tick of the charges that go off slowly. */
  blastOn(): void {
    for (const place of this.blasting.tick()) this.shatter(place);
  }

  kindle(place: Vec3): void {
    if (!this.fire.kindle(place, this.burnable)) this.note('It does not catch fire.');
  }

  /** A second of fire. */
  burnOn(): void {
    for (const place of this.fire.second(this.burnable)) this.remove(place);
  }

  /** What a reaction does beyond the blocks themselves. */
  comesOf({ place, action, by }: Effect): void {
    switch (action.do) {
      case 'drop':
        this.throwOut(place, [{ item: action.item, count: action.count ?? 1 }]);
        return;
      case 'give':
        this.collect({ item: action.item, count: action.count ?? 1 });
        return;
      case 'play':
        this.tell({ told: 'heard', place, sound: action.sound });
        return;
      case 'blast':
        this.blast(place, action.strength);
        return;
      case 'take':
        this.note(`${by} takes ${action.count ?? 1} of what is held.`);
        return;
      case 'call':
        this.note(`${by} calls ${action.count ?? 1} of ${action.creature}.`);
        return;
      case 'run':
        this.note(`${by} runs the function ${action.function}, which only a game has.`);
        return;
      default:
    }
  }

  /** One tick of what lies about and falls; what is near `at` is collected. */
  fall(at: Vec3): void {
    const left: Flying[] = [];
    for (const one of this.flying) {
      const after = fallen(one, this.now.factsAt, this.now.pack.tickRate);
      if (isCollected(after, at)) this.collect(after.drop);
      else left.push(after);
    }
    this.flying = left;
  }

  private get burnable() {
    return { blockAt: (place: Vec3) => this.now.blockAt(place), random: this.random };
  }

  /** A charge takes what stands in a cell. */
  private shatter(place: Vec3): void {
    const at = this.now.blockAt(place);
    if (!at) return;
    this.throwOut(place, dropsOf(at, { blast: true }, this.now.pack, this.random));
    this.remove(place);
  }

  private collect(drop: Drop): void {
    const key = `${drop.item} ${JSON.stringify(drop.carries ?? {})}`;
    const before = this.collected.get(key)?.count ?? 0;
    this.collected.set(key, { ...drop, count: before + drop.count });
    this.tell({ told: 'collected', drop });
  }
}
