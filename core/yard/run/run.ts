import { seededRandom, vector, type Vec3 } from '../../space/index.ts';
import type { Occurrence } from '../../reactions/index.ts';
import { isRightTool } from '../block/dig.ts';
import { itemIn } from '../items.ts';
import { darkness } from '../light.ts';
import type { Body } from '../grid/facts.ts';
import { aimedAt, wayOf, type Aim } from '../player/aim.ts';
import { eyesOf, walked, type Gait, type Player } from '../player/body.ts';
import { nameIn } from '../names.ts';
import type { PackWorld } from '../pack-world.ts';
import { scenesOf, worldSize, type Scene } from '../scenes/scenes.ts';
import { Aftermath } from './aftermath.ts';
import { bucketsOf, filledAt, isSource } from './bucket.ts';
import { Counts } from './counts.ts';
import type { Deed, Held, RecordedRun, Told } from './deeds.ts';
import { digestOf } from './digest.ts';
import { dropsOf, Hand } from './hand.ts';
import { movedRegion } from './region.ts';
import { savedFrom, type KeptWorld } from './saved.ts';
import { fireOn, harmTo } from './touch.ts';
import { WorldNow } from './world-now.ts';

/** From so far one reaches. */
export const reach = 6;
/** A day in seconds. */
const daySeconds = 960;
/** The hour at which a run begins, as a share of a day from midnight. */
const firstHour = 0.42;
const wholeCell: readonly Body[] = [[0, 0, 0, 1, 1, 1]];

/** How a run begins. */
export interface RunStart {
  scene: string;
  seed: number;
  /** A world that was saved, in place of what the scene holds at first. */
  kept?: KeptWorld | undefined;
}

/**
 * Somebody in a world of a pack, on fixed ticks. The same pack, scene, seed and deeds give the same
 * world, byte for byte, wherever it is run.
 *
 * @example
 * const run = new Run(worldFrom(readPack(files)), { scene: 'Bare ground', seed: 1 });
 * run.tick([{ do: 'hold', held: { item: 'saltmarsh:sluice_gate' } }, { do: 'place' }]);
 */
export class Run {
  readonly now: WorldNow;
  readonly scene: Scene;
  /** What came of what was done: what burns, lies about, was collected and is told. */
  readonly after: Aftermath;
  readonly counts = new Counts();
  player: Player;
  held: Held | undefined;
  ticks = 0;
  private readonly random: () => number;
  private readonly deeds: [number, Deed][] = [];
  private readonly hand: Hand;
  private gait: Gait = { forward: 0, right: 0, up: 0 };
  private digs = false;
  /** Whether whoever is in the world is on fire. */
  burns = false;
  private readonly hourAt: { tick: number; hour: number } = { tick: 0, hour: firstHour };

  constructor(
    readonly pack: PackWorld,
    readonly start: RunStart,
  ) {
    const scenes = scenesOf(pack);
    this.scene = scenes.find(({ name }) => name === start.scene) ?? scenes[0]!;
    this.random = seededRandom(start.seed);
    this.now = new WorldNow(pack, worldSize, this.random);
    this.after = new Aftermath(this.now, this.random);
    const from = start.kept && savedFrom(start.kept, pack);
    const { at, yaw, pitch } = from?.player ?? this.scene;
    this.player = {
      at,
      yaw,
      pitch,
      speed: [0, 0, 0],
      crouches: false,
      flies: false,
      isStanding: false,
      fallen: 0,
    };
    (from ?? this.scene).lay(this.now.lay);
    if (from) this.hourAt.hour = from.hour;
    this.hand = new Hand(this.now);
    this.dusk();
    this.now.light();
  }

  /** Share of a day from midnight. */
  get hour(): number {
    const { tick, hour } = this.hourAt;
    return (hour + (this.ticks - tick) / (daySeconds * this.pack.tickRate)) % 1;
  }

  /** How far digging has come, 0 to 1; 0 where nothing is dug. */
  get dugShare(): number {
    return this.hand.share;
  }

  /** What somebody looks at within reach; also, where they are given, at further bodies. */
  aim(further: (place: Vec3) => readonly Body[] = () => []): Aim | undefined {
    const { yaw, pitch } = this.player;
    return aimedAt(eyesOf(this.player), wayOf(yaw, pitch), reach, (place) => [
      ...this.now.factsAt(place).outline,
      ...further(place),
    ]);
  }

  /** One tick in which somebody does something; gives what came of it. */
  tick(deeds: readonly Deed[] = []): Told[] {
    for (const deed of deeds) {
      this.deeds.push([this.ticks, deed]);
      this.does(deed);
    }
    this.ticks += 1;
    this.dusk();
    if (this.digs) this.dig();
    this.walk();
    this.after.blastOn();
    if (this.ticks % this.pack.tickRate === 0) this.second();
    for (const effect of this.now.tick()) this.after.comesOf(effect);
    this.after.fall(this.player.at);
    this.now.light();
    return this.after.told();
  }

  /** What was done so far, to be played again. */
  recorded(): RecordedRun {
    return { ...this.start, ticks: this.ticks, deeds: [...this.deeds], digest: this.digest() };
  }

