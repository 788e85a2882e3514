import {
  diffDocuments,
  entryKinds,
  idOf,
  nameProblem,
  referencesIn,
  sameData,
  type Change,
  type Ledger,
  type Mod,
} from '../mod/index.ts';
import { moveToNamespace } from './namespace.ts';

/** More changes than this are told by whole entries: an edit has a bounded number. */
const mostSingleChanges = 3000;

/** What follows from another namespace, in numbers. */
export interface NamespaceMove {
  /** Places of the mod that name something of its own. */
  places: number;
  /** Registered things that saved worlds know by their old ids. */
  registered: number;
}

/** What {@link renameNamespace} would change. */
export const namespaceMove = (mod: Mod): NamespaceMove => ({
  places: referencesIn(mod).filter(({ text }) =>
    text.replace(/^#/, '').startsWith(`${mod.header.namespace}:`),
  ).length,
  registered: mod.ledger.entries.length,
});

/**
 * The changes that give the mod another namespace: every id follows, wherever it is named, and the
 * ledger keeps the old ids, by which saved worlds know what is registered. Throws a RangeError for
 * what is no namespace, and a `TakeOverProblem` for the stock's.
 *
 * @example applyChanges(mod, renameNamespace(mod, 'tidal')).header.namespace // 'tidal'
 */
export function renameNamespace(mod: Mod, namespace: string): Change[] {
  const problem = nameProblem(namespace);
  if (problem !== undefined) throw new RangeError(problem);
  const before = mod.header.namespace;
  if (namespace === before) return [];
  const moved = moveToNamespace(mod, namespace);
  const after = { ...moved, ledger: withFormerIds(moved.ledger, before) };
  const single = diffDocuments(mod, after);
  return single.length > mostSingleChanges ? byEntry(mod, after) : single;
}

/** The ledger with the ids that everything had under a namespace. */
function withFormerIds({ entries, ...rest }: Ledger, namespace: string): Ledger {
  return {
    ...rest,
    entries: entries.map((entry) => {
      const { name, formerly = [] } = entry;
      const names = [name, ...formerly.filter((old) => !old.includes(':'))];
      const ids = names.map((old) => idOf(namespace, old));
      return { ...entry, formerly: [...formerly, ...ids.filter((id) => !formerly.includes(id))] };
    }),
  };
}

/** What differs between two mods, each entry whole. */
function byEntry(before: Mod, after: Mod): Change[] {
  const named = entryKinds.flatMap((kind) =>
    Object.keys(before[kind]).map((name) => ({
      path: `/${kind}/${name.replaceAll('~', '~0').replaceAll('/', '~1')}`,
      before: before[kind][name],
      after: after[kind][name],
    })),
  );
  const single = (['header', 'ledger'] as const).map((part) => ({
    path: `/${part}`,
    before: before[part],
    after: after[part],
  }));
  return [...single, ...named].filter((change) => !sameData(change.before, change.after));
}
