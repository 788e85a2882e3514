/**
 * The registry: releases, what changed since, and whether the worlds that players have survive it.
 */
export {
  countsOf,
  lastRelease,
  diffSinceRelease,
  type CodeDrift,
  type ReleaseDiff,
} from './release-diff.ts';
export { compareVersions, release, releaseProblem } from './release.ts';
export { codesInWords, shownEntries, type LedgerEntry, type LedgerOrder } from './shown.ts';
