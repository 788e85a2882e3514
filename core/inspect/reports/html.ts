import type { Finding } from '../finding.ts';
import { rules } from '../rules/index.ts';
import { tally } from '../run.ts';
import { count } from '../../words/index.ts';
import { byFile, escaped, type Report } from './report.ts';

/** The page's look: ink on paper, and the other way round where the reader's system is dark. */
const styles = `
:root { color-scheme: light dark; --paper: #f6f2e8; --sheet: #fffdf8; --ink: #24302f;
  --soft: #6a7069; --line: #ddd6c6; --error: #a8322a; --warning: #8a5a00; --hint: #2f6f73; }
@media (prefers-color-scheme: dark) { :root { --paper: #151c20; --sheet: #1d262b; --ink: #e6e4da;
  --soft: #a3aba6; --line: #35424a; --error: #f08a7c; --warning: #e5b45c; --hint: #6fbdb8; } }
* { box-sizing: border-box; }
body { margin: 0; background: var(--paper); color: var(--ink);
  font: 15px/1.5 system-ui, sans-serif; }
main { max-width: 60rem; margin: 0 auto; padding: 2.5rem 1.5rem 4rem; }
h1 { font-size: 1.5rem; margin: 0 0 .25rem; overflow-wrap: anywhere; }
h2 { font: 600 .95rem/1.4 ui-monospace, monospace; margin: 0; overflow-wrap: anywhere; }
.sum { color: var(--soft); margin: 0 0 2rem; }
section { background: var(--sheet); border: 1px solid var(--line); border-radius: 8px;
  margin: 0 0 1rem; padding: .9rem 1.1rem; }
ol { list-style: none; margin: .6rem 0 0; padding: 0; }
li { display: grid; grid-template-columns: 4.5rem 1fr; gap: .9rem; padding: .55rem 0;
  border-top: 1px solid var(--line); }
.at { color: var(--soft); font: .85rem/1.7 ui-monospace, monospace; text-align: right; }
p { margin: 0; overflow-wrap: anywhere; }
b { font-weight: 600; }
.error b { color: var(--error); } .warning b { color: var(--warning); } .hint b { color: var(--hint); }
details { color: var(--soft); font-size: .9rem; }
summary { cursor: pointer; }
`;

/** One HTML file without anything from elsewhere, to be sent to somebody. */
export function htmlReport(report: Report, version: string): string {
  const { target, files, findings } = report;
  const { error, warning, hint } = tally(findings);
  const sum = findings.length
    ? `${count(error, 'error')}, ${count(warning, 'warning')} and ${count(hint, 'hint')}`
    : 'Nothing wrong';
  const sections = [...byFile(findings)].map(([file, found]) => section(file, found));
  return `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta http-equiv="Content-Security-Policy" content="default-src 'none'; style-src 'unsafe-inline'">
<title>${escaped(target)}: ${sum}</title>
<style>${styles}</style>
</head>
<body>
<main>
<h1>${escaped(target)}</h1>
<p class="sum">${sum} in ${count(files, 'file')}. Checked by Obrank ${escaped(version)}.</p>
${sections.join('\n')}
</main>
</body>
</html>
`;
}

const section = (file: string, findings: readonly Finding[]): string =>
  `<section>\n<h2>${escaped(file)}</h2>\n<ol>\n${findings.map(item).join('\n')}\n</ol>\n</section>`;

function item({ rule, severity, message, place }: Finding): string {
  const why = rules.find(({ id }) => id === rule)?.why ?? '';
  return (
    `<li class="${severity}"><span class="at">${place?.line ?? 1}:${place?.column ?? 1}</span>` +
    `<div><p><b>${severity}</b> ${escaped(message)}</p>` +
    `<details><summary>${escaped(rule)}</summary>${escaped(why)}</details></div></li>`
  );
}
