import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Files } from '../bytes/index.ts';
import { parseJson } from '../json/index.ts';
import { kitNamed } from '../kits/index.ts';
import { formOf, inspectBuilt, mendAll, mendFiles, rules, type Finding } from './index.ts';
import { sampleBuilt, sampleMod, withExample } from './sample.ts';
import { builtFrom } from './testing/built-from.ts';

const kit = kitNamed('block-pack');
const form = formOf(kit);
const encode = (text: string) => new TextEncoder().encode(text);
const textOf = (files: Files, path: string) => new TextDecoder().decode(files.get(path));
const told = ({ rule, file, message }: Finding) => `${rule} ${file} ${message}`;

/** Every finding of a pack with a fix. */
const fixable = (files: Files) => inspectBuilt(kit, files).filter(({ fix }) => fix);

const broken = rules.flatMap((rule): [string, Files][] => {
  if (rule.over === 'files')
    return kit.rules.some(({ id }) => id === rule.id) ? [[rule.id, sampleBuilt(rule.fails)]] : [];
  if (rule.over === 'neighbours') return [];
  return [[rule.id, builtFrom(withExample(sampleMod(), rule.fails))]];
});

describe('in the text of a pack every fix mends its finding and brings no other about', () => {
  test.each(broken)('%s', (rule, files) => {
    const before = inspectBuilt(kit, files).map(told);
    for (const finding of fixable(files).filter((one) => one.rule === rule)) {
      const { files: mended, made } = mendFiles(form, files, [finding.fix!]);
      expect(made).toEqual([finding.fix]);
      const after = inspectBuilt(kit, mended).map(told);
      expect(after).not.toContain(told(finding));
      expect(after.filter((one) => !before.includes(one))).toEqual([]);
    }
  });

  test('of most rules an example can be built and mended', () => {
    const mended = broken.filter(([rule, files]) =>
      fixable(files).some((finding) => finding.rule === rule),
    );
    expect(mended.length).toBeGreaterThanOrEqual(58);
  });
});

test('only what changes is written anew: order, spaces and line ends stay', () => {
  const files = sampleBuilt({});
  const own =
    '{\r\n\t"rows":   [ { "use" : [ { "model": "saltmarsh:banc", "front": "south",\r\n' +
    '\t\t\t"top": "up" } ] } ],\r\n\t"mode": "one-of",' +
    textOf(files, 'view/looks/bank.json')
      .match(/"display": \{[^}]*\}/)![0]
      .replaceAll('\n', '\r\n') +
    ',\r\n\t"block": "saltmarsh:bank"\r\n}';
  files.set('view/looks/bank.json', encode(own));
  const missing = fixable(files).find(({ rule }) => rule === 'looks/model-missing')!;
  const mended = mendFiles(form, files, [missing.fix!]).files;
  expect(textOf(mended, 'view/looks/bank.json')).toBe(own.replace('banc', 'bank'));
  expect(textOf(files, 'view/looks/bank.json')).toBe(own);
});

test('digests follow a mend, but not of a file that was edited before', () => {
  const files = sampleBuilt({ 'rules/blocks/bank.json#/tool': { kind: 'spade', leastGrade: 90 } });
  const digest = (at: Files, path: string) =>
    (parseJson(textOf(at, 'pack.json')).value as { files: Record<string, unknown> }).files[path];
  const [high] = fixable(files).filter(({ rule }) => rule === 'traits/grade-out-of-reach');
  const edited = mendFiles(form, files, [high!.fix!]).files;
  expect(digest(edited, 'rules/blocks/bank.json')).toEqual(digest(files, 'rules/blocks/bank.json'));
  const built = builtFrom(withExample(sampleMod(), { '/blocks/bank/traits/leastGrade': 90 }));
  expect(inspectBuilt(kit, mendAll(form, built, () => true).files)).toEqual([]);
});

test('a misnamed file is mended where it lies', () => {
  const files = sampleBuilt({ 'rules/loot/bank.json': null });
  files.set(
    'rules/loot/bnak.json',
    encode(
      '{ "block": "saltmarsh:bank", "draws": [{ "times": 1, "lots": [{ "give": "saltmarsh:banc" }] }] }',
    ),
  );
  const gives = fixable(files).find(({ rule }) => rule === 'loot/gives-unknown')!;
  const { files: mended } = mendFiles(form, files, [gives.fix!]);
  expect(textOf(mended, 'rules/loot/bnak.json')).toContain('"give": "saltmarsh:bank"');
  expect(mended.has('rules/loot/bank.json')).toBe(false);
});

const slips: [what: string, file: string, from: RegExp, to: string][] = [
  ['a comma too many', 'rules/loot/lamp.json', /\s*\}\s*$/, ',}'],
  ['a comma missing', 'rules/blocks/bank.json', /,\n/, '\n'],
  ['a comment', 'view/looks/lamp.json', /\{/, '{ // lamp\n'],
  ['a misspelt key', 'rules/blocks/lamp.json', /hardness/, 'hardnes'],
  ['a misspelt value', 'view/looks/lamp.json', /one-of/, 'one-off'],
  [
    'a model that is a letter off',
    'view/looks/bank.json',
    /saltmarsh:bank", "front/,
    'saltmarsh:bonk", "front',
  ],
  ['single quotes', 'rules/tools.json', /"pick"/, "'pick'"],
  ['a light of 99', 'rules/blocks/lamp.json', /"value": 12/, '"value": 99'],
  ['a copied file', 'rules/loot/bank.json', /saltmarsh:bank"/, 'saltmarsh:lamp"'],
  ['a text of nobody', 'view/words/en.json', /"block.bank"/, '"block.bnak": "x", "block.bank"'],
];

test('any of a tired author’s slips together are mended in one go, and the rest stays', () =>
  fc.assert(
    fc.property(fc.uniqueArray(fc.nat(slips.length - 1), { minLength: 1 }), (chosen) => {
      const files = sampleBuilt({});
      for (const i of chosen) {
        const [, file, from, to] = slips[i]!;
        const text = textOf(files, file);
        expect(text).toMatch(from);
        files.set(file, encode(text.replace(from, to)));
      }
      const { files: mended } = mendAll(form, files, () => true);
      expect(inspectBuilt(kit, mended).map(told)).toEqual([]);
      const touched = new Set([...chosen.map((i) => slips[i]![1]), 'pack.json']);
      for (const [path, bytes] of files)
        if (!touched.has(path)) expect(mended.get(path)).toBe(bytes);
    }),
    { numRuns: 8 },
  ));

test('what does not fit any more is not made, and nothing changes', () => {
  const files = sampleBuilt({});
  const fix = {
    title: 'Make it harder',
    changes: [{ path: '/blocks/bank/traits/hardness', before: 77, after: 78 }],
  };
  expect(mendFiles(form, files, [fix])).toEqual({ files, made: [] });
  const moved = { title: 'Move', changes: [], files: [{ file: 'none', movesTo: 'pack.json' }] };
  expect(mendFiles(form, files, [moved])).toEqual({ files, made: [] });
});
