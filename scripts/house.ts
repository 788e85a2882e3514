/**
 * Prints the figures that tell how the house stands: lines, marks that say "trust me", long
 * functions, styles inside the page.
 */
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import ts from 'typescript';
import { figures } from './figures.ts';

const rooms = ['core', 'disk', 'server', 'web', 'cli'];
/** A component, and a function of core, longer than this is hard to take in at once. */
const longComponent = 80;
const longFunction = 40;

const isTest = (file: string): boolean => /\.test\.tsx?$|\/testing\//.test(file);
const sources = rooms.flatMap((room) =>
  (readdirSync(room, { recursive: true }) as string[])
    .filter((file) => /\.tsx?$/.test(file))
    .map((file) => path.posix.join(room, file)),
);

/** What is counted in one file. */
interface Counts {
  lines: string[];
  nonNull: number;
  casts: number;
  doubleCasts: number;
  inlineStyles: number;
  long: string[];
}

type Named = ts.FunctionDeclaration | ts.ArrowFunction | ts.FunctionExpression;
const isFunction = (node: ts.Node): node is Named =>
  ts.isFunctionDeclaration(node) || ts.isArrowFunction(node) || ts.isFunctionExpression(node);

/** The name under which a function is known, where it has one. */
function nameOf(node: Named): string | undefined {
  if (node.name) return node.name.text;
  const { parent } = node;
  return ts.isVariableDeclaration(parent) && ts.isIdentifier(parent.name)
    ? parent.name.text
    : undefined;
}

function countIn(file: string): Counts {
  const text = readFileSync(file, 'utf8');
  const kind = file.endsWith('x') ? ts.ScriptKind.TSX : ts.ScriptKind.TS;
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.ES2022, true, kind);
  const counts: Counts = {
    lines: text.trimEnd().split('\n'),
    nonNull: 0,
    casts: 0,
    doubleCasts: 0,
    inlineStyles: 0,
    long: [],
  };
  const lineOf = (position: number) => source.getLineAndCharacterOfPosition(position).line;
  const walk = (node: ts.Node): void => {
    if (ts.isNonNullExpression(node)) counts.nonNull += 1;
    if (ts.isAsExpression(node) && node.type.getText(source) !== 'const') counts.casts += 1;
    if (ts.isAsExpression(node) && ts.isAsExpression(node.expression)) counts.doubleCasts += 1;
    if (ts.isJsxAttribute(node) && node.name.getText(source) === 'style') counts.inlineStyles += 1;
    const name = isFunction(node) ? nameOf(node) : undefined;
    if (name !== undefined) {
      const length = lineOf(node.end) - lineOf(node.getStart(source)) + 1;
      const isComponent = file.endsWith('x') && /^[A-Z]/.test(name);
      if (isComponent ? length > longComponent : file.startsWith('core') && length > longFunction)
        counts.long.push(`${String(length).padStart(4)} ${name} in ${file}`);
    }
    ts.forEachChild(node, walk);
  };
  walk(source);
  return counts;
}

const { line, done } = figures(process.argv.slice(2));
const counted = new Map(sources.map((file) => [file, countIn(file)]));
const all = [...counted.values()];
const lines = all.flatMap((counts) => counts.lines);
const wide = (most: number) => lines.filter((text) => text.length > most).length;
const share = (part: number, whole: number) => `${((part / whole) * 100).toFixed(2)} %`;
const sum = (of: readonly Counts[], key: 'nonNull' | 'casts' | 'doubleCasts' | 'inlineStyles') =>
  of.reduce((total, counts) => total + counts[key], 0);

line('lines', 'lines in core, disk, server, web, cli', lines.length.toLocaleString('en'));
line('lines.over-120', 'lines over 120 characters', share(wide(120), lines.length), `${wide(120)}`);
line('lines.over-200', 'lines over 200 characters', String(wide(200)));
const testLines = [...counted].filter(([file]) => isTest(file)).flatMap(([, one]) => one.lines);
line('lines.tests', 'share of tests in them', share(testLines.length, lines.length));
for (const room of ['core', 'web']) {
  const own = [...counted]
    .filter(([file]) => file.startsWith(`${room}/`) && !isTest(file))
    .map(([, counts]) => counts);
  line(`marks.${room}.non-null`, `${room}: "!" that says it is there`, String(sum(own, 'nonNull')));
  line(`marks.${room}.as`, `${room}: "as" that says what it is`, String(sum(own, 'casts')));
  const twice = sum(own, 'doubleCasts');
  line(`marks.${room}.as-as`, `${room}: "as … as", which says anything`, String(twice));
}
line('styles.inline', 'style attributes in the page', String(sum(all, 'inlineStyles')));
const long = [...counted]
  .filter(([file]) => !isTest(file))
  .flatMap(([, counts]) => counts.long)
  .sort()
  .reverse();
line(
  'functions.long',
  'long functions',
  String(long.length),
  `components over ${longComponent} lines, functions of core over ${longFunction}`,
);
if (process.argv.includes('--long')) console.log(long.join('\n'));
done();
