import { changedNames } from '../lists/index.ts';
import { lookUp } from '../mod/index.ts';
import type { Block, Fluid, Item, Mod } from '../mod/index.ts';

/** What rules over the whole declaration see of a block: what it is, and which tags it is in. */
export type BlockSummary = Pick<Block, 'tags' | 'itemTags' | 'identity'>;
/** What they see of how a block comes to be and what becomes of it. */
export type BlockMaking = Pick<Block, 'identity' | 'loot' | 'states'>;
/** What they see of which models a block shows. */
export type BlockShown = Pick<Block, 'identity' | 'looks'>;
/** What they see of what a block does when something happens. */
export type BlockReacting = Pick<Block, 'reactions' | 'states'>;
/** What they see of what can be held, and under which tags. */
export type BlockHeld = Pick<Block, 'identity' | 'itemTags'>;
/** What they see of how an item comes to be. */
export type ItemMaking = Pick<Item, 'natural' | 'bucket' | 'tags'>;

/**
 * The mod as rules over the whole declaration see it. Blocks and items are there several times,
 * each time with other parts of them: a rule is asked again when a part that it asked for has
 * changed, so that a name that is typed does not look for recipes anew.
 */
export type ModView = Omit<Mod, 'blocks'> & {
  /** Which blocks there are. */
  present: Readonly<Record<string, object>>;
  identities: Readonly<Record<string, Pick<Block, 'identity'>>>;
  blocks: Readonly<Record<string, BlockSummary>>;
  named: Readonly<Record<string, Pick<Block, 'names'>>>;
  makings: Readonly<Record<string, BlockMaking>>;
  held: Readonly<Record<string, BlockHeld>>;
  shown: Readonly<Record<string, BlockShown>>;
  things: Readonly<Record<string, ItemMaking>>;
  reacting: Readonly<Record<string, BlockReacting>>;
  pools: Readonly<Record<string, Pick<Fluid, 'pools'>>>;
};
export type ViewPart = keyof ModView;

/**
 * The entries as they were when some keys of one of them changed last, or one came or went: the
 * same object until then. What else is in them may have changed since, which is why a view shows
 * these keys alone.
 */
function steady<E extends object, K extends keyof E>(
  entriesOf: (mod: Mod) => Readonly<Record<string, E>>,
  keys: readonly K[],
): (mod: Mod) => Readonly<Record<string, Pick<E, K>>> {
  type Entries = Readonly<Record<string, E>>;
  const known = new WeakMap<Mod['header'], { entries: Entries; steady: Entries }>();
  return (mod) => {
    const entries = entriesOf(mod);
    const before = known.get(mod.header);
    if (before?.entries === entries) return before.steady;
    const isSame = before && !isOtherwise(before.entries, entries, keys);
    const steady = isSame ? before.steady : entries;
    known.set(mod.header, { entries, steady });
    return steady;
  };
}

/** Whether an entry came or went, or has changed in one of these keys. */
const isOtherwise = <E extends object>(
  last: Readonly<Record<string, E>>,
  entries: Readonly<Record<string, E>>,
  keys: readonly (keyof E)[],
): boolean =>
  changedNames(last, entries).some((name) => {
    const [before, after] = [lookUp(last, name), lookUp(entries, name)];
    return !before || !after || keys.some((key) => before[key] !== after[key]);
  });

const parts = {
  present: steady((mod: Mod) => mod.blocks, []),
  identities: steady((mod: Mod) => mod.blocks, ['identity']),
  blocks: steady((mod: Mod) => mod.blocks, ['tags', 'itemTags', 'identity']),
  named: steady((mod: Mod) => mod.blocks, ['names']),
  makings: steady((mod: Mod) => mod.blocks, ['identity', 'loot', 'states']),
  held: steady((mod: Mod) => mod.blocks, ['identity', 'itemTags']),
  shown: steady((mod: Mod) => mod.blocks, ['identity', 'looks']),
  things: steady((mod: Mod) => mod.items, ['natural', 'bucket', 'tags']),
  reacting: steady((mod: Mod) => mod.blocks, ['reactions', 'states']),
  pools: steady((mod: Mod) => mod.fluids, ['pools']),
};

/** A part of the mod as rules see it. */
export const partOf = (mod: Mod, part: ViewPart): unknown =>
  part in parts ? parts[part as keyof typeof parts](mod) : mod[part as keyof Mod];

/** The parts of a view that say what an ingredient stands for. */
export const acceptingOf = (mod: ModView) => ({
  header: mod.header,
  items: mod.things,
  itemTags: mod.itemTags,
  blockTags: {},
  blocks: mod.held,
});

/** The parts of a view that making things depends on. */
export const makingOf = (mod: ModView) => ({
  header: mod.header,
  items: mod.things,
  recipes: mod.recipes,
  lootTables: mod.lootTables,
  fluids: mod.pools,
  makings: mod.makings,
  blocks: mod.held,
});

/**
 * The mod as rules over the whole declaration see it: parts that did not change are the same
 * objects as before.
 */
export const viewOf = (mod: Mod): ModView => ({
  ...mod,
  present: parts.present(mod),
  identities: parts.identities(mod),
  blocks: parts.blocks(mod),
  named: parts.named(mod),
  makings: parts.makings(mod),
  held: parts.held(mod),
  shown: parts.shown(mod),
  things: parts.things(mod),
  reacting: parts.reacting(mod),
  pools: parts.pools(mod),
});

/**
 * A view that notes which parts of the mod are looked at, so that a rule is asked again only when
 * one of them has changed.
 */
export function watchedView(mod: Mod): { view: ModView; reads: Map<ViewPart, unknown> } {
  const reads = new Map<ViewPart, unknown>();
  const whole = viewOf(mod);
  const view = new Proxy(whole, {
    get(target, part: ViewPart) {
      reads.set(part, target[part]);
      return target[part];
    },
  });
  return { view, reads };
}
