import type { Finding } from './finding.ts';

/** A run of an earlier list that stays: so many findings from that index on. */
interface Kept {
  from: number;
  count: number;
}
/** A list of findings as runs of an earlier list and findings that are new, in order. */
export type FindingsDiff = (Kept | { put: Finding[] })[];

/**
 * What turns one list of findings into another, going by the findings as objects: what inspection
 * did not look at again is the same object as before. Linear in both lists.
 *
 * @example diffFindings([a, b, c], [a, x, c])
 * // [{ from: 0, count: 1 }, { put: [x] }, { from: 2, count: 1 }]
 */
export function diffFindings(before: readonly Finding[], after: readonly Finding[]): FindingsDiff {
  const places = new Map(before.map((finding, index) => [finding, index]));
  const diff: FindingsDiff = [];
  for (const finding of after) {
    const from = places.get(finding);
    const last = diff.at(-1);
    if (from === undefined) {
      if (last && 'put' in last) last.put.push(finding);
      else diff.push({ put: [finding] });
    } else if (last && 'count' in last && last.from + last.count === from) last.count += 1;
    else diff.push({ from, count: 1 });
  }
  return diff;
}

/** The list that a diff makes of the earlier one. What stayed are the same objects. */
export const applyFindingsDiff = (before: readonly Finding[], diff: FindingsDiff): Finding[] =>
  diff.flatMap((part) =>
    'put' in part ? part.put : before.slice(part.from, part.from + part.count),
  );
