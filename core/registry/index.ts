/** The registry: releases, what changed since, and whether the worlds that players have survive it. */
export { countsOf, lastRelease, sinceRelease, type CodeDrift, type Since } from './since.ts';
export { compareVersions, release, releaseProblem } from './release.ts';
