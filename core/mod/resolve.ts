import { heldUnder } from '../lists/index.ts';
import { lookUp } from '../json/index.ts';
import { spokenName } from '../words/index.ts';
import { toRows, StateSpace, type Rows } from '../states/index.ts';
import type { Block, Candidate, Shape } from './block.schema.ts';
import type { Draw } from './loot.schema.ts';
import type { Mod } from './mod.schema.ts';
import { idOfShown, isNewLook } from './new-look.ts';
import { stockNamed } from './stock.ts';
import {
  byStateTraits,
  defaultTraits,
  type ByStateTrait,
  type ResolvedTraits,
  type Traits,
} from './traits.ts';

/**
 * A block with everything filled in: stock and defaults applied, every state-dependent value as
 * rows.
 */
export interface ResolvedBlock {
  name: string;
  /** As sentences call it: by its name, and another mod's block by its id. */
  called: string;
  id: string;
  declared: Block;
  space: StateSpace;
  traits: ResolvedTraits;
  looks: { mode: 'one-of' | 'layered'; rows: Rows<Candidate[]> };
  shapes: { collision: Rows<Shape>; outline: Rows<Shape> };
  item: 'block' | 'flat' | 'none';
  /** The draws of the loot table; no draws when the block drops nothing. */
  draws: Draw[];
}

const known = new WeakMap<Block, ResolvedBlock>();

/**
 * A block of the mod with stock and defaults filled in. The result is remembered for as long as the
 * block stays the same object, so an edit of one block resolves that block alone.
 */
export function resolveBlock(
  mod: Pick<Mod, 'header'>,
  name: string,
  declared: Block,
): ResolvedBlock {
  const id = idOfShown(mod.header.namespace, name);
  const before = known.get(declared);
  if (before && before.id === id) return before;
  const resolved: ResolvedBlock = {
    name,
    called: isNewLook(name) ? id : name,
    id,
    declared,
    space: new StateSpace(declared.states.properties),
    traits: resolveTraits(declared),
    looks: {
      mode: declared.looks.mode,
      rows: declared.looks.rows.map(({ when, use }) => ({ when, value: use })),
    },
    shapes: {
      collision: shapeRows(declared.shapes?.collision),
      outline: shapeRows(declared.shapes?.outline),
    },
    item: declared.identity.item ?? 'none',
    draws: drawsOf(declared, id),
  };
  known.set(declared, resolved);
  return resolved;
}

/** The traits with stock filled in, as rows where they may depend on the state. */
function resolveTraits({ identity, traits: changed }: Block): ResolvedTraits {
  const traits: Traits = {
    ...(stockNamed(identity.stock)?.traits ?? defaultTraits),
    ...changed,
  };
  const rows = Object.fromEntries(byStateTraits.map((name) => [name, toRows(traits[name])]));
  return { ...traits, ...(rows as Record<ByStateTrait, Rows<number>>) };
}

const shapeRows = (given: NonNullable<Block['shapes']>['collision']): Rows<Shape> =>
  given === undefined ? [{ value: 'model' }] : toRows(given);

function drawsOf({ loot, states }: Block, id: string): Draw[] {
  if (loot === undefined || loot === 'nothing') return [];
  if (loot !== 'itself') return loot.draws;
  return itselfAsDraws(id, states);
}

/** What a block that drops itself drops: one of it, with what placing takes back from the item. */
export function itselfAsDraws(id: string, states: Block['states']): Draw[] {
  const keeps = carried(states);
  return [{ times: 1, lots: [keeps.length ? { give: id, keeps } : { give: id }] }];
}

/** The properties that placing takes from the item: what a block that is dug up should carry. */
export const carried = ({ properties, placing = [] }: Block['states']): string[] =>
  properties
    .map(({ name }) => name)
    .filter((name) => placing.some((rule) => rule.set === name && rule.to === 'from the item'));

const lists = new WeakMap<Mod['blocks'], { namespace: string; list: readonly ResolvedBlock[] }>();

/**
 * All blocks of a mod, resolved, in the order of their names. The same list for as long as no block
 * changes.
 */
export function resolveBlocks(mod: Mod): readonly ResolvedBlock[] {
  const {
    blocks,
    header: { namespace },
  } = mod;
  const before = lists.get(blocks);
  if (before?.namespace === namespace) return before.list;
  const list = Object.keys(blocks)
    .sort()
    .map((name) => resolveBlock(mod, name, heldUnder(blocks, name)));
  lists.set(blocks, { namespace, list });
  return list;
}

/**
 * The display name of a block: in the mod's first language, else any, else its id's name with
 * spaces.
 */
export const titleOf = (
  mod: Pick<Mod, 'header'>,
  name: string,
  names: Record<string, string> | undefined,
): string =>
  lookUp(names, mod.header.languages[0] ?? 'en') ??
  Object.values(names ?? {})[0] ??
  (isNewLook(name) ? spokenName(name.slice(name.indexOf('/') + 1)) : name.replaceAll('_', ' '));
