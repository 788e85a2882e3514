import type { Finding } from '../finding.ts';
import { listed } from '../../words/index.ts';
import type { Report } from './report.ts';

/** A finding as one line: where, how bad, by which rule, and in words. */
const lineOf = (
  target: string,
  { file = '', place, severity, rule, message, kits }: Finding,
): string => {
  const where = `${target.replace(/\/+$/, '')}/${file}:${place?.line ?? 1}:${place?.column ?? 1}`;
  const only = kits ? ` (for ${listed(kits)} alone)` : '';
  return `${where} ${severity} ${rule} ${message}${only}`;
};

/** One line a finding, as compilers print them. */
export const textReport = ({ target, findings }: Report): string =>
  findings.map((finding) => `${lineOf(target, finding)}\n`).join('');
