import { valueCount } from './property.ts';
import type { StateSpace } from './space.ts';

/** How a state is stored in a saved world: property by property, first the slowest, each with its number of values. */
export interface CodeLayout { kind: 'mixed-radix'; bits: number; digits: { property: string; values: number }[] }

/** The bits that `count` different codes need. `bitsFor(24)` is 5; one state needs none. */
export const bitsFor = (count: number): number => (count <= 1 ? 0 : Math.ceil(Math.log2(count)));

/** The layout that stores each state as its own number. */
export const mixedRadix = (space: StateSpace): CodeLayout => ({
  kind: 'mixed-radix',
  bits: bitsFor(space.size),
  digits: space.properties.map((property) => ({ property: property.name, values: valueCount(property) })),
});
