/** The Yard: a world of what a pack says, in which fluids move and blocks answer. */
export type { PackWorld } from './pack-world.ts';
export { Yard, type YardOptions } from './world.ts';
