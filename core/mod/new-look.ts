import { lookUp } from '../json/index.ts';
import type { Block } from './block.schema.ts';
import type { Mod } from './mod.schema.ts';
import { idOf } from './names.ts';
import type { NewLook } from './new-look.schema.ts';

/** The namespace of what the format itself brings along. */
const stockNamespace = 'obrank';

/** Whether a name is that of a new look, and not of a block of the mod: it says whose block it is. */
export const isNewLook = (name: string): boolean => name.includes('/');

/** The id of a block, or of the block that a new look is over: `driftwood/plank` is another mod's. */
export const idOfShown = (namespace: string, name: string): string =>
  isNewLook(name) ? name.replace('/', ':') : idOf(namespace, name);

/** Under which name the new look of a block is kept: `driftwood:plank` is under `driftwood/plank`. */
export const newLookName = (id: string): string => id.replace(':', '/');

/** Whether a new look is over a stock material, of which everything is known. */
export const isOverStock = (name: string): boolean => name.startsWith(`${stockNamespace}/`);

/** A stock material has one state. */
const statesOfStock: Block['states'] = { properties: [] };

/** The states of the block that a new look is over; undefined where nobody has said them. */
export const statesUnder = (name: string, { states }: NewLook): Block['states'] | undefined =>
  states ?? (isOverStock(name) ? statesOfStock : undefined);

/** Whether the states of a block of the mod are known, or of one that it gives a new look. */
export function areStatesKnown(mod: Pick<Mod, 'newLooks'>, name: string): boolean {
  const look = isNewLook(name) ? lookUp(mod.newLooks, name) : undefined;
  return !look || statesUnder(name, look) !== undefined;
}

const known = new WeakMap<NewLook, { name: string; block: Block }>();

/**
 * A new look as a block that has nothing but its states and what they show, so that whatever is
 * asked of the look of a block can be asked of it. The same object for as long as the look is.
 */
export function asBlock(name: string, look: NewLook): Block {
  const before = known.get(look);
  if (before?.name === name) return before.block;
  const block: Block = {
    identity: { item: 'none' },
    // No stock material is tinted, whatever is asked for.
    traits: look.tint === undefined || isOverStock(name) ? {} : { tint: look.tint },
    states: statesUnder(name, look) ?? { properties: [] },
    looks: look.looks,
    tags: [],
    names: {},
  };
  known.set(look, { name, block });
  return block;
}

/** A block of the mod, or one that it gives a new look, by name. */
export function shownNamed(mod: Pick<Mod, 'blocks' | 'newLooks'>, name: string): Block | undefined {
  if (!isNewLook(name)) return lookUp(mod.blocks, name);
  const look = lookUp(mod.newLooks, name);
  return look && asBlock(name, look);
}

/** The steps to a block of the mod, or to a new look: both have `states` and `looks`. */
export const stepsToShown = (name: string): ['blocks' | 'newLooks', string] => [
  isNewLook(name) ? 'newLooks' : 'blocks',
  name,
];
