import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import type { Log } from 'sarif';
import { validateXML } from 'xmllint-wasm';
import { inspect, rules, type Finding } from '../index.ts';
import { sampleMod, withExample } from '../sample.ts';
import { reports, type Report } from './index.ts';

const finding = (part: Partial<Finding> = {}): Finding => ({
  rule: 'tags/empty',
  severity: 'hint',
  facet: 'Tags',
  message: 'The tag saltmarsh:drowned has no member.',
  file: 'tags/blocks/drowned.json',
  place: { line: 3, column: 5 },
  ...part,
});
const report = (findings: readonly Finding[]): Report => ({
  target: 'saltmarsh',
  kind: 'mod',
  files: 12,
  findings,
});
const three = [
  finding({ severity: 'error', rule: 'looks/dead-row', message: '<b> & "row" \u0007 ü' }),
  finding({ severity: 'warning', file: 'view/a b/Ü%.json' }),
  finding(),
];
const anyFinding = fc.record({
  rule: fc.constantFrom(...rules.map(({ id }) => id)),
  severity: fc.constantFrom('error' as const, 'warning' as const, 'hint' as const),
  message: fc.string({ unit: 'binary' }),
  file: fc.string({ unit: 'binary' }),
});
const schema = readFileSync('core/inspect/reports/junit.xsd', 'utf8');
const flawsOf = async (xml: string) =>
  (await validateXML({ xml: { fileName: 'report.xml', contents: xml }, schema })).errors;

test('text: one line a finding, from the file to the words', () => {
  expect(reports.text(report([finding()]))).toBe(
    'saltmarsh/tags/blocks/drowned.json:3:5 hint tags/empty The tag saltmarsh:drowned has no ' +
      'member.\n',
  );
  expect(reports.text(report([]))).toBe('');
});

test('JSON holds every finding, and the title of its fix', () => {
  const findings = inspect(
    withExample(sampleMod(), { '/blocks/lamp/looks/rows/3/when': { lit: true } }),
  );
  const told = JSON.parse(reports.json(report(findings))) as {
    tally: object;
    findings: { message: string; fix?: string }[];
  };
  expect(told.tally).toEqual({ error: 1, warning: 0, hint: 0 });
  expect(told.findings.map(({ message }) => message)).toEqual(
    findings.map(({ message }) => message),
  );
  expect(told.findings[0]!.fix).toBe('Copy the look of heading = north, lit = false and turn it');
});

describe('JUnit', () => {
  test('is what its schema says: a suite a file, a case a finding, hints skipped', async () => {
    const xml = reports.junit(report(three));
    expect(await flawsOf(xml)).toEqual([]);
    expect(xml).toContain('tests="3" failures="2"');
    expect(xml).toContain('message="&lt;b&gt; &amp; &quot;row&quot; ? ü"');
    expect(xml.match(/<skipped>/g)).toHaveLength(1);
  });

  test('nothing wrong is one case that passes', async () => {
    const xml = reports.junit(report([]));
    expect(await flawsOf(xml)).toEqual([]);
    expect(xml).toContain('<testcase name="Nothing wrong in 12 files"/>');
  });

  test('whatever stands in names and words, it can be read', () =>
    fc.assert(
      fc.asyncProperty(fc.array(anyFinding, { maxLength: 5 }), async (findings) => {
        expect(await flawsOf(reports.junit(report(findings.map(finding))))).toEqual([]);
      }),
      { numRuns: 15 },
    ));

  test('the schema does refuse what it does not know', async () => {
    expect(await flawsOf('<testsuites><testcase/></testsuites>')).not.toEqual([]);
  });
});

describe('SARIF', () => {
  const log = (findings: readonly Finding[]) =>
    JSON.parse(reports.sarif(report(findings), '0.1.0')) as Log;

  test('names the rules that spoke, and where each finding stands', () => {
    const [run] = log(three).runs;
    const { rules: described, version } = run!.tool.driver;
    expect(version).toBe('0.1.0');
    expect(described!.map(({ id }) => id)).toEqual(['looks/dead-row', 'tags/empty']);
    expect(described![1]).toMatchObject({
      name: 'TagsEmpty',
      shortDescription: { text: 'Empty tag.' },
      defaultConfiguration: { level: 'note' },
    });
    expect(run!.results!.map(({ level }) => level)).toEqual(['error', 'warning', 'note']);
    expect(run!.results![1]).toMatchObject({
      ruleId: 'tags/empty',
      ruleIndex: 1,
      locations: [
        {
          physicalLocation: {
            artifactLocation: { uri: 'view/a%20b/%C3%9C%25.json' },
            region: { startLine: 3, startColumn: 5 },
          },
        },
      ],
    });
  });

  test('a finding that moved keeps its fingerprint, another one has its own', () => {
    const print = (one: Finding) => log([one]).runs[0]!.results![0]!.partialFingerprints;
    expect(print(finding({ place: { line: 9, column: 1 } }))).toEqual(print(finding()));
    expect(print(finding({ file: 'other.json' }))).not.toEqual(print(finding()));
  });
});

test('HTML brings everything along, runs nothing, and shows words as words', () => {
  const html = reports.html(report(three), '0.1.0');
  expect(html).toContain("default-src 'none'");
  expect(html).not.toMatch(/<script|src=|href=|@import|url\(/);
  expect(html).toContain('&lt;b&gt; &amp; &quot;row&quot;');
  expect(html).toContain('1 error, 1 warning and 1 hint in 12 files');
  expect(reports.html(report([]), '0.1.0')).toContain('Nothing wrong in 12 files');
});
