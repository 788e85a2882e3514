import { changedNames, heldUnder, noteCopy } from '../lists/index.ts';
import { lookUp } from '../mod/index.ts';
import type { Block, Item, Mod } from '../mod/index.ts';

/** What rules over the whole declaration see of a block: what it is, and which tags it is in. */
export type BlockSummary = Pick<Block, 'tags' | 'itemTags' | 'identity'>;
/** What they see of how a block comes to be and what becomes of it. */
export type BlockMaking = Pick<Block, 'identity' | 'loot' | 'states'>;
/** What they see of which models a block shows. */
export type BlockShown = Pick<Block, 'identity' | 'looks'>;
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
};
export type ViewPart = keyof ModView;

/**
 * Some keys of every entry by its name: the same object as before unless an entry came or went, or
 * changed in one of them.
 */
function digest<E extends object, K extends keyof E>(
  entriesOf: (mod: Mod) => Readonly<Record<string, E>>,
  keys: readonly K[],
): (mod: Mod) => Readonly<Record<string, Pick<E, K>>> {
  const known = new WeakMap<
    Mod['header'],
    { entries: object; parts: Record<string, Pick<E, K>> }
  >();
  return (mod) => {
    const entries = entriesOf(mod);
    const before = known.get(mod.header);
    if (before?.entries === entries) return before.parts;
    const parts = before ? movedOn(before, entries, keys) : partsIn(entries, keys);
    known.set(mod.header, { entries, parts });
    return parts;
  };
}

const keysOf = <E extends object, K extends keyof E>(entry: E, keys: readonly K[]): Pick<E, K> =>
  Object.fromEntries(keys.map((key) => [key, entry[key]])) as Pick<E, K>;

const partsIn = <E extends object, K extends keyof E>(
  entries: Readonly<Record<string, E>>,
  keys: readonly K[],
): Record<string, Pick<E, K>> =>
  Object.fromEntries(Object.entries(entries).map(([name, entry]) => [name, keysOf(entry, keys)]));

/** The same parts where nothing that they hold has changed; else others, for what did. */
function movedOn<E extends object, K extends keyof E>(
  { entries: last, parts }: { entries: object; parts: Record<string, Pick<E, K>> },
  entries: Readonly<Record<string, E>>,
  keys: readonly K[],
): Record<string, Pick<E, K>> {
  const changed = changedNames(last as Readonly<Record<string, unknown>>, entries).filter(
    (name) => {
      const [part, entry] = [lookUp(parts, name), lookUp(entries, name)];
      return !part || !entry || keys.some((key) => part[key] !== entry[key]);
    },
  );
  if (!changed.length) return parts;
  // What comes or goes may stand anywhere in the order.
  if (changed.some((name) => !Object.hasOwn(entries, name) || !Object.hasOwn(parts, name)))
    return partsIn(entries, keys);
  const moved = { ...parts };
  for (const name of changed) {
    moved[name] = keysOf(heldUnder(entries, name), keys);
    noteCopy(moved, parts, name);
  }
  return moved;
}

const digests = {
  present: digest((mod: Mod) => mod.blocks, []),
  identities: digest((mod: Mod) => mod.blocks, ['identity']),
  blocks: digest((mod: Mod) => mod.blocks, ['tags', 'itemTags', 'identity']),
  named: digest((mod: Mod) => mod.blocks, ['names']),
  makings: digest((mod: Mod) => mod.blocks, ['identity', 'loot', 'states']),
  held: digest((mod: Mod) => mod.blocks, ['identity', 'itemTags']),
  shown: digest((mod: Mod) => mod.blocks, ['identity', 'looks']),
  things: digest((mod: Mod) => mod.items, ['natural', 'bucket', 'tags']),
};

/** A part of the mod as rules see it. */
export const partOf = (mod: Mod, part: ViewPart): unknown =>
  part in digests ? digests[part as keyof typeof digests](mod) : mod[part as keyof Mod];

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
  makings: mod.makings,
  blocks: mod.held,
});

/** The parts of a view in which texts stand. */
export const textsIn = (mod: ModView) => ({
  header: mod.header,
  items: mod.items,
  words: mod.words,
  blocks: mod.named,
});

/**
 * The mod as rules over the whole declaration see it: parts that did not change are the same
 * objects as before.
 */
export const viewOf = (mod: Mod): ModView => ({
  ...mod,
  present: digests.present(mod),
  identities: digests.identities(mod),
  blocks: digests.blocks(mod),
  named: digests.named(mod),
  makings: digests.makings(mod),
  held: digests.held(mod),
  shown: digests.shown(mod),
  things: digests.things(mod),
});

/**
 * A view that notes which parts of the mod are looked at, so that a rule is asked again only when
 * one of them has changed.
 */
export function watchedView(mod: Mod): { view: ModView; reads: Map<ViewPart, unknown> } {
  const reads = new Map<ViewPart, unknown>();
  const parts = viewOf(mod);
  const view = new Proxy(parts, {
    get(target, part: ViewPart) {
      reads.set(part, target[part]);
      return target[part];
    },
  });
  return { view, reads };
}
