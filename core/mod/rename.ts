import { lookUp, pointer } from '../json/index.ts';
import { applyChanges, type Change } from './edit.ts';
import type { Registered } from './ledger.schema.ts';
import type { Mod } from './mod.schema.ts';
import { namePatternOf } from './mod.schema.ts';
import { idOf } from './names.ts';

/**
 * What can be renamed: entries that others name by an id, and catalogue groups, which they name
 * without a namespace.
 */
export const renamed = [
  'blocks',
  'items',
  'models',
  'textures',
  'blockTags',
  'itemTags',
  'lootTables',
  'recipes',
  'sounds',
  'soundSets',
  'groups',
] as const;
export type RenamedKind = (typeof renamed)[number];

interface NamedAt {
  at: string;
  what: string;
  hash?: true;
  bare?: true;
}
const lots = (key: string): NamedAt[] => [
  { at: `blocks/*/loot/draws/*/lots/*/${key}`, what: 'lot' },
  { at: `lootTables/*/draws/*/lots/*/${key}`, what: 'lot' },
];
const ingredients = (hash?: true): NamedAt[] =>
  ['keys/*', 'takes/*', 'takes'].map((part) => ({
    at: `recipes/*/${part}`,
    what: 'ingredient',
    ...(hash && { hash }),
  }));
const things: NamedAt[] = [
  ...lots('give'),
  { at: 'recipes/*/gives', what: 'recipe' },
  { at: 'recipes/*/choices/*/gives', what: 'recipe' },
  ...ingredients(),
  { at: 'itemTags/*/members/*', what: 'member of a tag' },
  { at: 'ledger/retired/*/successor', what: 'successor in the ledger' },
  { at: 'header/groups/*/icon', what: 'icon of a group' },
];

/**
 * Where in the mod an entry of each kind is named: the steps to the id, `*` standing for any step.
 * A tag is also named with `#` before its id.
 */
const places: Record<RenamedKind, NamedAt[]> = {
  blocks: [
    ...things,
    { at: 'blockTags/*/members/*', what: 'member of a tag' },
    { at: 'items/*/bucket/of', what: 'bucket' },
  ],
  items: [...things, { at: 'items/*/bucket/empty', what: 'bucket' }],
  models: [
    { at: 'blocks/*/looks/rows/*/use/*/model', what: 'candidate' },
    { at: 'models/*/template', what: 'template' },
    { at: 'blocks/*/identity/held/model', what: 'item form' },
  ],
  textures: [
    { at: 'models/*/slots/*', what: 'slot' },
    { at: 'items/*/texture', what: 'item' },
    { at: 'blocks/*/identity/held/picture', what: 'item form' },
  ],
  blockTags: [
    { at: 'blocks/*/tags/*', what: 'block' },
    { at: 'header/tools/kinds/*/tag', what: 'kind of tool' },
    { at: 'blockTags/*/members/*', what: 'member of a tag', hash: true },
  ],
  itemTags: [
    { at: 'blocks/*/itemTags/*', what: 'block' },
    { at: 'items/*/tags/*', what: 'item' },
    { at: 'itemTags/*/members/*', what: 'member of a tag', hash: true },
    ...ingredients(true),
  ],
  lootTables: lots('table'),
  recipes: [],
  sounds: [{ at: 'soundSets/*/*/*/sound', what: 'sound set' }],
  soundSets: [{ at: 'blocks/*/traits/soundSet', what: 'block' }],
  groups: [
    { at: 'blocks/*/identity/group', what: 'block', bare: true },
    { at: 'items/*/group', what: 'item', bare: true },
  ],
};
const ledgerKinds: Partial<Record<RenamedKind, Registered>> = {
  blocks: 'block',
  items: 'item',
  groups: 'group',
};

/** A place that names an entry: the JSON Pointer and what it is, in a word. */
export interface Naming {
  path: string;
  what: string;
  before: string;
}

/**
 * Every place of the mod that names an entry by its id. Linear in the part of the mod where such an
 * entry can be named.
 */
