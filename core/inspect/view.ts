import type { Block, Mod } from '../mod/index.ts';

/** What rules over the whole declaration see of a block: the parts that other blocks may clash with. */
export type BlockSummary = Pick<Block, 'tags' | 'itemTags' | 'names' | 'identity'>;
/** What they see of how a block comes to be and what becomes of it. */
export type BlockMaking = Pick<Block, 'identity' | 'loot' | 'states'>;

/** The mod as rules over the whole declaration see it. A rule that asks for summaries is not asked again when a block's loot changes. */
export type ModView = Omit<Mod, 'blocks'> & { blocks: Readonly<Record<string, BlockSummary>>; makings: Readonly<Record<string, BlockMaking>> };
export type ViewPart = keyof ModView;

/** A part of every block by its name: the same object as before unless a block came or went, or changed in that part. */
function digest<K extends keyof Block>(keys: readonly K[]): (mod: Mod) => Readonly<Record<string, Pick<Block, K>>> {
  const known = new WeakMap<Mod['header'], { blocks: Mod['blocks']; parts: Record<string, Pick<Block, K>> }>();
  return ({ header, blocks }) => {
    const before = known.get(header);
    if (before?.blocks === blocks) return before.parts;
    const names = Object.keys(blocks);
    const same = before && names.length === Object.keys(before.parts).length && names.every((name) => {
      const part = before.parts[name];
      return part && keys.every((key) => part[key] === blocks[name]![key]);
    });
    const parts = same ? before.parts : Object.fromEntries(names.map((name) => [name, Object.fromEntries(keys.map((key) => [key, blocks[name]![key]])) as Pick<Block, K>]));
    known.set(header, { blocks, parts });
    return parts;
  };
}

const summariesOf = digest(['tags', 'itemTags', 'names', 'identity']);
const makingsOf = digest(['identity', 'loot', 'states']);

/** A part of the mod as rules see it. */
export const partOf = (mod: Mod, part: ViewPart): unknown => (part === 'blocks' ? summariesOf(mod) : part === 'makings' ? makingsOf(mod) : mod[part]);

/** A view that notes which parts of the mod are looked at, so that a rule is asked again only when one of them has changed. */
export function watchedView(mod: Mod): { view: ModView; reads: Map<ViewPart, unknown> } {
  const reads = new Map<ViewPart, unknown>();
  const parts: ModView = { ...mod, blocks: summariesOf(mod), makings: makingsOf(mod) };
  const view = new Proxy(parts, {
    get(target, part: ViewPart) {
      reads.set(part, target[part]);
      return target[part];
    },
  });
  return { view, reads };
}
