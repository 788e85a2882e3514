import { pointerSteps } from '../json/index.ts';
import { idOf, referencesIn, resultsOf, type Mod } from '../mod/index.ts';
import { acceptsIn, findObtainable, heldIds } from '../recipes/index.ts';

/** What is taken to be in the world by itself: names of blocks, and of items. */
export interface Natural {
  blocks: string[];
  items: string[];
}

/**
 * What the world must have by itself, since nothing in the mod gives it: a pack does not say. First
 * the blocks that no recipe makes and nothing else drops, then the items that even so nobody could
 * come to have.
 *
 * @example naturalIn(mod) // { blocks: ['brack_seam'], items: ['samphire_seeds'] }
 */
export function naturalIn(mod: Mod): Natural {
  const { namespace } = mod.header;
  const given = new Set(
    Object.values(mod.recipes)
      .flatMap(resultsOf)
      .map(({ gives }) => gives),
  );
  for (const { path, text } of referencesIn({ blocks: mod.blocks, lootTables: mod.lootTables })) {
    const [kind, owner = ''] = pointerSteps(path);
    const isOfItself = kind === 'blocks' && text === idOf(namespace, owner);
    if (path.endsWith('/give') && !isOfItself) given.add(text);
  }
  const blocks = Object.keys(mod.blocks).filter((name) => !given.has(idOf(namespace, name)));
  const marked = withNatural(mod, { blocks, items: [] });
  const making = { ...marked, makings: marked.blocks };
  const obtainable = findObtainable(making, acceptsIn(marked));
  const items = heldIds(making)
    .filter((id) => !obtainable.has(id) && !given.has(id))
    .map((id) => id.slice(id.indexOf(':') + 1))
    .filter((name) => Object.hasOwn(mod.items, name));
  return { blocks, items };
}

/** The mod in which these are in the world by themselves. */
export function withNatural(mod: Mod, { blocks, items }: Natural): Mod {
  const marked = <T>(record: Record<string, T>, names: readonly string[], mark: (one: T) => T) => {
    const chosen = new Set(names);
    return Object.fromEntries(
      Object.entries(record).map(([name, one]) => [name, chosen.has(name) ? mark(one) : one]),
    );
  };
  return {
    ...mod,
    blocks: marked(mod.blocks, blocks, (block) => ({
      ...block,
      identity: { ...block.identity, natural: true },
    })),
    items: marked(mod.items, items, (item) => ({ ...item, natural: true })),
  };
}
