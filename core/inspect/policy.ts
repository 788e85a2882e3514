import { severities, type Severity } from '../kits/index.ts';
import { closest, didYouMean } from '../words/index.ts';
import { byWeight, type Finding } from './finding.ts';
import { rules } from './rules/index.ts';

/** How grave each rule's findings count for somebody; `off` leaves them out. */
export type Gravity = Severity | 'off';
export const gravities: readonly Gravity[] = ['off', ...severities];

/** What somebody wants to hear of what was found. */
export interface Policy {
  /** By rule. */
  gravity?: ReadonlyMap<string, Gravity>;
  /** These rules alone. */
  only?: ReadonlySet<string>;
  /** What was known before, as {@link known} writes it: only what is new is told. */
  baseline?: ReadonlyMap<string, number>;
}

/** The same finding is the same words of the same rule in the same file, wherever it has moved. */
const keyOf = ({ rule, file = '', message }: Pick<Finding, 'rule' | 'file' | 'message'>): string =>
  [rule, file, message].join('\n');

/** Findings as a baseline: how often each is known. */
export function known(
  findings: readonly Pick<Finding, 'rule' | 'file' | 'message'>[],
): Map<string, number> {
  const counts = new Map<string, number>();
  for (const finding of findings) counts.set(keyOf(finding), (counts.get(keyOf(finding)) ?? 0) + 1);
  return counts;
}

/**
 * What of the findings is told.
 *
 * @example underPolicy(findings, { gravity: new Map([['tags/empty', 'off']]) })
 */
export function underPolicy(
  findings: readonly Finding[],
  { gravity, only, baseline }: Policy,
): Finding[] {
  const left = new Map(baseline);
  return findings
    .flatMap((finding) => {
      const severity = gravity?.get(finding.rule) ?? finding.severity;
      if (severity === 'off' || (only && !only.has(finding.rule))) return [];
      const before = left.get(keyOf(finding)) ?? 0;
      if (before > 0) {
        left.set(keyOf(finding), before - 1);
        return [];
      }
      return [{ ...finding, severity }];
    })
    .sort(byWeight);
}

/** Why a rule cannot be named so, in a sentence; undefined where it is one. */
export function whyNoRule(id: string): string | undefined {
  const ids = rules.map((rule) => rule.id);
  return ids.includes(id) ? undefined : `There is no rule ${id}.${didYouMean(closest(id, ids))}`;
}
