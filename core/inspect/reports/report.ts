import type { Finding } from '../finding.ts';
import { tally } from '../run.ts';
import { count } from '../../words/index.ts';

/** What was checked, and what was found in it. */
export interface Report {
  /** As it was named by whoever asked. */
  target: string;
  kind: 'mod' | 'pack';
  /** How many files were read. */
  files: number;
  findings: readonly Finding[];
}

/** `2 errors, 1 warning, 0 hints` */
export function tallyInWords(findings: readonly Finding[]): string {
  const { error, warning, hint } = tally(findings);
  return `${count(error, 'error')}, ${count(warning, 'warning')}, ${count(hint, 'hint')}`;
}

/** The findings of each file, in the order in which they come. */
export function byFile(findings: readonly Finding[]): Map<string, Finding[]> {
  const files = new Map<string, Finding[]>();
  for (const finding of findings) {
    const file = finding.file ?? '';
    const found = files.get(file);
    if (found) found.push(finding);
    else files.set(file, [finding]);
  }
  return files;
}

const entities: Readonly<Record<string, string>> = {
  '&': '&amp;',
  '<': '&lt;',
  '>': '&gt;',
  '"': '&quot;',
  "'": '&#39;',
};

/**
 * A text as it may stand in XML or HTML, between tags or in quotes. Characters that XML cannot hold
 * (XML 1.0, 2.2) become a question mark.
 */
export const escaped = (text: string): string =>
  text
    .replaceAll(/[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]|\p{Cs}/gu, '?')
    .replaceAll(/[&<>"']/g, (sign) => entities[sign]!);
