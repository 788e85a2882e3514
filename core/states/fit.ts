import { itemAt } from '../lists/index.ts';
import { bitsFor } from './codes.ts';
import { valueCount } from './property.ts';
import type { StateSpace } from './space.ts';

/**
 * Properties that could be left out of a block, or moved to blocks of their own, and what is then
 * left.
 */
export interface Dropped {
  properties: string[];
  /** How many states each block would still have, and the bits that they need. */
  states: number;
  bits: number;
  /**
   * How many blocks there would be if each combination of their values became a block of its own.
   */
  blocks: number;
}

/**
 * The fewest properties that have to go for the states to fit into so many bits: all ways with that
 * many properties, the one that leaves the most states first. Empty when the states fit already.
 *
 * @example whatToDrop(space, 4)
 * // heading × hung × lit is 24 states: drop lit for 12, or hung for 8, or heading for 6
 */
export function whatToDrop(space: StateSpace, bits: number): Dropped[] {
  const sizes = space.properties.map(valueCount);
  if (space.trueSize <= 2 ** bits) return [];
  for (let many = 1; many <= sizes.length; many += 1) {
    const ways = choose(sizes.length, many).flatMap((gone): Dropped[] => {
      const blocks = gone.reduce((product, index) => product * itemAt(sizes, index), 1);
      const states = space.trueSize / blocks;
      return states <= 2 ** bits
        ? [
            {
              properties: gone.map((index) => itemAt(space.properties, index).name),
              states,
              bits: bitsFor(states),
              blocks,
            },
          ]
        : [];
    });
    if (ways.length) return ways.sort((a, b) => b.states - a.states || a.blocks - b.blocks);
  }
  return [];
}

/** All choices of `many` out of the numbers 0 … from − 1. */
function choose(from: number, many: number): number[][] {
  if (many === 0) return [[]];
  if (many > from) return [];
  return [
    ...choose(from - 1, many),
    ...choose(from - 1, many - 1).map((rest) => [...rest, from - 1]),
  ];
}
