import { isTraitRows, traitFacts, type ResolvedBlock, type TraitName } from '../mod/index.ts';

/** A number that a trait of a block has and should not have, and where it stands in the block. */
export interface NumberOutside {
  trait: TraitName;
  value: number;
  range: readonly [low: number, high: number];
  at: (string | number)[];
}

/**
 * The numbers of a trait that lie outside its range, or are no whole numbers where it has only
 * these; by state, row by row.
 *
 * @example numbersOutside(block, 'catchesFire')
 * // [{ trait: 'catchesFire', value: 30, range: [0, 1], at: ['traits', 'catchesFire'] }]
 */
export function numbersOutside(
  { traits, declared }: Pick<ResolvedBlock, 'traits' | 'declared'>,
  trait: TraitName,
): NumberOutside[] {
  const { range, whole } = traitFacts(trait);
  if (!range) return [];
  const [low, high] = range;
  const given = traits[trait];
  const values = isTraitRows(given) ? given.map((row) => row.value) : [given];
  const rows = Array.isArray(declared.traits[trait]);
  return values.flatMap((value, row) => {
    if (typeof value !== 'number') return [];
    if (value >= low && value <= high && (!whole || Number.isInteger(value))) return [];
    return [{ trait, value, range, at: ['traits', trait, ...(rows ? [row, 'value'] : [])] }];
  });
}
