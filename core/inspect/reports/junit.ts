import type { Finding } from '../finding.ts';
import { byFile, escaped, tallyInWords, type Report } from './report.ts';

/**
 * JUnit XML, which build servers show as tests: a suite a file, and a case a finding; hints are
 * skipped cases. A target without findings is one case that passes.
 */
export function junitReport({ target, files, findings }: Report): string {
  const suites = [...byFile(findings)].map(([file, found]) =>
    suite(file || target, found.map(testCase), found),
  );
  if (!suites.length)
    suites.push(suite(target, [`    <testcase name="Nothing wrong in ${files} files"/>`], []));
  return (
    '<?xml version="1.0" encoding="UTF-8"?>\n' +
    `<testsuites name="obrank: ${escaped(tallyInWords(findings))}" ` +
    `tests="${Math.max(1, findings.length)}" failures="${failuresIn(findings)}">\n` +
    `${suites.join('\n')}\n</testsuites>\n`
  );
}

const isHint = ({ severity }: Finding): boolean => severity === 'hint';
const failuresIn = (findings: readonly Finding[]): number =>
  findings.filter((finding) => !isHint(finding)).length;

const suite = (name: string, cases: readonly string[], findings: readonly Finding[]): string =>
  `  <testsuite name="${escaped(name)}" tests="${cases.length}" ` +
  `failures="${failuresIn(findings)}" skipped="${findings.filter(isHint).length}">\n` +
  `${cases.join('\n')}\n  </testsuite>`;

function testCase(finding: Finding): string {
  const { rule, severity, message, file = '', place } = finding;
  const where = `${file}:${place?.line ?? 1}:${place?.column ?? 1}`;
  const outcome = isHint(finding)
    ? `<skipped>${escaped(message)}</skipped>`
    : `<failure type="${severity}" message="${escaped(message)}">${escaped(where)}</failure>`;
  return (
    `    <testcase classname="${escaped(rule)}" name="${escaped(where)}">\n` +
    `      ${outcome}\n    </testcase>`
  );
}
