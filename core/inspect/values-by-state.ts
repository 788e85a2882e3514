import { byStateTraits, traitFacts, type ResolvedBlock } from '../mod/index.ts';
import type { Rows } from '../states/index.ts';

/** A value of a block that its author declares by state: what it is called, and where it stands. */
export interface ValueByState {
  /** In words, as `light emitted` or `collision shape`. */
  called: string;
  at: (string | number)[];
  rows: Rows<unknown>;
}

/** The traits and shapes of a block that are declared as rows; looks have rules of their own. */
export function valuesByState({ declared, traits, shapes }: ResolvedBlock): ValueByState[] {
  return [
    ...byStateTraits
      .filter((trait) => Array.isArray(declared.traits[trait]))
      .map((trait) => ({
        called: traitFacts(trait).words,
        at: ['traits', trait],
        rows: traits[trait],
      })),
    ...(['collision', 'outline'] as const)
      .filter((shape) => declared.shapes?.[shape] !== undefined)
      .map((shape) => ({ called: `${shape} shape`, at: ['shapes', shape], rows: shapes[shape] }))
      .filter(({ rows }) => rows.length > 1 || rows[0]?.when !== undefined),
  ];
}
