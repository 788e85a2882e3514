import type { Block, Mod } from '../mod/index.ts';

/** What rules over the whole declaration see of a block: the parts that other blocks may clash with. */
export type BlockSummary = Pick<Block, 'tags' | 'names'>;

/** The mod as rules over the whole declaration see it. */
export type ModView = Omit<Mod, 'blocks'> & { blocks: Readonly<Record<string, BlockSummary>> };

const known = new WeakMap<Mod['header'], { blocks: Mod['blocks']; summaries: ModView['blocks'] }>();

/** The summaries of all blocks: the same object as before unless a block came or went, or changed its tags or names. */
export function summariesOf({ header, blocks }: Mod): ModView['blocks'] {
  const before = known.get(header);
  if (before?.blocks === blocks) return before.summaries;
  const names = Object.keys(blocks);
  const same = before && names.length === Object.keys(before.summaries).length && names.every((name) => {
    const summary = before.summaries[name];
    return summary && summary.tags === blocks[name]!.tags && summary.names === blocks[name]!.names;
  });
  const summaries = same ? before.summaries : Object.fromEntries(names.map((name) => [name, { tags: blocks[name]!.tags, names: blocks[name]!.names }]));
  known.set(header, { blocks, summaries });
  return summaries;
}

/** A view that notes which parts of the mod are looked at, so that a rule is asked again only when one of them has changed. */
export function watchedView(mod: Mod): { view: ModView; reads: Map<keyof Mod, unknown> } {
  const reads = new Map<keyof Mod, unknown>();
  const parts: ModView = { ...mod, blocks: summariesOf(mod) };
  const view = new Proxy(parts, {
    get(target, part: keyof Mod) {
      reads.set(part, target[part]);
      return target[part];
    },
  });
  return { view, reads };
}
