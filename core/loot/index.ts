/** Loot: exact odds. */
export { drops, lotChances, lotHolds, type Breaking, type Drop } from './odds.ts';
