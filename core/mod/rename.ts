import { lookUp, pointer } from '../json/index.ts';
import { applyChanges, type Change } from './edit.ts';
import type { Registered } from './ledger.schema.ts';
import type { Mod } from './mod.schema.ts';
import { namePatternOf } from './mod.schema.ts';
import { nameProblem } from './names.ts';
import { idOf } from './names.ts';
import { namingsOf, type RenamedKind } from './references.ts';

const ledgerKinds: Partial<Record<RenamedKind, Registered>> = {
  blocks: 'block',
  fluids: 'fluid',
  items: 'item',
  groups: 'group',
};

/** What of the blocks, fluids and items, which share their ids, has a name, in words. */
export const thingNamed = (
  { blocks, fluids, items }: Pick<Mod, 'blocks' | 'fluids' | 'items'>,
  name: string,
): 'a block' | 'a fluid' | 'an item' | undefined =>
  Object.hasOwn(blocks, name)
    ? 'a block'
    : Object.hasOwn(fluids, name)
      ? 'a fluid'
      : Object.hasOwn(items, name)
        ? 'an item'
        : undefined;

/** Why an entry cannot have a name, in a sentence; undefined when it can. */
export function renamingProblem(
  mod: Mod,
  kind: RenamedKind,
  from: string,
  to: string,
): string | undefined {
  if (to === from) return undefined;
  const flaw = nameProblem(to, namePatternOf(kind));
  if (flaw) return flaw;
  if (
    kind === 'groups'
      ? mod.header.groups.some((group) => group.name === to)
      : Object.hasOwn(mod[kind], to)
  )
    return `There is already one called ${to}.`;
  if (thingNamed(mod, to) && (kind === 'blocks' || kind === 'fluids' || kind === 'items'))
    return `${to} is the id of ${thingNamed(mod, to)} already.`;
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