export function namingsOf(mod: Mod, kind: RenamedKind, name: string): Naming[] {
  const id = idOf(mod.header.namespace, name);
  return places[kind].flatMap(({ at, what, hash, bare }) => {
    const wanted = hash ? `#${id}` : bare ? name : id;
    const found: Naming[] = [];
    const walk = (value: unknown, steps: string[], path: (string | number)[]): void => {
      const [step, ...rest] = steps;
      if (step === undefined) {
        if (value === wanted) found.push({ path: pointer(path), what, before: wanted });
      } else if (step === '*') {
        if (Array.isArray(value)) value.forEach((item, i) => walk(item, rest, [...path, i]));
        else if (typeof value === 'object' && value !== null)
          for (const [key, item] of Object.entries(value)) walk(item, rest, [...path, key]);
      } else if (typeof value === 'object' && value !== null && Object.hasOwn(value, step))
        walk(lookUp(value as Record<string, unknown>, step), rest, [...path, step]);
    };
    walk(mod, at.split('/'), []);
    return found;
  });
}

/** Why an entry cannot have a name, in a sentence; undefined when it can. */
export function renamingProblem(
  mod: Mod,
  kind: RenamedKind,
  from: string,
  to: string,
): string | undefined {
  if (to === from) return undefined;
  if (!namePatternOf(kind).test(to))
    return 'Use lowercase letters, digits and underscores, beginning with a letter.';
  if (
    kind === 'groups'
      ? mod.header.groups.some((group) => group.name === to)
      : Object.hasOwn(mod[kind], to)
  )
    return `There is already one called ${to}.`;
  if (
    (kind === 'blocks' || kind === 'items') &&
    (Object.hasOwn(mod.blocks, to) || Object.hasOwn(mod.items, to))
  )
    return `${to} is the id of ${Object.hasOwn(mod.blocks, to) ? 'a block' : 'an item'} already.`;
  const retired = mod.ledger.retired.find(
    (entry) => entry.name === to && entry.kind === ledgerKinds[kind],
  );
  return retired
    ? `${to} was retired: saved worlds know another one by that name, with number ` +
        `${retired.number}.`
    : undefined;
}

/**
 * The changes that rename an entry and everything that names it: lots, recipes, tags, looks, slots.
 * In the ledger its number stays, and the name that it had is kept beside, so that saved worlds
 * that know it by the old one are understood. Throws a RangeError when there is no such entry or it
 * cannot have that name.
 *
 * @example applyChanges(mod, renameEntry(mod, 'blocks', 'salt_crust', 'salt_rind'))
 */
export function renameEntry(mod: Mod, kind: RenamedKind, from: string, to: string): Change[] {
  const group = kind === 'groups' ? mod.header.groups.findIndex(({ name }) => name === from) : -1;
  if (kind === 'groups' ? group < 0 : !Object.hasOwn(mod[kind], from))
    throw new RangeError(`There is nothing called ${from}.`);
  const problem = renamingProblem(mod, kind, from, to);
  if (problem) throw new RangeError(problem);
  if (from === to) return [];
  const id = idOf(mod.header.namespace, to);
  const changes: Change[] = namingsOf(mod, kind, from).map(({ path, before }) => ({
    path,
    before,
    after: before.startsWith('#') ? `#${id}` : before === from ? to : id,
  }));
  const ledgerKind = ledgerKinds[kind];
  mod.ledger.entries.forEach((entry, index) => {
    if (entry.kind !== ledgerKind || entry.name !== from) return;
    changes.push({
      path: `/ledger/entries/${index}`,
      before: entry,
      after: {
        ...entry,
        name: to,
        formerly: [...(entry.formerly ?? []).filter((name) => name !== to), from],
      },
    });
  });
  if (kind === 'groups')
    return [...changes, { path: `/header/groups/${group}/name`, before: from, after: to }];
  // What it names of itself has changed too, so the entry moves as the changes leave it.
  const entry = lookUp(applyChanges(mod, changes)[kind] as Record<string, unknown>, from);
  return [
    ...changes,
    { path: pointer([kind, from]), before: entry },
    { path: pointer([kind, to]), after: entry },
  ];
}
