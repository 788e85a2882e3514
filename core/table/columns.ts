import {
  isTraitRows,
  traitFacts,
  traitNames,
  type ResolvedBlock,
  type TraitName,
  type Traits,
} from '../mod/index.ts';
import { fromRows } from '../states/index.ts';

/** A column of the table of traits: which trait, in words, and in what it is counted. */
export interface Column {
  trait: TraitName;
  words: string;
  kind: 'number' | 'word' | 'toggle';
  unit: string | undefined;
}

/** Every trait as a column, in the order of the table of traits. */
export const columns: readonly Column[] = traitNames.map((trait) => {
  const { words, kind, unit } = traitFacts(trait);
  return { trait, words, kind, unit };
});

/** A trait as a block has it: as one value, or as rows where it depends on the state. */
export function traitOf(
  { traits }: Pick<ResolvedBlock, 'traits'>,
  trait: TraitName,
): Traits[TraitName] {
  const value = traits[trait];
  return isTraitRows(value) ? fromRows(value) : value;
}

/** A trait in a cell: numbers and words as they are, rows as their values. */
export function cellText(value: Traits[TraitName]): string {
  return isTraitRows(value)
    ? `${[...new Set(value.map((row) => row.value))].join(', ')} by state`
    : String(value);
}

/**
 * What a column is sorted by: numbers by size, rows by their greatest, what cannot be dug after
 * everything.
 */
export function sortKey(value: Traits[TraitName]): number | string {
  if (isTraitRows(value)) return Math.max(...value.map((row) => row.value));
  if (value === 'unbreakable') return Infinity;
  return typeof value === 'boolean' ? Number(value) : value;
}
