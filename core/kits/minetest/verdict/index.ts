import type { Mod } from '../../../mod/index.ts';
import { ladderTools } from '../write/digging.ts';
import { lua, type LuaValue } from '../write/lua.ts';
import { diggingChecks } from './asks/digging.ts';
import { dropChecks, probeItems } from './asks/drops.ts';
import { fluidChecks } from './asks/fluids.ts';
import { itemChecks } from './asks/items.ts';
import { lightChecks, nodeChecks } from './asks/nodes.ts';
import { placingChecks } from './asks/placing.ts';
import { reactionChecks } from './asks/reactions.ts';
import { recipeChecks } from './asks/recipes.ts';
import { outlineChecks, stateChecks, turningChecks } from './asks/states.ts';
import type { Difference } from '../../kit.ts';
import { inWords, sorts, type Check } from './check.ts';
import { asksAStep } from './probe.ts';
import { rays } from './rays.ts';

export type { Check } from './check.ts';

/**
 * Everything that the engine is asked about a mod, in the order in which it is asked; drops are
 * counted over so many diggings.
 */
export const checksOf = (mod: Mod, diggings?: number): Check[] => [
  ...nodeChecks(mod),
  ...itemChecks(mod),
  ...stateChecks(mod),
  ...lightChecks(mod),
  ...outlineChecks(mod),
  ...turningChecks(mod),
  ...placingChecks(mod),
  ...diggingChecks(mod),
  ...recipeChecks(mod),
  ...dropChecks(mod, diggings),
  ...reactionChecks(mod),
  ...fluidChecks(mod),
];

/** The seed of the engine's chance: the same mod gets the same answers. */
const seed = 4711;

/** The questions as the probe reads them. */
export const questionsText = (mod: Mod, checks: readonly Check[]): string =>
  `return ${lua({
    seed,
    step: asksAStep,
    items: probeItems(mod, ladderTools(mod)),
    rays: rays.map((ray) => [...ray]) as LuaValue,
    asks: checks.map(({ ask }) => ask),
  })}\n`;

/** What the probe wrote down. */
export interface Answers {
  answers: readonly unknown[];
  engine: string;
}

/** Where the engine says otherwise than predicted. */
export function differences(checks: readonly Check[], given: unknown): Difference[] {
  const answers = (given as Partial<Answers> | null)?.answers;
  if (!Array.isArray(answers))
    return [{ about: 'What the engine wrote down', ours: 'answers', engine: inWords(given) }];
  return checks.flatMap(({ about, of, facet, ask, judge }, i): Difference[] => {
    const apart = judge((answers as unknown[])[i]);
    return apart ? [{ about, sort: sorts[ask.kind], of, facet, ...apart }] : [];
  });
}

/** How many checks there are of each sort, in words. */
export function countedBySort(checks: readonly Check[]): Map<string, number> {
  const counted = new Map<string, number>();
  for (const { ask } of checks)
    counted.set(sorts[ask.kind], (counted.get(sorts[ask.kind]) ?? 0) + 1);
  return counted;
}
