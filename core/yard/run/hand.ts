import { directionStep, type Direction, type Vec3 } from '../../space/index.ts';
import { dug, type Dug, type Tool } from '../block/dig.ts';
import { drops, type Breaking, type Drop } from '../block/loot.ts';
import { placed, type Placed } from '../block/place.ts';
import { itemIn } from '../items.ts';
import { wayOf, type Aim } from '../player/aim.ts';
import { isInTheWay, type Player } from '../player/body.ts';
import type { PackWorld, YardBlock } from '../pack-world.ts';
import type { Held } from './deeds.ts';
import type { BlockAt, WorldNow } from './world-now.ts';

/** What came of placing: a block in a state, a fluid poured, or why nothing. */
export type Placing =
  | ({ place: Vec3; block: YardBlock } & Placed)
  /** What is left in the hand, too. */
  | { poured: string; place: Vec3; empty: string }
  | { why: string };

const beside = ([x, y, z]: Vec3, side: Direction): Vec3 => {
  const [dx, dy, dz] = directionStep(side);
  return [x + dx, y + dy, z + dz];
};

/** What drops when a block that stands somewhere is broken so. */
export const dropsOf = (
  { block, state }: BlockAt,
  how: Omit<Breaking, 'state'>,
  { tables }: PackWorld,
  random: () => number,
): Drop[] => drops(block.draws, { ...how, state: block.space.decode(state) }, { tables, random });

/** A hand that places what it holds, and digs what it is on until it is through. */
export class Hand {
  private on: string | undefined;
  private ticks = 0;
  private needs = 0;

  constructor(private readonly now: WorldNow) {}

  /** How far it has come, 0 to 1. */
  get share(): number {
    return this.on === undefined || this.needs === 0 ? 0 : Math.min(1, this.ticks / this.needs);
  }

  rest(): void {
    [this.on, this.ticks, this.needs] = [undefined, 0, 0];
  }

  /** How long what stands in a cell is dug; nothing for what nothing digs. */
  dugAt(place: Vec3, tool: Tool | undefined): Dug | undefined {
    const stands = this.now.standingAt(place);
    if (!stands || !('block' in stands)) return undefined;
    const at = this.now.blockAt(place);
    // A block that the pack does not have goes at once.
    return at ? dug(at.block, tool, this.now.pack) : { seconds: 0, ticks: 0, yields: false };
  }

  /** One tick of digging: it goes on, is done, or never will be. */
  dig(place: Vec3 | undefined, tool: Tool | undefined): 'digging' | 'never' | Dug | undefined {
    const stands = place && this.now.standingAt(place);
    if (!place || !stands) {
      this.rest();
      return undefined;
    }
    const key = `${place.join(' ')} ${JSON.stringify(stands)}`;
    if (this.on !== key) {
      this.on = key;
      this.ticks = 0;
    }
    const takes = this.dugAt(place, tool);
    if (!takes) return 'never';
    this.needs = takes.ticks;
    this.ticks += 1;
    if (this.ticks < takes.ticks) return 'digging';
    this.rest();
    return takes;
  }

  /** Places what is held against the side that is aimed at. */
  place({ place: against, side, point }: Aim, held: Held | undefined, player: Player): Placing {
    const { pack } = this.now;
    const item = itemIn(pack, held?.item);
    if (!item) return { why: 'The hand is empty.' };
    const place = beside(against, side);
    if (item.bucket) return this.pour(item.bucket, place);
    const block = item.block === undefined ? undefined : pack.blocks.get(item.block);
    if (!block) return { why: `${item.id} is nothing that is placed.` };
    const there = this.now.standingAt(place);
    if (!this.now.cells.isInside(place) || (there && 'block' in there))
      return { why: 'There is no room on that side.' };
    const click = {
      side,
      height: point[1],
      looks: wayOf(player.yaw, player.pitch),
      crouching: player.crouches,
      carried: held?.carries,
    };
    const came = placed(block, click, this.now.aroundOf(place, block));
    const bodies = this.now.facts(
      this.now.numbers.of({ block: block.id, state: came.state }),
    ).collision;
    if (isInTheWay(player, place, bodies)) return { why: 'You stand in its way.' };
    this.now.put(place, { block: block.id, state: came.state });
    return { place, block, ...came };
  }

  private pour({ of, empty }: { of: string; empty: string }, place: Vec3): Placing {
    if (!this.now.isOpen(place)) return { why: 'There is no room on that side.' };
    const isFluid = this.now.pack.fluids.has(of);
    const block = this.now.pack.blocks.get(of);
    if (isFluid) this.now.put(place, { fluid: of });
    else if (block) this.now.put(place, { block: of, state: block.space.defaultState });
    else return { why: `The pack has no ${of}.` };
    return { poured: of, place, empty };
  }
}
