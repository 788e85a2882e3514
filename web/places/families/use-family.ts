import { useMemo } from 'react';
import {
  changeFamily,
  consequenceOf,
  editFamily,
  type FamilyConsequence,
  type Renamed,
} from '../../../core/families/index.ts';
import type { Family } from '../../../core/mod/index.ts';
import { useSession } from '../../api/hooks.tsx';

/** The ways to change one family. */
export interface FamilyEdits {
  name: string;
  /** Puts the family otherwise, with all that follows from it, as one step. */
  edit: (label: string, change: (family: Family) => Family, renamed?: Renamed) => void;
  /** What would come, go and be renamed. */
  consequence: (change: (family: Family) => Family, renamed?: Renamed) => FamilyConsequence;
  remove: () => void;
}

/** The ways to change a family; the same for as long as it is called so. */
export function useFamilyEdits(name: string): FamilyEdits {
  const session = useSession();
  return useMemo(
    () => ({
      name,
      edit: (label, change, renamed) =>
        session.editDeclared(label, editFamily(session.view.declared, name, change, renamed)),
      consequence: (change, renamed) => {
        const { declared } = session.view;
        const family = declared.families[name];
        return family
          ? consequenceOf(declared, name, change(family), renamed)
          : { added: [], gone: [], renamed: [] };
      },
      remove: () =>
        session.editDeclared(
          `Remove the family ${name}`,
          changeFamily(session.view.declared, name, undefined),
        ),
    }),
    [session, name],
  );
}

/** What goes and comes with an edit, in a sentence; undefined where nothing does. */
export function consequenceInWords({
  added,
  gone,
  renamed,
}: FamilyConsequence): string | undefined {
  const some = (names: readonly string[]) =>
    names.length > 4
      ? `${names.slice(0, 3).join(', ')} and ${names.length - 3} more`
      : names.join(', ');
  const pairs = renamed.map(([from, to]) => `${from} becomes ${to}`);
  const parts = [
    ...(gone.length ? [`Retired: ${some(gone)}.`] : []),
    ...(added.length ? [`New: ${some(added)}.`] : []),
    ...(pairs.length ? [`Renamed: ${some(pairs)}.`] : []),
  ];
  if (!parts.length) return undefined;
  return `${parts.join(' ')} Saved worlds know them by their numbers, which stay.`;
}
