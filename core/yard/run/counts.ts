import type { Drop } from '../block/loot.ts';

/** How often something was broken in one way, and what of each item came of it. */
export interface Count {
  broken: number;
  dropped: Map<string, number>;
}

/** What was broken so far, by block, state and tool. */
export class Counts {
  private readonly known = new Map<string, Count>();

  add(way: string, drops: readonly Drop[]): void {
    const count = this.of(way);
    count.broken += 1;
    for (const { item, count: many } of drops)
      count.dropped.set(item, (count.dropped.get(item) ?? 0) + many);
    this.known.set(way, count);
  }

  of(way: string): Count {
    return this.known.get(way) ?? { broken: 0, dropped: new Map() };
  }
}