  /** What tells this run from any that came out otherwise. */
  digest(): string {
    const { at, speed, yaw, pitch, fallen: fell } = this.player;
    const drops = this.after.flying.flatMap(({ at: place, speed: way }) => [...place, ...way]);
    return digestOf([
      this.now.cells.numbers,
      new Float64Array([...at, ...speed, yaw, pitch, fell, this.ticks, ...drops]),
      JSON.stringify([...this.after.collected]),
    ]);
  }

  private does(deed: Deed): void {
    switch (deed.do) {
      case 'walk':
        this.gait = { forward: deed.forward, right: deed.right, up: deed.up };
        this.player = { ...this.player, crouches: deed.crouches };
        return;
      case 'look':
        this.player = { ...this.player, yaw: deed.yaw / 100, pitch: deed.pitch / 100 };
        return;
      case 'fly':
        this.player = { ...this.player, flies: deed.flies, fallen: 0 };
        return;
      case 'hold':
        this.held = deed.held;
        this.hand.rest();
        return;
      case 'dig':
        this.digs = deed.digs;
        if (!deed.digs) this.hand.rest();
        return;
      case 'hour':
        Object.assign(this.hourAt, { tick: this.ticks, hour: deed.hour / 1000 });
        return;
      case 'move':
        movedRegion(this.now, deed, (place) => this.after.unsettle(place));
        return;
      case 'bring':
        this.bring();
        return;
      case 'place at':
      case 'dig at':
      case 'use at':
        this.onCell(deed);
        return;
      default:
        if (!this.fills(deed)) this.toward(deed, this.aim());
    }
  }

  /** Fills the bucket in the hand, if it is one and is on what it takes up. */
  private fills(deed: Deed): boolean {
    if (deed.do !== 'act' && deed.do !== 'use') return false;
    const buckets = bucketsOf(this.now, this.held);
    if (buckets.length === 0) return false;
    const { place } = this.aim((cell) => (isSource(this.now, cell) ? wholeCell : [])) ?? {};
    const bucket = place && filledAt(this.now, place, buckets);
    if (!bucket) return false;
    this.after.remove(place);
    this.held = { item: bucket.id };
    this.after.tell({ told: 'filled', place, item: bucket.id, of: bucket.bucket!.of });
    return true;
  }

  /** What is done to what somebody looks at. */
  private toward(
    deed: Extract<Deed, { do: 'act' | 'place' | 'use' | 'blast' | 'kindle' | 'break' }>,
    aim: Aim | undefined,
  ): void {
    if (!aim) {
      this.after.note('Nothing is within reach.');
      return;
    }
    switch (deed.do) {
      case 'act': {
        const answers = this.now
          .blockAt(aim.place)
          ?.block.reactions.some(({ when }) => when === 'used');
        if (answers && !this.player.crouches) this.use(aim.place);
        else this.place(aim);
        return;
      }
      case 'place':
        this.place(aim);
        return;
      case 'use':
        this.use(aim.place);
        return;
      case 'blast':
        this.after.blast(aim.place, deed.strength, deed.slow);
        return;
      case 'kindle':
        this.after.kindle(aim.place);
        return;
      case 'break':
        this.breakMany(aim.place, deed.times);
    }
  }

  /** What is done to a cell by its place, from straight before it. */
  private onCell(deed: Extract<Deed, { do: 'place at' | 'dig at' | 'use at' }>): void {
    const point: Vec3 = [0.5, 0.25, 0.5];
    if (deed.do === 'place at')
      this.place({ place: deed.place, side: deed.side, point, distance: 1 });
    else if (deed.do === 'use at') this.use(deed.place);
    else {
      const dug = this.hand.dugAt(deed.place, this.tool);
      if (dug) this.breaks(deed.place, dug.seconds, dug.yields);
      else this.after.note('Nothing digs it.');
    }
  }

  private bring(): void {
    const { at, yaw } = this.player;
    const [x, , z] = wayOf(yaw, 0);
    for (const ahead of [3, 2, 4, 5]) {
      const column = [Math.floor(at[0] + x * ahead), Math.floor(at[2] + z * ahead)] as const;
      for (const up of [0, 1, -1, 2, -2, -3]) {
        const place: Vec3 = [column[0], Math.floor(at[1]) + up, column[1]];
        const under: Vec3 = [place[0], place[1] - 1, place[2]];
        if (!this.now.isOpen(place) || !this.now.factsAt(under).collision.length) continue;
        this.place({ place: under, side: 'up', point: [0.5, 1, 0.5], distance: ahead });
        return;
      }
    }
    this.after.note('There is no room ahead.');
  }

  private get tool() {
    return itemIn(this.pack, this.held?.item)?.tool;
  }

  /** The tool in the hand as reactions hear of it: the format lists its kinds. */
  private get withTool(): Pick<Occurrence, 'tool'> {
    const tool = this.tool as Occurrence['tool'];
    return tool ? { tool } : {};
  }

