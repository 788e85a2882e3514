import { wasInWords, type WalkDifference } from './compare.ts';
import { walkParts, type WalkCheck, type WalkPart } from './walk.ts';

/** What a report is about. */
export interface ReportOf {
  title: string;
  version: string;
  checks: readonly WalkCheck[];
  /** What came out otherwise than the last time, where that is known. */
  differences?: readonly WalkDifference[] | undefined;
  /** The name of a block for people. */
  nameOf: (block: string) => string;
  /** Pictures of what a try came upon, where there are any. */
  picturesOf?: ((block: string, part: WalkPart) => readonly ReportPicture[]) | undefined;
}

/** A picture in a report: where it lies beside the page, and what it shows. */
export interface ReportPicture {
  file: string;
  shows: string;
}

/** The widths of the columns, in hundredths. */
const widths = [17, 17, 17, 13, 12, 12, 12];

const escaped = (text: string): string =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('"', '&quot;');

const style = `
body { font: 14px/1.45 system-ui, sans-serif; color: #1b2a2f; background: #f6f3ec; margin: 2rem auto; max-width: 76rem; padding: 0 1rem; }
h1 { font-size: 1.4rem; margin: 0; }
table { border-collapse: collapse; table-layout: fixed; width: 100%; background: #fffefb; }
th, td { text-align: left; vertical-align: top; padding: .45rem .8rem; overflow-wrap: anywhere; border-bottom: 1px solid #e4ded2; font-weight: 400; }
th[scope=row] { font-weight: 600; }
thead th { color: #5f6b6c; font-size: .85em; }
td > div { display: flex; flex-wrap: wrap; gap: 2px; margin-bottom: .3rem; }
img { image-rendering: pixelated; }
.amiss { color: #9c3328; font-weight: 600; }
.other { background: #fbf1dc; }
small { color: #5f6b6c; font-family: ui-monospace, monospace; }
@media (prefers-color-scheme: dark) {
  body { color: #e8e6df; background: #162024; } table { background: #1d2a2f; }
  th, td { border-color: #34434a; } .amiss { color: #f0a093; } .other { background: #4a3a1c; }
  small, thead th { color: #a3afb0; }
}`;

const element = (name: string, inner: string, attributes = ''): string =>
  `<${name}${attributes && ` ${attributes}`}>${inner}</${name}>`;

/** What came of one try: what is amiss below it, and what it was the last time. */
function cellOf(
  check: WalkCheck | undefined,
  was: WalkDifference | undefined,
  pictures: readonly ReportPicture[],
): string {
  if (!check) return element('td', '');
  const { found, amiss } = check;
  const lines = [
    escaped(found),
    ...(amiss === undefined ? [] : [element('span', escaped(amiss), 'class="amiss"')]),
    ...(was ? [element('small', escaped(wasInWords(was)))] : []),
  ];
  const shown = pictures.map(
    ({ file, shows }) =>
      `<img src="${escaped(file)}" alt="${escaped(shows)}" title="${escaped(shows)}" width="42" height="42" loading="lazy">`,
  );
  const row = shown.length ? element('div', shown.join('')) : '';
  return element('td', row + lines.join('<br>'), was ? 'class="other"' : '');
}

/** All tries of one block. */
function rowOf(
  block: string,
  checks: readonly WalkCheck[],
  { nameOf, differences = [], picturesOf }: ReportOf,
): string {
  const head = `${escaped(nameOf(block))}<br>${element('small', escaped(block))}`;
  const cells = walkParts.map((part) => {
    const was = differences.find((one) => one.block === block && one.part === part);
    return cellOf(
      checks.find((check) => check.part === part),
      was,
      picturesOf?.(block, part) ?? [],
    );
  });
  return element('tr', element('th', head, 'scope="row"') + cells.join(''));
}

/**
 * A test walk as one HTML page without a script: a row a block, a column a try, what is amiss in
 * brick, what came out otherwise than the last time marked.
 *
 * @example walkReport({ title: 'Saltmarsh', version: '0.3.0', checks, nameOf: (id) => id })
 */
export function walkReport(report: ReportOf): string {
  const { title, version, checks, differences, nameOf } = report;
  const amiss = checks.filter((check) => check.amiss !== undefined);
  const byBlock = new Map<string, WalkCheck[]>();
  for (const check of checks) {
    const list = byBlock.get(check.block);
    if (list) list.push(check);
    else byBlock.set(check.block, [check]);
  }
  const heads = ['Block', ...walkParts].map((head) => element('th', head, 'scope="col"'));
  const told = differences ? ` ${differences.length} otherwise than the last time.` : '';
  const flaws = amiss.map(({ block, amiss: why = '' }) =>
    element('li', `${escaped(nameOf(block))}: ${escaped(why)}`, 'class="amiss"'),
  );
  const head = `Test walk of ${escaped(title)}`;
  return `<!doctype html>
<html lang="en">
<meta charset="utf-8">
<meta name="viewport" content="width=device-width">
<title>${head}</title>
<style>${style}</style>
<h1>${head} ${escaped(version)}</h1>
<p>${checks.length} tried, ${amiss.length} amiss.${told}
Drops are the mean of a thousand breakings.</p>
<ul>
${flaws.join('\n')}
</ul>
<table>
<colgroup>${widths.map((width) => `<col style="width: ${width}%">`).join('')}</colgroup>
<thead><tr>${heads.join('')}</tr></thead>
<tbody>
${[...byBlock].map(([block, list]) => rowOf(block, list, report)).join('\n')}
</tbody>
</table>
`;
}
