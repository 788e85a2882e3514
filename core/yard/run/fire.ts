import { directions, directionStep, type Vec3 } from '../../space/index.ts';
import type { BlockAt } from './world-now.ts';

/** What fire needs to know of the world. */
export interface Burnable {
  blockAt: (place: Vec3) => BlockAt | undefined;
  random: () => number;
}

const keyOf = (place: Vec3): string => place.join(' ');
export const besides = ([x, y, z]: Vec3): Vec3[] =>
  directions.map((side) => {
    const [dx, dy, dz] = directionStep(side);
    return [x + dx, y + dy, z + dz];
  });

/** What burns, and how it goes on, by the sentence Fire of the section Reference physics. */
export class Fire {
  private readonly burning = new Map<string, Vec3>();

  get places(): readonly Vec3[] {
    return [...this.burning.values()];
  }
  isBurning = (place: Vec3): boolean => this.burning.has(keyOf(place));

  /** Sets a block on fire that can catch it. */
  kindle(place: Vec3, { blockAt }: Burnable): boolean {
    if ((blockAt(place)?.block.catchesFire ?? 0) <= 0) return false;
    this.burning.set(keyOf(place), place);
    return true;
  }

  /** What stands there is another one, or gone: it does not burn. */
  forget(place: Vec3): void {
    this.burning.delete(keyOf(place));
  }

  /** A second of it: gives the blocks that are gone. What was lit in it burns from then on. */
  second({ blockAt, random }: Burnable): Vec3[] {
    const now = [...this.burning.values()];
    const near = new Map(now.flatMap(besides).map((place) => [keyOf(place), place]));
    const lit = [...near.values()].filter((place) => {
      const chance = this.isBurning(place) ? 0 : (blockAt(place)?.block.catchesFire ?? 0);
      return chance > 0 && random() < chance;
    });
    const gone = now.filter((place) => {
      const at = blockAt(place);
      return at === undefined || random() < at.block.burnsAway;
    });
    for (const place of gone) this.forget(place);
    for (const place of lit) this.burning.set(keyOf(place), place);
    return gone;
  }
}
