import type { Ledger } from './entries.schema.ts';

/** The next number that was never given: above every number in use and every retired one. */
export const nextNumber = ({ entries, retired }: Ledger): number => [...entries, ...retired].reduce((next, { number }) => Math.max(next, number + 1), 0);
