import { lookUp, pointer, pointerSteps } from '../json/index.ts';
import type { Mod } from './mod.schema.ts';
import { idOf } from './names.ts';

/**
 * What others name: entries by an id, and catalogue groups, which are named without a namespace.
 */
export const renamed = [
  'blocks',
  'fluids',
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
const hashed = (named: readonly NamedAt[]): NamedAt[] =>
  named.map((one) => ({ ...one, hash: true }));
const things: NamedAt[] = [
  { at: 'recipes/*/taught/what', what: 'lesson of a recipe' },
  ...lots('give'),
  { at: 'recipes/*/gives', what: 'recipe' },
  { at: 'recipes/*/choices/*/gives', what: 'recipe' },
  ...ingredients(),
  { at: 'itemTags/*/members/*', what: 'member of a tag' },
  { at: 'ledger/retired/*/successor', what: 'successor in the ledger' },
  { at: 'header/groups/*/icon', what: 'icon of a group' },
];

/** What a fluid meets, and what becomes of it then: blocks and other fluids. */
const inFluids: NamedAt[] = ['with', 'becomes'].map((part) => ({
  at: `fluids/*/meets/*/${part}`,
  what: 'meeting of a fluid',
}));

/** What reactions of blocks name: by what they ask for, and by what they do. */
const inReactions = (...parts: string[]): NamedAt[] =>
  parts.map((part) => ({ at: `blocks/*/reactions/*/${part}`, what: 'reaction' }));

const picturesOfFamilies: NamedAt[] = ['families/*', 'families/*/forms/*'].flatMap((owner) =>
  ['*', '*/texture', '*/from'].map((at) => ({ at: `${owner}/pictures/${at}`, what: 'family' })),
);

/**
 * Where in the mod an entry of each kind is named: the steps to the id, `*` standing for any step.
 * A tag is also named with `#` before its id.
 */
const declaredPlaces: Record<RenamedKind, NamedAt[]> = {
  blocks: [
    ...things,
    { at: 'blockTags/*/members/*', what: 'member of a tag' },
    { at: 'items/*/bucket/of', what: 'bucket' },
    ...inFluids,
    ...inReactions('if/neighbour/is', 'then/*/block', 'then/*/onto'),
    ...inReactions('if/holds', 'then/*/item'),
    { at: 'fluids/*/leaves', what: 'what a fluid leaves' },
    { at: 'fluids/*/pools/*/in', what: 'ground of a pool' },
  ],
  fluids: [
    { at: 'items/*/bucket/of', what: 'bucket' },
    ...inFluids,
    ...inReactions('if/neighbour/is', 'then/*/fluid'),
  ],
  items: [
    ...things,
    { at: 'items/*/bucket/empty', what: 'bucket' },
    ...inReactions('if/holds', 'then/*/item'),
  ],
  models: [
    { at: 'blocks/*/looks/rows/*/use/*/model', what: 'candidate' },
    { at: 'newLooks/*/looks/rows/*/use/*/model', what: 'candidate of a new look' },
    { at: 'models/*/template', what: 'template' },
    { at: 'blocks/*/identity/held/model', what: 'item form' },
  ],
  textures: [
    ...picturesOfFamilies,
    { at: 'models/*/slots/*', what: 'slot' },
    { at: 'items/*/texture', what: 'item' },
    { at: 'blocks/*/identity/held/picture', what: 'item form' },
    { at: 'fluids/*/still', what: 'fluid at rest' },
    { at: 'fluids/*/flowing', what: 'fluid that runs' },
    { at: 'textures/*/made/on', what: 'picture laid on it' },
    { at: 'textures/*/toned/from', what: 'picture made from it' },
  ],
  blockTags: [
    { at: 'blocks/*/tags/*', what: 'block' },
    { at: 'fluids/*/pools/*/in', what: 'ground of a pool', hash: true },
    ...hashed(inReactions('if/neighbour/is', 'then/*/onto')),
    { at: 'header/tools/kinds/*/tag', what: 'kind of tool' },
    { at: 'blockTags/*/members/*', what: 'member of a tag', hash: true },
  ],
  itemTags: [
    { at: 'blocks/*/itemTags/*', what: 'block' },
    { at: 'items/*/tags/*', what: 'item' },
    { at: 'itemTags/*/members/*', what: 'member of a tag', hash: true },
    ...hashed(inReactions('if/holds')),
    ...ingredients(true),
  ],
  lootTables: lots('table'),
  recipes: [],
  sounds: [{ at: 'soundSets/*/*/*/sound', what: 'sound set' }, ...inReactions('then/*/sound')],
  soundSets: [
    { at: 'families/*/materials/*/traits/soundSet', what: 'material' },
    { at: 'blocks/*/traits/soundSet', what: 'block' },
    { at: 'fluids/*/soundSet', what: 'fluid' },
  ],
  groups: [
    { at: 'families/*/group', what: 'family', bare: true },
    { at: 'blocks/*/identity/group', what: 'block', bare: true },
    { at: 'items/*/group', what: 'item', bare: true },
  ],
};

/** The kinds of entries that a cell of a family makes, and where in its document they stand. */
const madeParts: readonly (readonly [start: string, part: string])[] = [
  ['blocks/*/', 'block/'],
  ['items/*/', 'item/'],
  ['models/*/', 'models/*/'],
  ['recipes/*/', 'recipes/*/'],
];

/**
 * The same place in what the forms of a family make, and in what a form or a cell has otherwise:
 * there each key is a JSON Pointer, which `~` stands for.
 */
function placesInFamilies({ at, ...rest }: NamedAt): NamedAt[] {
  const [start, part] = madeParts.find(([kind]) => at.startsWith(kind)) ?? [];
  if (start === undefined || part === undefined) return [];
  const within = part + at.slice(start.length);
  return ['forms/*/own/', 'forms/*/changed/~/', 'cells/*/*/changed/~/'].map((owner) => ({
    ...rest,
    at: `families/*/${owner}${within}`,
  }));
}

const places = Object.fromEntries(
  Object.entries(declaredPlaces).map(([kind, list]) => [
    kind,
    [...list, ...list.flatMap(placesInFamilies)],
  ]),
) as Record<RenamedKind, NamedAt[]>;

/** Calls back with every text of a document that stands where the steps lead. */
function walk(
  value: unknown,
  steps: readonly string[],
  path: readonly (string | number)[],
  found: (text: string, path: readonly (string | number)[]) => void,
): void {
  const [step, ...rest] = steps;
  if (step === undefined) {
    if (typeof value === 'string') found(value, path);
  } else if (step === '~') {
    for (const [key, item] of Object.entries(value ?? {})) {
      const steps = key.startsWith('/') ? pointerSteps(key) : [];
      const fits = steps.every((name, i) => rest[i] === '*' || rest[i] === name);
      if (steps.length && fits) walk(item, rest.slice(steps.length), [...path, key], found);
    }
  } else if (step === '*') {
    if (Array.isArray(value)) value.forEach((item, i) => walk(item, rest, [...path, i], found));
    else if (typeof value === 'object' && value !== null)
      for (const [key, item] of Object.entries(value)) walk(item, rest, [...path, key], found);
  } else if (typeof value === 'object' && value !== null && Object.hasOwn(value, step))
    walk(lookUp(value as Record<string, unknown>, step), rest, [...path, step], found);
}

/** A place that names an entry: the JSON Pointer and what it is, in a word. */
export interface Naming {
  path: string;
  what: string;
  before: string;
}

/** In a family an id may be written with an open place for the namespace. */
const inNamespace = (text: string, namespace: string): string =>
  text.replace(/^(#?)\{namespace\}:/, `$1${namespace}:`);

/**
 * Every place of the mod that names an entry by its id. Linear in the part of the mod where such an
 * entry can be named.
 */
export function namingsOf(mod: Mod, kind: RenamedKind, name: string): Naming[] {
  const id = idOf(mod.header.namespace, name);
  return places[kind].flatMap(({ at, what, hash, bare }) => {
    const wanted = hash ? `#${id}` : bare ? name : id;
    const namings: Naming[] = [];
    walk(mod, at.split('/'), [], (text, path) => {
      if (inNamespace(text, mod.header.namespace) === wanted)
        namings.push({ path: pointer(path), what, before: text });
    });
    return namings;
  });
}

/** A place of a mod where something is named, and what the kinds of things named there can be. */
export interface Reference {
  path: string;
  /** As it is written: an id, an id after a `#`, or a bare name. */
  text: string;
  /** The kinds of things that can be named so at that place. */
  kinds: RenamedKind[];
}

/** Places of things by the steps to them, so that each is walked once. */
const kindsByPlace = new Map<string, { kind: RenamedKind; hash: boolean }[]>();
for (const kind of renamed)
  for (const { at, hash = false } of places[kind]) {
    const known = kindsByPlace.get(at);
    if (known) known.push({ kind, hash });
    else kindsByPlace.set(at, [{ kind, hash }]);
  }

/**
 * Every place of a document of mods where something is named, whosever it is. Parts of a mod will
 * do: what is not there names nothing.
 *
 * @example referencesIn({ blocks: { brine } })
 * // [{ path: '/blocks/brine/traits/soundSet', text: 'saltmarsh:mud', kinds: ['soundSets'] }, …]
 */
export function referencesIn(mod: Partial<Mod>): Reference[] {
  const references: Reference[] = [];
  for (const [at, named] of kindsByPlace)
    walk(mod, at.split('/'), [], (text, path) => {
      const kinds = named.filter(({ hash }) => hash === text.startsWith('#'));
      if (kinds.length)
        references.push({ path: pointer(path), text, kinds: kinds.map(({ kind }) => kind) });
    });
  return references;
}

/** How many places of the mod name something of another mod. */
export const namedElsewhere = (mod: Mod, namespace: string): number =>
  referencesIn(mod).filter(({ text }) => text.replace(/^#/, '').startsWith(`${namespace}:`)).length;
