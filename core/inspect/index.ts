/** Inspection: rules, the runner, findings and fixes. */
export {
  facetOf,
  facets,
  byWeight,
  type Facet,
  type Finding,
  type Fix,
  type PictureMend,
} from './finding.ts';
export { inspect, inspectBuilt, progressInWords, tally, type OnProgress } from './run.ts';
export { rules } from './rules/index.ts';
export { changeGravity, silenceFinding, tellAgain, toldOf } from './silence.ts';
export { causesOf, type Cause } from './causes.ts';
export { inspectBeside } from './beside.ts';
export type { Neighbour, Rule } from './rule.ts';
export { asFinding, inspectModFolder, unfitFinding, unreadFinding } from './folder.ts';
export { applyFindingsDiff, diffFindings, type FindingsDiff } from './findings-diff.ts';
export { fixAll } from './fix-all.ts';
export { fixInWords, type FixLine } from './fix-words.ts';
export { folderForm, formOf, type Form } from './form.ts';
export { mendAll, mendFiles, type MendedFiles } from './mend-files.ts';
export { changesBetween, isSafe, PackCopy, type ChangedFile } from './pack-copy.ts';
export { severities, type Severity } from '../kits/index.ts';
export { gravities, known, underPolicy, whyNoRule, type Gravity, type Policy } from './policy.ts';
export { reports, tallyInWords, type Report, type ReportFormat } from './reports/index.ts';
