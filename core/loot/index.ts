/** Loot: exact odds. */
export { broken, drops, lotChances, lotHolds, tellingTools, type Breaking, type Broken, type Drop } from './odds.ts';
