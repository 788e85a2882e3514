import { tally } from '../run.ts';
import type { Report } from './report.ts';

/** For programs, and to be compared with later: `--baseline` reads it again. */
export function jsonReport({ target, kind, findings }: Report): string {
  const told = findings.map(({ fix, ...finding }) => ({ ...finding, fix: fix?.title }));
  const report = { target, kind, tally: tally(findings), findings: told };
  return `${JSON.stringify(report, null, 2)}\n`;
}
