import { diff3Merge } from 'node-diff3';
import { pointer, sameData } from '../json/index.ts';

/**
 * A place that both people and Obrank changed since the last build, and not alike. A value that is
 * not there is absent.
 */
export interface Clash {
  /** A JSON Pointer into what was merged. */
  path: string;
  base?: unknown;
  /** As people have it. */
  mine?: unknown;
  /** As it would be built. */
  built?: unknown;
}

/** Whose value stands at a clash. */
export type Choice = 'mine' | 'built';

/** Says whose value stands at a clash, the first of which is 0; undefined where nobody has said. */
export type Chosen = (clash: number) => Choice | undefined;

/** What comes of merging, and where both sides changed the same. */
export interface MergedValue {
  value: unknown;
  clashes: Clash[];
}

type Plain = Record<string, unknown>;

const isGroup = (value: unknown): value is Plain =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const held = (from: Plain, key: string): unknown =>
  Object.hasOwn(from, key) ? from[key] : undefined;

/**
 * Merges what people and Obrank made of one JSON value, by its structure: groups key by key, lists
 * by their items (a three-way merge: Khanna, Kunal and Pierce, "A formal investigation of diff3",
 * 2007). What one side alone changed is as that side has it; where both did and nobody has chosen,
 * people's stays, and it is told.
 *
 * @example mergeValues({ a: 1, b: 1 }, { a: 2, b: 1 }, { a: 1, b: 3 }).value // { a: 2, b: 3 }
 */
export function mergeValues(
  base: unknown,
  mine: unknown,
  built: unknown,
  chosen: Chosen = () => undefined,
): MergedValue {
  const clashes: Clash[] = [];
  return { value: merged({ base, mine, built, path: '' }, { chosen, clashes }), clashes };
}

interface Sides {
  base: unknown;
  mine: unknown;
  built: unknown;
  path: string;
}
interface Merging {
  chosen: Chosen;
  clashes: Clash[];
}

function merged(sides: Sides, merging: Merging): unknown {
  const { base, mine, built, path } = sides;
  if (sameData(mine, built) || sameData(base, built)) return mine;
  if (sameData(base, mine)) return built;
  if (isGroup(mine) && isGroup(built) && (isGroup(base) || base === undefined))
    return mergedGroup(base ?? {}, mine, built, path, merging);
  if (Array.isArray(base) && Array.isArray(mine) && Array.isArray(built))
    return areNames(base, mine, built)
      ? mergedNames(base, mine, built)
      : mergedList(base, mine, built, path, merging);
  return clashed(sides, merging);
}

/** A clash: whoever was chosen has it, and people where nobody was. */
function clashed({ base, mine, built, path }: Sides, { chosen, clashes }: Merging): unknown {
  const choice = chosen(clashes.length);
  clashes.push({ path, base, mine, built });
  return choice === 'built' ? built : mine;
}

function mergedGroup(
  base: Plain,
  mine: Plain,
  built: Plain,
  path: string,
  merging: Merging,
): Plain {
  const keys = new Set([...Object.keys(mine), ...Object.keys(built), ...Object.keys(base)]);
  const entries = [...keys].map((key): [string, unknown] => [
    key,
    merged(
      {
        base: held(base, key),
        mine: held(mine, key),
        built: held(built, key),
        path: path + pointer([key]),
      },
      merging,
    ),
  ]);
  return Object.fromEntries(entries.filter(([, value]) => value !== undefined));
}

/** Whether lists name things, each once: then they say what is in them, and not in which order. */
const areNames = (...lists: readonly (readonly unknown[])[]): boolean =>
  lists.every(
    (list) => list.every((item) => typeof item === 'string') && new Set(list).size === list.length,
  );

/** What people have, without what Obrank took away and with what it brought. */
const mergedNames = (
  base: readonly unknown[],
  mine: readonly unknown[],
  built: readonly unknown[],
): unknown[] => [
  ...mine.filter((item) => built.includes(item) || !base.includes(item)),
  ...built.filter((item) => !mine.includes(item) && !base.includes(item)),
];

function mergedList(
  base: readonly unknown[],
  mine: readonly unknown[],
  built: readonly unknown[],
  path: string,
  merging: Merging,
): unknown[] {
  // Items are told apart by what they hold, whatever the order of their keys.
  const words = (list: readonly unknown[]) => list.map((item) => JSON.stringify(inOrder(item)));
  const value: unknown[] = [];
  for (const { ok, conflict } of diff3Merge(words(mine), words(base), words(built), {
    excludeFalseConflicts: true,
  })) {
    if (ok) value.push(...ok.map((item) => JSON.parse(item) as unknown));
    if (!conflict) continue;
    const { aIndex, oIndex, bIndex } = conflict;
    const sides = {
      mine: mine.slice(aIndex, aIndex + conflict.a.length),
      base: base.slice(oIndex, oIndex + conflict.o.length),
      built: built.slice(bIndex, bIndex + conflict.b.length),
    };
    value.push(...mergedStretch(sides, `${path}/${oIndex}`, path, oIndex, merging));
  }
  return value;
}

/**
 * A stretch of a list that both sides changed. As many items on each side are the same ones, and are
 * merged one by one; otherwise the stretch as a whole clashes.
 */
function mergedStretch(
  { base, mine, built }: Record<'base' | 'mine' | 'built', unknown[]>,
  path: string,
  list: string,
  from: number,
  merging: Merging,
): unknown[] {
  if (base.length === mine.length && base.length === built.length)
    return base.map((item, i) =>
      merged({ base: item, mine: mine[i], built: built[i], path: `${list}/${from + i}` }, merging),
    );
  return clashed({ base, mine, built, path }, merging) as unknown[];
}

/** The same data with the keys of groups in the order of the alphabet. */
function inOrder(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(inOrder);
  if (!isGroup(value)) return value;
  return Object.fromEntries(
    Object.keys(value)
      .sort()
      .map((key) => [key, inOrder(value[key])]),
  );
}