  private place(aim: Aim): void {
    const came = this.hand.place(aim, this.held, this.player);
    if ('why' in came) {
      this.after.note(came.why);
      return;
    }
    if ('poured' in came) {
      this.held = { item: came.empty };
      this.after.tell({ told: 'poured', place: came.place, item: came.empty, of: came.poured });
      return;
    }
    const { place, block, state, because } = came;
    this.after.because.set(place.join(' '), { block: block.id, because });
    this.after.fire.forget(place);
    this.after.tell({ told: 'placed', place, block: block.id, state, because });
    this.after.sound(place, 'place', block.look?.display.soundSet);
    this.now.happen(place, { event: 'placed', by: 'players' });
  }

  private use(place: Vec3): void {
    this.now.happen(place, {
      event: 'used',
      by: 'players',
      ...this.withTool,
      ...(this.held && { holds: this.held.item }),
      crouching: this.player.crouches,
    });
  }

  private dig(): void {
    const aim = this.aim();
    const came = this.hand.dig(aim?.place, this.tool);
    if (!aim) return;
    const { block } = this.now.blockAt(aim.place) ?? {};
    if (came === 'never') this.after.note('Nothing digs it.');
    else if (came === 'digging') {
      if (this.ticks % 5 === 0) this.after.sound(aim.place, 'dig', block?.look?.display.soundSet);
    } else if (came) this.breaks(aim.place, came.seconds, came.yields);
  }

  /** A block is dug through: what it drops flies out of it. */
  private breaks(place: Vec3, seconds: number, yields: boolean): void {
    const at = this.now.blockAt(place);
    if (!at) {
      this.after.remove(place);
      return;
    }
    const isWrong = at.block.tool !== undefined && !isRightTool(at.block, this.tool);
    if (isWrong) this.now.happen(place, { event: 'dug wrongly', by: 'players' });
    const drops = yields
      ? dropsOf(at, { tool: this.tool, careful: this.player.crouches }, this.pack, this.random)
      : [];
    this.counts.add(this.wayOf(at.block.id, at.state), drops);
    this.after.throwOut(place, drops);
    this.after.tell({ told: 'broken', place, block: at.block.id, seconds, drops });
    this.after.sound(place, 'break', at.block.look?.display.soundSet);
    this.now.happen(place, { event: 'broken', by: 'players', ...this.withTool });
    this.after.remove(place);
  }

  /** How counters call a way of breaking. */
  wayOf = (block: string, state: number): string =>
    `${block} ${state} ${this.tool ? `${this.tool.kind} ${this.tool.grade}` : 'hands'} ` +
    (this.player.crouches ? 'careful' : '');

  private breakMany(place: Vec3, times: number): void {
    const at = this.now.blockAt(place);
    const dug = at && this.hand.dugAt(place, this.tool);
    if (!at || !dug) {
      this.after.note('Nothing digs it.');
      return;
    }
    const how = { tool: this.tool, careful: this.player.crouches };
    for (let i = 0; i < Math.min(times, 100_000); i += 1)
      this.counts.add(
        this.wayOf(at.block.id, at.state),
        dug.yields ? dropsOf(at, how, this.pack, this.random) : [],
      );
  }

  private walk(): void {
    const { factsAt } = this.now;
    const before = this.player;
    const { player, landing } = walked(this.player, this.gait, {
      factsAt,
      tickRate: this.pack.tickRate,
    });
    const rim = (axis: 0 | 2) => this.now.cells.size[axis] - 0.4;
    const at: Vec3 = [
      Math.min(rim(0), Math.max(0.4, player.at[0])),
      Math.max(0, player.at[1]),
      Math.min(rim(2), Math.max(0.4, player.at[2])),
    ];
    this.player = { ...player, at };
    if (landing) this.lands(landing, before);
  }

  private lands({ place, fallen: fell }: { place: Vec3; fallen: number }, before: Player): void {
    const under = vector((axis) => Math.floor(before.at[axis] - (axis === 1 ? 0.02 : 0)));
    const isNew = under.some((part, axis) => part !== place[axis]) || !before.isStanding;
    if (!isNew) return;
    const isFall = !before.isStanding && fell > 0.5;
    const set = this.now.blockAt(place)?.block.look?.display.soundSet;
    this.after.sound(place, isFall ? 'land' : 'step', set);
    this.now.happen(place, { event: isFall ? 'landed on' : 'stepped on', by: 'players' });
  }

  /** What a second brings: fire goes on, and what one touches does its harm. */
  private second(): void {
    this.after.burnOn();
    const harm = harmTo(this.player, this.now.factsAt);
    if (harm) this.after.tell({ told: 'harmed', ...harm });
    const on = fireOn(this.player, this.now.standingAt, this.pack.fluids);
    if (on && (on.does === 'sets') !== this.burns) {
      this.burns = on.does === 'sets';
      const does = this.burns ? 'sets you on fire' : 'puts out the fire on you';
      this.after.note(`${nameIn(this.pack, on.fluid, 'fluid')} ${does}.`);
    }
  }

  private dusk(): void {
    this.now.dark = darkness(this.hour);
  }
}
