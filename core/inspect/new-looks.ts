import { idOfShown, lookUp, ownName, type Block, type Mod, type NewLook } from '../mod/index.ts';

/** A new look over a block of a neighbour, with that block. */
export interface LookOver {
  name: string;
  id: string;
  look: NewLook;
  block: Block;
}

/** The new looks that a mod gives to the blocks of a neighbour; not those that it does not have. */
export function looksOver(mod: Mod, other: Mod): LookOver[] {
  const [ours, theirs] = [mod.header.namespace, other.header.namespace];
  if (ours === theirs) return [];
  return Object.entries(mod.newLooks).flatMap(([name, look]) => {
    const id = idOfShown(ours, name);
    const block = lookUp(other.blocks, ownName(theirs, id) ?? '');
    return block ? [{ name, id, look, block }] : [];
  });
}

/** States as they are compared and kept: no rules of placing are as good as an empty list. */
export const plainStates = ({ properties, placing = [] }: Block['states']): Block['states'] => ({
  properties,
  ...(placing.length && { placing }),
});
