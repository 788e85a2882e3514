import { htmlReport } from './html.ts';
import { jsonReport } from './json.ts';
import { junitReport } from './junit.ts';
import { sarifReport } from './sarif.ts';
import { textReport } from './text.ts';
import type { Report } from './report.ts';

export { tallyInWords, type Report } from './report.ts';

/** The forms in which findings are told, by the name under which one asks for them. */
export const reports = {
  text: textReport,
  json: jsonReport,
  sarif: sarifReport,
  junit: junitReport,
  html: htmlReport,
} as const satisfies Record<string, (report: Report, version: string) => string>;
export type ReportFormat = keyof typeof reports;
