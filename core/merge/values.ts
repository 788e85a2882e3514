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

/** How values are merged; hand edits of built files as it is when nothing is said. */
export interface MergeRules {
  chosen?: Chosen;
  /** Who has a clash of which nobody has said whose it is; people, when nothing is said. */
  unchosen?: 'mine' | 'base';
  /**
   * Whether lists of groups that say their names hold what both sides have, in whatever order; so
   * in a pack that is not Obrank's alone.
   */
  joins?: boolean;
  /**
   * Whether only what both sides surely know as the same is merged: groups that there were before,
   * and lists of one length, place by place.
   */
  isCautious?: boolean;
  /** Whether a group is one value: half of each would be neither. */
  isWhole?: (group: Plain) => boolean;
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
 * people's stays, and it is told. Without a base both are put together: nothing that either has
 * is lost, and the same name is the same thing.
 *
 * @example mergeValues({ a: 1, b: 1 }, { a: 2, b: 1 }, { a: 1, b: 3 }).value // { a: 2, b: 3 }
 */
export function mergeValues(
  base: unknown,
  mine: unknown,
  built: unknown,
  rules: MergeRules = {},
): MergedValue {
  const merging = { ...rules, clashes: [] };
  return { value: merged({ base, mine, built, path: '' }, merging), clashes: merging.clashes };
}

interface Sides {
  base: unknown;
  mine: unknown;
  built: unknown;
  path: string;
}
interface Merging extends MergeRules {
  clashes: Clash[];
}

function merged(sides: Sides, merging: Merging): unknown {
  const { base, mine, built, path } = sides;
  if (sameData(mine, built) || sameData(base, built)) return mine;
  if (sameData(base, mine)) return built;
  const { isCautious, isWhole = () => false } = merging;
  const areGroups = isGroup(mine) && isGroup(built) && !isWhole(mine) && !isWhole(built);
  if (areGroups && (base === undefined ? !isCautious : isGroup(base) && !isWhole(base)))
    return mergedGroup(isGroup(base) ? base : {}, mine, built, path, merging);
  if (Array.isArray(mine) && Array.isArray(built)) {
    if (Array.isArray(base)) return mergedLists({ base, mine, built }, sides, merging);
    const both = base === undefined && !isCautious && putTogether(mine, built, path, merging);
    if (both) return both;
  }
  return clashed(sides, merging);
}

type Lists = Record<'base' | 'mine' | 'built', readonly unknown[]>;

function mergedLists({ base, mine, built }: Lists, sides: Sides, merging: Merging): unknown {
  const { path } = sides;
  if (merging.isCautious)
    return areOfOneLength(base, mine, built)
      ? mergedPlaces({ base, mine, built }, path, 0, merging)
      : clashed(sides, merging);
  if (areNames(base, mine, built)) return mergedNames(base, mine, built);
  const key = merging.joins ? namingKey(base, mine, built) : undefined;
  return key === undefined
    ? mergedList(base, mine, built, path, merging)
    : mergedByName({ base, mine, built }, key, path, merging);
}

const areOfOneLength = (...[first, ...others]: (readonly unknown[])[]): boolean =>
  others.every((list) => list.length === first?.length);

/** Lists of one length, the same thing at each place. */
const mergedPlaces = (
  { base, mine, built }: Lists,
  list: string,
  from: number,
  merging: Merging,
): unknown[] =>
  base.map((item, i) =>
    merged({ base: item, mine: mine[i], built: built[i], path: `${list}/${from + i}` }, merging),
  );

/** A clash: whoever was chosen has it, and people where nobody was. */
function clashed(
  { base, mine, built, path }: Sides,
  { chosen, unchosen = 'mine', clashes }: Merging,
): unknown {
  const choice = chosen?.(clashes.length) ?? unchosen;
  clashes.push({ path, base, mine, built });
  return { base, mine, built }[choice];
}

/**
 * Two lists of which nobody knows what they were: what people have, and what Obrank has besides.
 * Only names can be put together, and groups that say theirs. Undefined for others: numbers mean
 * something by their place.
 */
function putTogether(
  mine: readonly unknown[],
  built: readonly unknown[],
  path: string,
  merging: Merging,
): readonly unknown[] | undefined {
  if (!mine.length || !built.length) return mine.length ? mine : built;
  if (areNames(mine, built)) return mergedNames([], mine, built);
  const key = namingKey(mine, built);
  return key === undefined
    ? undefined
    : mergedByName({ base: [], mine, built }, key, path, merging);
}

/**
 * Lists of groups that say their names: those of one name are the same thing, wherever they stand.
 * What Obrank brings comes behind the last of its kind.
 */
function mergedByName(lists: Lists, key: string, path: string, merging: Merging): unknown[] {
  const nameOf = (item: unknown): unknown => (item as Plain)[key];
  const byName = (list: readonly unknown[]) => new Map(list.map((item) => [nameOf(item), item]));
  const [base, mine, built] = [byName(lists.base), byName(lists.mine), byName(lists.built)];
  const mergedOf = (name: unknown, place: number) =>
    merged(
      {
        base: base.get(name),
        mine: mine.get(name),
        built: built.get(name),
        path: `${path}/${place}`,
      },
      merging,
    );
  const made = [...mine.keys()].map(mergedOf).filter((item) => item !== undefined);
  const brought = [...built.keys()]
    .filter((name) => !mine.has(name))
    .map((name) => mergedOf(name, lists.mine.length))
    .filter((item) => item !== undefined);
  return withKinds(made, brought, kindKey([...made, ...brought], key));
}

/** A list and what is brought to it, each behind the last that says the same of `key`. */
function withKinds(
  list: readonly unknown[],
  brought: readonly unknown[],
  key: string | undefined,
): unknown[] {
  if (key === undefined) return [...list, ...brought];
  const kindOf = (item: unknown): unknown => (item as Plain)[key];
  const last = new Map(list.map((item, i) => [kindOf(item), i]));
  const behind = new Map<number, unknown[]>();
  for (const item of brought) {
    const at = last.get(kindOf(item)) ?? list.length;
    behind.set(at, [...(behind.get(at) ?? []), item]);
  }
  return [
    ...list.flatMap((item, i) => [item, ...(behind.get(i) ?? [])]),
    ...(behind.get(list.length) ?? []),
  ];
}

/**
 * The key by which the groups of lists are told apart in each; one that is called a name before any
 * other, none where there is none.
 */
function namingKey(...lists: readonly (readonly unknown[])[]): string | undefined {
  const keys = keysOf(lists).filter((key) =>
    lists.every((list) => new Set(list.map((item) => (item as Plain)[key])).size === list.length),
  );
  return keys.find((key) => key === 'id' || key === 'name') ?? keys[0];
}

/** The first key that sorts groups, other than their names. */
const kindKey = (list: readonly unknown[], naming: string): string | undefined =>
  keysOf([list]).find((key) => key !== naming);

/** The keys of the first group of lists that say a text in each of their groups. */
function keysOf(lists: readonly (readonly unknown[])[]): string[] {
  const all = lists.flat();
  const [first] = all;
  if (!isGroup(first)) return [];
  return Object.keys(first).filter((key) =>
    all.every((item) => isGroup(item) && typeof held(item, key) === 'string'),
  );
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
export const mergedNames = <Name>(
  base: readonly Name[],
  mine: readonly Name[],
  built: readonly Name[],
): Name[] => [
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
  lists: Lists,
  path: string,
  list: string,
  from: number,
  merging: Merging,
): unknown[] {
  const { base, mine, built } = lists;
  return areOfOneLength(base, mine, built)
    ? mergedPlaces(lists, list, from, merging)
    : (clashed({ ...lists, path }, merging) as unknown[]);
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
