import {
  idOf,
  resolveBlocks,
  splitId,
  titleOf,
  lookUp,
  type Mod,
} from '../../../../../core/mod/index.ts';
import {
  actionInWords,
  ReactionWorld,
  type Effect,
  type Occurrence,
  type ReactingBlock,
  type Standing,
} from '../../../../../core/reactions/index.ts';
import {
  directions,
  directionStep,
  type Direction,
  type Vec3,
} from '../../../../../core/space/index.ts';
import { membersOf } from '../../../../../core/tags/index.ts';

/** A place of the scene: the block itself, or one of its sides. */
export type Spot = 'middle' | Direction;
export const spots: readonly Spot[] = ['middle', ...directions];
const placeOf = (spot: Spot): Vec3 => (spot === 'middle' ? [0, 0, 0] : directionStep(spot));

/** What a tick brought about, as it is listed. */
export interface Line {
  tick: number;
  words: string;
}

/** What chance does in the scene, and how light it is. */
export interface Weather {
  isLucky: boolean;
  light: number;
}

/** A block among its neighbours in which things happen, tick by tick. Tells who listens. */
export class Play {
  private world: ReactionWorld;
  private readonly listeners = new Set<() => void>();
  readonly lines: Line[] = [];
  private weather: Weather = { isLucky: true, light: 15 };
  version = 0;

  constructor(
    private readonly mod: Mod,
    private readonly block: string,
    state: number,
    private readonly around: ReadonlyMap<Direction, Standing>,
  ) {
    this.world = this.begun(state);
  }

  listen = (told: () => void): (() => void) => {
    this.listeners.add(told);
    return () => this.listeners.delete(told);
  };

  at = (spot: Spot): Standing | undefined => this.world.at(placeOf(spot));
  get isWaiting(): boolean {
    return this.world.isWaiting;
  }
  get ticks(): number {
    return this.world.ticks;
  }

  /** Puts something beside the block, which may answer to it. */
  put(side: Direction, stands: Standing | undefined, weather: Weather): void {
    this.world.put(directionStep(side), stands);
    this.go(1, weather);
  }

  /** What stands around now, where one begins anew. */
  get beside(): ReadonlyMap<Direction, Standing> {
    return new Map(
      directions.flatMap((side): [Direction, Standing][] => {
        const stands = this.at(side);
        return stands ? [[side, stands]] : [];
      }),
    );
  }

  /** Something happens there, and is answered in the same breath. */
  happen(spot: Spot, occurrence: Occurrence, weather: Weather): void {
    this.world.happen(placeOf(spot), occurrence);
    this.go(1, weather);
  }

  /** So many ticks pass. */
  go(ticks: number, weather: Weather): void {
    this.weather = weather;
    for (let tick = 0; tick < ticks; tick += 1) this.note(this.world.tick());
    this.tell();
  }

  /** On until nothing is waited for any more, or so many ticks have passed. */
  settle(most: number, weather: Weather): void {
    this.weather = weather;
    for (let tick = 0; tick < most && this.world.isWaiting; tick += 1) this.note(this.world.tick());
    this.tell();
  }

  private begun(state: number): ReactionWorld {
    const world = new ReactionWorld({
      blocks: reactingBlocks(this.mod),
      isMeant: meantIn(this.mod),
      random: () => (this.weather.isLucky ? 0 : 1 - Number.EPSILON),
      lightAt: () => this.weather.light,
    });
    for (const [side, stands] of this.around) world.put(directionStep(side), stands);
    world.put([0, 0, 0], { block: idOf(this.mod.header.namespace, this.block), state });
    // What only comes of its being put there is no news.
    world.tick();
    return world;
  }

  private note(effects: readonly Effect[]): void {
    for (const { tick, by, action, states } of effects) {
      if (states?.[0] === states?.[1] && states) continue;
      const words = actionInWords(action, (id) => calledIn(this.mod, id));
      this.lines.push({ tick, words: `${calledIn(this.mod, by)}: ${words}` });
    }
    if (this.lines.length > mostLines) this.lines.splice(0, this.lines.length - mostLines);
  }

  private tell(): void {
    this.version += 1;
    for (const told of this.listeners) told();
  }
}

/** So many lines are kept. */
const mostLines = 60;

const known = new WeakMap<Mod['blocks'], Map<string, ReactingBlock>>();

/** All blocks of a mod as a world of reactions knows them. */
function reactingBlocks(mod: Mod): Map<string, ReactingBlock> {
  const before = known.get(mod.blocks);
  if (before) return before;
  const blocks = new Map(
    resolveBlocks(mod).map(({ id, space, declared }) => [
      id,
      { id, space, reactions: declared.reactions ?? [] },
    ]),
  );
  known.set(mod.blocks, blocks);
  return blocks;
}

/** What is meant by an id or by a tag of the mod. */
const meantIn = (mod: Mod) => {
  const [blocks, items] = [membersOf(mod, 'blockTags'), membersOf(mod, 'itemTags')];
  return (meant: string, id: string) =>
    meant === id ||
    (meant.startsWith('#') &&
      (blocks.get(meant.slice(1))?.has(id) || items.get(meant.slice(1))?.has(id) || false));
};

export function calledIn(mod: Mod, id: string): string {
  const { name } = splitId(id);
  const named = lookUp(mod.blocks, name) ?? lookUp(mod.fluids, name) ?? lookUp(mod.items, name);
  return named ? titleOf(mod, name, named.names) : name.replaceAll('_', ' ');
}
