import type { FluidPhysics } from '../fluids/index.ts';
import type { IsMeant, ReactingBlock } from '../reactions/index.ts';

/** What a pack says of what moves and answers, from its files alone. */
export interface PackWorld {
  fluids: ReadonlyMap<string, FluidPhysics>;
  blocks: ReadonlyMap<string, ReactingBlock>;
  /** Whether an id is meant by an id, or by a tag of the pack after a `#`. */
  isMeant: IsMeant;
}
