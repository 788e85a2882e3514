import { kits } from '../../kits/index.ts';
import { facetOf, facets } from '../finding.ts';
import type { BlockRule, FindingsRule, ModRule, NeighbourRule, Rule, RulesById } from '../rule.ts';
import * as all from './all.ts';

const byFacet = (a: Rule, b: Rule): number =>
  facets.indexOf(facetOf(a.id)) - facets.indexOf(facetOf(b.id)) || (a.id < b.id ? -1 : 1);

const ofKits = new Set<Rule>(Object.values(kits).flatMap((kit) => kit.rules));

/**
 * Every rule, facet by facet: those over the declaration, and those that the kits bring along for
 * their files.
 */
export const rules: readonly Rule[] = [...Object.values(all), ...ofKits].sort(byFacet);

/** The rules over the declaration: of each block, and of all of it. */
export const blockRules = rules.filter((rule): rule is BlockRule => rule.over === 'block');
export const modRules = rules.filter((rule): rule is ModRule => rule.over === 'mod');
/** The rules over what the others found. */
export const findingsRules = rules.filter((rule): rule is FindingsRule => rule.over === 'findings');
/** The rules over a mod and another one beside it. */
export const neighbourRules = rules.filter(
  (rule): rule is NeighbourRule => rule.over === 'neighbours',
);
/** What each rule looks at, by its id. */
export const rulesById: RulesById = new Map(rules.map(({ id, over }) => [id, over]));
