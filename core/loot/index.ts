/** Loot: exact odds, simulation, the truth table and painting it. */
export { chanceOf, conditionWords, type Breaking } from './conditions.ts';
export { meanOf, spanOf } from './counts.ts';
export {
  broken,
  distribution,
  drops,
  lootSource,
  lotChances,
  mostByChance,
  tablesIn,
  tooManyCases,
  weightOf,
  type Broken,
  type Drop,
  type LootSource,
} from './odds.ts';
export { lotWhen, paintLoot, quickLoot, shortLoot, type Outcome } from './paint.ts';
export { simulate, type Tally } from './simulate.ts';
export {
  carefulName,
  drawsInReach,
  mostCells,
  truthTable,
  wayName,
  waysOf,
  type TruthTable,
  type BreakingWay,
} from './truth.ts';
export { keepableProperties } from './keeps.ts';
