import { severities } from '../kits/index.ts';
import type { Finding } from './finding.ts';

/** Findings of one rule that have one cause: mended at the bottom, all of them are gone. */
export interface Cause<F extends Finding = Finding> {
  rule: string;
  /** What lies at the bottom, as a sentence; undefined for a finding that stands for itself. */
  words: string | undefined;
  findings: F[];
}

/**
 * Findings by their causes: the gravest first, and of these the one that most places hang on.
 *
 * @example causesOf(findings)[0].findings.length // 24
 */
export function causesOf<F extends Finding>(findings: readonly F[]): Cause<F>[] {
  const causes = new Map<string, Cause<F>>();
  findings.forEach((finding, i) => {
    const { rule, cause } = finding;
    const key = cause === undefined ? `${i}` : `${rule}\n${cause}`;
    const known = causes.get(key);
    if (known) known.findings.push(finding);
    else causes.set(key, { rule, words: cause, findings: [finding] });
  });
  const gravity = ({ findings: [first] }: Cause<F>) =>
    severities.indexOf(first?.severity ?? 'hint');
  return [...causes.values()].sort(
    (a, b) => gravity(a) - gravity(b) || b.findings.length - a.findings.length,
  );
}
