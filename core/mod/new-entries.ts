import { itemAt } from '../lists/index.ts';
import { lookUp, pointer } from '../json/index.ts';
import { applyChanges, type Change } from './edit.ts';
import { usualStack, type Item } from './entries.schema.ts';
import type { Fluid } from './flow.schema.ts';
import { Id, idOf, namePattern } from './names.ts';
import { nextNumber, retire } from './ledger.ts';
import type { Registered } from './ledger.schema.ts';
import type { Mod } from './mod.schema.ts';
import { thingNamed } from './rename.ts';

/** The change that registers something under the next number that was never given. */
function register({ ledger }: Pick<Mod, 'ledger'>, kind: Registered, name: string): Change {
  return {
    path: '/ledger/entries',
    before: ledger.entries,
    after: [...ledger.entries, { number: nextNumber(ledger), kind, name }],
  };
}

/** The changes that retire something's number, where it has one. */
function retired({ ledger }: Pick<Mod, 'ledger'>, kind: Registered, name: string): Change[] {
  const at = ledger.entries.findIndex((entry) => entry.kind === kind && entry.name === name);
  return at < 0 ? [] : retire(ledger, at);
}

/**
 * The changes that add a plain item, registered and named. Throws a RangeError when the name is
 * taken.
 */
export function newItem(mod: Mod, name: string, title: string): Change[] {
  if (thingNamed(mod, name)) throw new RangeError(`There is already something called ${name}.`);
  const group = mod.header.groups[0]?.name;
  return [
    {
      path: pointer(['items', name]),
      after: {
        ...(group === undefined ? {} : { group }),
        stack: usualStack,
        names: { [itemAt(mod.header.languages, 0)]: title },
      },
    },
    register(mod, 'item', name),
  ];
}

/** The changes that take an item out of the mod: its number is retired. */
export const removeItem = (mod: Mod, name: string): Change[] => [
  { path: pointer(['items', name]), before: lookUp(mod.items, name) },
  ...retired(mod, 'item', name),
];

/** How a fluid runs at first: five levels, half a second a cell. */
const usualFlow = { reach: 5, pace: 10 };

/**
 * The changes that add a fluid, registered and named. Throws a RangeError when the name is taken.
 *
 * @example applyChanges(mod, newFluid(mod, 'brine', 'Brine', { still: 'saltmarsh:brine' }))
 */
export function newFluid(
  mod: Mod,
  name: string,
  title: string,
  given: Partial<Fluid> = {},
): Change[] {
  if (thingNamed(mod, name)) throw new RangeError(`There is already something called ${name}.`);
  const fluid: Fluid = {
    ...usualFlow,
    ...given,
    names: { [itemAt(mod.header.languages, 0)]: title },
  };
  return [{ path: pointer(['fluids', name]), after: fluid }, register(mod, 'fluid', name)];
}

/** The changes that take a fluid out of the mod: its number is retired. */
export const removeFluid = (mod: Mod, name: string): Change[] => [
  { path: pointer(['fluids', name]), before: lookUp(mod.fluids, name) },
  ...retired(mod, 'fluid', name),
];

/**
 * The changes that add the buckets of a fluid: the full one and, where the mod has no other, an
 * empty one. Throws a RangeError when a name is taken.
 */
export function newBucketOf(mod: Mod, fluid: string, title: string): Change[] {
  const { namespace, languages } = mod.header;
  const known = Object.values(mod.items).find(({ bucket }) => bucket)?.bucket?.empty;
  const empties = known === undefined ? newItem(mod, 'bucket', 'Bucket') : [];
  const after = applyChanges(mod, empties);
  const name = `${fluid}_bucket`;
  const [made, registering] = newItem(after, name, title);
  const item = {
    ...(made!.after as Item),
    stack: 1,
    bucket: { of: idOf(namespace, fluid), empty: known ?? idOf(namespace, 'bucket') },
    names: { [itemAt(languages, 0)]: title },
  };
  return [...empties, { ...made!, after: item }, registering!];
}

/**
 * The changes that add a catalogue group at the end. Throws a RangeError when there is one of that
 * name.
 */
export function newGroup(mod: Mod, name: string, title: string): Change[] {
  const { groups, languages } = mod.header;
  if (groups.some((group) => group.name === name))
    throw new RangeError(`There is already a group called ${name}.`);
  return [
    {
      path: '/header/groups',
      before: groups,
      after: [...groups, { name, names: { [itemAt(languages, 0)]: title } }],
    },
    register(mod, 'group', name),
  ];
}

/**
 * The changes that take a catalogue group away: its number is retired, and what was in it is in
 * none.
 */
export function removeGroup(mod: Mod, name: string): Change[] {
  const { groups } = mod.header;
  return [
    {
      path: '/header/groups',
      before: groups,
      after: groups.filter((group) => group.name !== name),
    },
    ...Object.entries(mod.blocks).flatMap(([block, { identity }]): Change[] =>
      identity.group === name
        ? [{ path: pointer(['blocks', block, 'identity', 'group']), before: name }]
        : [],
    ),
    ...Object.entries(mod.items).flatMap(([item, { group }]): Change[] =>
      group === name ? [{ path: pointer(['items', item, 'group']), before: name }] : [],
    ),
    ...retired(mod, 'group', name),
  ];
}

/** How many recipes and blocks name an item, and would miss it. */
export function usesOfItem(
  { recipes, blocks }: Pick<Mod, 'recipes' | 'blocks'>,
  id: string,
): { recipes: number; blocks: number } {
  const named = JSON.stringify(id);
  const names = (part: unknown) => JSON.stringify(part).includes(named);
  return {
    recipes: Object.values(recipes).filter(names).length,
    blocks: Object.values(blocks).filter(({ loot }) => typeof loot === 'object' && names(loot))
      .length,
  };
}

/**
 * Tags as a person types them, as ids: a word alone is a tag of the mod. What can be no id is left
 * out, and what is named twice stands once.
 *
 * @example tagIdsIn('saltmarsh', ['Wet things', 'driftwood:soft']) // ['saltmarsh:wet_things', 'driftwood:soft']
 */
export function tagIdsIn(namespace: string, typed: readonly string[]): string[] {
  const ids = typed.map((tag) =>
    tag.includes(':') ? tag.trim() : idOf(namespace, tag.trim().toLowerCase().replaceAll(' ', '_')),
  );
  return [...new Set(ids)].filter((id) => Id.safeParse(id).success);
}

/** Names of other mods as a person types them, each once: without what can be none of another. */
export const otherNamespaces = (namespace: string, typed: readonly string[]): string[] =>
  [...new Set(typed.map((name) => name.trim().toLowerCase()))].filter(
    (name) => namePattern.test(name) && name !== namespace && name !== 'obrank',
  );
