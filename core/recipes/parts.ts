import { heldUnder } from '../lists/index.ts';
import { lookUp, idOf, splitId, type Mod, type Recipe } from '../mod/index.ts';
import { membersOf, type Tagging } from '../tags/index.ts';

/**
 * The items that an ingredient stands for: itself, or all that is in its tag. A tag that the mod
 * does not know stands for itself, with its #.
 */
export type Accepts = (ingredient: string) => ReadonlySet<string>;

/** Looks ingredients up in the item tags of a mod, tags in tags followed. */
export function acceptsIn(mod: Tagging): Accepts {
  const members = membersOf(mod, 'itemTags');
  const single = new Map<string, ReadonlySet<string>>();
  return (ingredient) => {
    const inTag = ingredient.startsWith('#') ? members.get(ingredient.slice(1)) : undefined;
    if (inTag) return inTag;
    let set = single.get(ingredient);
    if (!set) single.set(ingredient, (set = new Set([ingredient])));
    return set;
  };
}

/** True when two sets share something. */
export function meet(a: ReadonlySet<string>, b: ReadonlySet<string>): boolean {
  const [small, large] = a.size < b.size ? [a, b] : [b, a];
  for (const one of small) if (large.has(one)) return true;
  return false;
}

/**
 * A pattern without the empty rows and columns around it: the ingredient of each place, row by row,
 * undefined for an empty one.
 */
export interface Laid {
  wide: number;
  high: number;
  cells: (string | undefined)[];
}

/**
 * Lays a pattern out. Letters without a key, and what is missing of ragged rows, count as empty.
 */
export function laid({ pattern, keys }: Extract<Recipe, { kind: 'pattern' }>): Laid {
  const grid = pattern.map((row) =>
    [...row].map((letter) =>
      letter !== ' ' && Object.hasOwn(keys, letter) ? lookUp(keys, letter) : undefined,
    ),
  );
  const filled = (cells: readonly (string | undefined)[]) =>
    cells.some((cell) => cell !== undefined);
  const rows = grid.map(filled);
  const width = Math.max(0, ...grid.map((row) => row.length));
  const columns = Array.from({ length: width }, (_, x) => filled(grid.map((row) => row[x])));
  const [top, bottom, left, right] = [
    rows.indexOf(true),
    rows.lastIndexOf(true),
    columns.indexOf(true),
    columns.lastIndexOf(true),
  ];
  if (top < 0) return { wide: 0, high: 0, cells: [] };
  const cells = grid
    .slice(top, bottom + 1)
    .flatMap((row) => Array.from({ length: right - left + 1 }, (_, x) => row[left + x]));
  return { wide: right - left + 1, high: bottom - top + 1, cells };
}

/** A pattern as it is in a mirror that stands beside it. */
export const mirrored = ({ wide, high, cells }: Laid): Laid => ({
  wide,
  high,
  cells: cells.map((_, i) => cells[i - (i % wide) + wide - 1 - (i % wide)]),
});

/**
 * True for what this mod cannot judge: what other mods bring, and the stock that every engine
 * brings along.
 */
export const isBroughtAlong = (id: string, namespace: string): boolean =>
  splitId(id.replace('#', '')).namespace !== namespace;

/** Things that may be held. */
interface Holding {
  items: Readonly<Record<string, unknown>>;
  blocks: Readonly<Record<string, { identity: { item?: 'block' | 'flat' | 'none' } }>>;
}

/** Whether something of a mod can be held: it is an item, or a block with an item form. */
export const isHeld = ({ items, blocks }: Holding, name: string | undefined): boolean =>
  name !== undefined &&
  (lookUp(items, name) !== undefined || (lookUp(blocks, name)?.identity.item ?? 'none') !== 'none');

/**
 * The ids of everything in a mod that can be held: its items, and its blocks that have an item
 * form.
 */
export const heldIds = (mod: Holding & { header: Mod['header'] }): string[] =>
  [
    ...Object.keys(mod.items),
    ...Object.keys(mod.blocks).filter(
      (name) => (heldUnder(mod.blocks, name).identity.item ?? 'none') !== 'none',
    ),
  ].map((name) => idOf(mod.header.namespace, name));
