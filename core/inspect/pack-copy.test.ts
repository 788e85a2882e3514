import { expect, test } from '@jest/globals';
import { kitNamed } from '../kits/index.ts';
import { formOf, isSafe, PackCopy } from './index.ts';
import { sampleBuilt } from './sample.ts';

const slips = {
  'rules/loot/bank.json': '{ "block": "saltmarsh:bank", "draws": [], }',
  'view/looks/bank.json#/rows/0/use/0/model': 'saltmarsh:banc',
  'view/words/en.json#/texts/block.lamp': undefined,
};
const broken = () => new PackCopy(formOf(kitNamed('block-pack')), sampleBuilt(slips));
const rulesOf = (copy: PackCopy) => copy.findings.map(({ rule }) => rule);

test('what is mended is told no more, and can be taken back and done again', () => {
  const copy = broken();
  const before = [...copy.findings];
  const comma = before.find(({ rule }) => rule === 'files/malformed-json')!;
  expect(copy.mend([comma])).toBe(1);
  expect(rulesOf(copy)).not.toContain('files/malformed-json');
  expect([copy.undo, copy.redo]).toEqual(['Remove the comma', undefined]);
  expect(copy.changes().map(({ file }) => file)).toEqual(['rules/loot/bank.json']);
  expect(copy.go('back')).toBe(true);
  expect(copy.findings).toEqual(before);
  expect(copy.changes()).toEqual([]);
  expect([copy.undo, copy.redo]).toEqual([undefined, 'Remove the comma']);
  expect(copy.go('back')).toBe(false);
  expect(copy.go('on')).toBe(true);
  expect(rulesOf(copy)).not.toContain('files/malformed-json');
});

test('what a fix would do is shown without being done', () => {
  const copy = broken();
  const model = copy.findings.find(({ rule }) => rule === 'looks/model-missing')!;
  const after = copy.preview(model)!;
  expect(new TextDecoder().decode(after.get('view/looks/bank.json'))).toContain('saltmarsh:bank"');
  expect(copy.changes()).toEqual([]);
  expect(copy.preview({ ...model, fix: undefined })).toBeUndefined();
});

test('all that is safe is mended in one step; what must be chosen is left', () => {
  const copy = broken();
  expect(copy.mendAll((mended) => `${mended} fixes`, isSafe)).toBe(2);
  expect([...new Set(rulesOf(copy))].sort()).toEqual(['names/missing', 'pack/digest-differs']);
  expect(copy.findings.every(isSafe)).toBe(false);
  expect(
    copy.mendAll(
      (mended) => `${mended} more`,
      () => true,
    ),
  ).toBe(2);
  expect(copy.findings).toEqual([]);
  expect(copy.undo).toBe('2 more');
});
