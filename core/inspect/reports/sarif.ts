import type { Log, ReportingDescriptor, Result } from 'sarif';
import { digestOf } from '../../bytes/index.ts';
import type { Severity } from '../../kits/index.ts';
import type { Finding } from '../finding.ts';
import { rules } from '../rules/index.ts';
import type { Report } from './report.ts';

const levels: Readonly<Record<Severity, 'error' | 'warning' | 'note'>> = {
  error: 'error',
  warning: 'warning',
  hint: 'note',
};

/**
 * SARIF 2.1.0 (OASIS, 2020), which editors and code hosts show beside the line. Fingerprints leave
 * the line out, so that a finding that moved is the same one.
 */
export function sarifReport({ target, findings }: Report, version: string): string {
  const used = rules.filter(({ id }) => findings.some(({ rule }) => rule === id));
  const log: Log = {
    $schema:
      'https://docs.oasis-open.org/sarif/sarif/v2.1.0/errata01/os/schemas/sarif-schema-2.1.0.json',
    version: '2.1.0',
    runs: [
      {
        tool: { driver: { name: 'Obrank', version, rules: used.map(descriptor) } },
        columnKind: 'utf16CodeUnits',
        automationDetails: { id: `obrank/${target}` },
        results: findings.map((finding) => result(finding, used)),
      },
    ],
  };
  return `${JSON.stringify(log, null, 2)}\n`;
}

const descriptor = ({ id, title, why, severity }: (typeof rules)[number]): ReportingDescriptor => ({
  id,
  name: id.replaceAll(/(^|[^a-z0-9])([a-z])/g, (_, _sign, letter: string) => letter.toUpperCase()),
  shortDescription: { text: `${title}.` },
  fullDescription: { text: why },
  defaultConfiguration: { level: levels[severity] },
});

const result = (
  { rule, severity, message, file = '', place }: Finding,
  used: readonly { id: string }[],
): Result => {
  const ruleIndex = used.findIndex(({ id }) => id === rule);
  return {
    ruleId: rule,
    ...(ruleIndex < 0 ? {} : { ruleIndex }),
    level: levels[severity],
    message: { text: message },
    locations: [
      {
        physicalLocation: {
          artifactLocation: { uri: file.split('/').map(encodeURIComponent).join('/') },
          region: { startLine: place?.line ?? 1, startColumn: place?.column ?? 1 },
        },
      },
    ],
    partialFingerprints: {
      'finding/v1': digestOf(new TextEncoder().encode([rule, file, message].join('\n'))),
    },
  };
};
