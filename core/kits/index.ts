/** Targets: limits, writers, readers. */
import { lookUp } from '../mod/index.ts';
import { blockPack, smallBlockPack } from './block-pack/index.ts';
import type { Kit } from './kit.ts';

export type { BlobOf, Kit, KitLimits } from './kit.ts';

/** All kits by name. */
export const kits: Readonly<Record<string, Kit>> = {
  [blockPack.name]: blockPack,
  [smallBlockPack.name]: smallBlockPack,
};

/** The kit of that name, or the Block Pack's when there is none. */
export const kitNamed = (name: string): Kit => lookUp(kits, name) ?? blockPack;
