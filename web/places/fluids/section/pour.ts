import {
  fluidTicks,
  openCell,
  pouredIn,
  solidCell,
  sourceCell,
  type Spread,
  type CellPlace,
  type FluidPhysics,
  type FluidScene,
  type FluidWorld,
} from '../../../../core/fluids/index.ts';

/** What a press on the section does. */
export type Hand = { does: 'pour' } | { does: 'dig' } | { does: 'lay'; block: string };

/** The longest that a frame catches up with, in seconds: who was away for long comes back to now. */
const mostBehind = 0.25;

/** A fluid that was poured in a scene: played in real time, stepped, dug into. Tells who listens. */
export class Pour {
  private spread: Spread;
  private frame: number | undefined;
  private readonly listeners = new Set<() => void>();
  ticks = 0;
  /** The tick at which it moved last. */
  private moved = 0;
  /** Another number whenever something has changed. */
  version = 0;

  constructor(
    private readonly physics: FluidPhysics,
    private readonly scene: FluidScene,
    private readonly tickRate: number,
  ) {
    this.spread = this.begun();
  }

  get world(): FluidWorld {
    return this.spread.world;
  }
  get isAtRest(): boolean {
    return this.spread.isAtRest;
  }
  get isRunning(): boolean {
    return this.frame !== undefined;
  }

  listen = (told: () => void): (() => void) => {
    this.listeners.add(told);
    return () => this.listeners.delete(told);
  };

  /** Lets it run; what is at rest is poured anew. */
  play(): void {
    if (this.isAtRest) this.begin();
    this.run();
  }

  stop(): void {
    if (this.frame !== undefined) cancelAnimationFrame(this.frame);
    this.frame = undefined;
    this.tell();
  }

  /** Goes on to the tick at which it moves next. */
  step(): void {
    this.stop();
    do this.tick();
    while (!this.isAtRest && this.ticks % fluidTicks(this.physics, 1) !== 0);
    this.tell();
  }

  /** Back to where it was just poured. */
  again(): void {
    this.stop();
    this.begin();
    this.tell();
  }

  /** Does what is in the hand at a cell; what it cannot be done to is left alone. */
  act(place: CellPlace, hand: Hand): void {
    const index = this.world.indexOf(place);
    if (index < 0) return;
    const { kind } = this.world.at(place);
    if (hand.does === 'pour' && kind !== 'solid')
      this.spread.put(place, this.world.isSource(index) ? openCell : sourceCell);
    else if (hand.does === 'dig' && kind !== 'open') this.spread.put(place, openCell);
    else if (hand.does === 'lay' && kind !== 'solid') this.spread.put(place, solidCell(hand.block));
    else return;
    this.run();
  }

  private begun(): Spread {
    return pouredIn(this.physics, this.scene).spread;
  }
  private begin(): void {
    this.spread = this.begun();
    this.ticks = 0;
    this.moved = 0;
  }

  private tick(): void {
    if (this.isAtRest) return;
    this.ticks += 1;
    if (this.ticks % fluidTicks(this.physics, 1) !== 0) return;
    if (this.spread.step().length > 0) this.moved = this.ticks;
    // Nothing moved: it has been at rest since it moved last.
    else this.ticks = this.moved;
  }

  private run(): void {
    if (this.frame !== undefined) {
      this.tell();
      return;
    }
    let last = performance.now();
    let owed = 0;
    const frame = (now: number) => {
      owed += Math.min(mostBehind, Math.max(0, now - last) / 1000) * this.tickRate;
      last = now;
      while (owed >= 1) {
        this.tick();
        owed -= 1;
      }
      this.frame = this.isAtRest ? undefined : requestAnimationFrame(frame);
      this.tell();
    };
    this.frame = requestAnimationFrame(frame);
    this.tell();
  }

  private tell(): void {
    this.version += 1;
    for (const told of this.listeners) told();
  }
}
