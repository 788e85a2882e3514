import { pointer } from '../json/index.ts';
import { isNewLook, lookUp, statesUnder, stepsToShown, type Mod } from '../mod/index.ts';
import { facetOf, type Finding } from './finding.ts';
import type { AskedOfNewLooks, BlockRule } from './rule.ts';
import { blockRules } from './rules/index.ts';

const asked = (...ways: (AskedOfNewLooks | undefined)[]): readonly BlockRule[] =>
  blockRules.filter(({ newLooks }) => ways.includes(newLooks));

const ofBlocks = asked(undefined, 'all', 'with states');
const ofNewLooks = asked('all');
/** The rules over a new look that rest on the states of its block, and those that do not besides. */
export const rulesOverStates = asked('with states', 'alone');
const ofKnownLooks = [...ofNewLooks, ...rulesOverStates];

/** The rules that are asked of a block, or of a new look. */
export function rulesFor(mod: Mod, name: string): readonly BlockRule[] {
  if (!isNewLook(name)) return ofBlocks;
  const look = lookUp(mod.newLooks, name);
  return look && statesUnder(name, look) ? ofKnownLooks : ofNewLooks;
}

/** What a rule says of a block or a new look, as a finding. */
export const blockFinding = (
  { id, severity }: BlockRule,
  name: string,
  { message, at = [], cause, fix, mend }: ReturnType<BlockRule['check']>[number],
): Finding => ({
  rule: id,
  severity,
  facet: facetOf(id),
  message,
  block: name,
  at: pointer([...stepsToShown(name), ...at]),
  ...(cause !== undefined && { cause }),
  ...(fix && { fix }),
  ...(mend && { mend }),
});
