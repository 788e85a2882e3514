/** Inspection: rules, the runner, findings and fixes. */
export {
  facetOf,
  facets,
  severities,
  byWeight,
  type Facet,
  type Finding,
  type Fix,
  type Severity,
} from './finding.ts';
export { inspect, inspectPack, tally } from './run.ts';
export { rules } from './rules/index.ts';
export type { Rule } from './rule.ts';
export { asFinding, inspectModFolder, unfitFinding } from './folder.ts';
export { fixAll } from './fix-all.ts';
