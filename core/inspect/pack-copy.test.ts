import { expect, test } from '@jest/globals';
import { kitNamed } from '../kits/index.ts';
import { formOf, isSafe, PackCopy } from './index.ts';
import { sampleBuilt } from './sample.ts';
import { decodePicture, encodePicture } from '../textures/index.ts';

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

test('a picture is mended in its file, with the timing of its frames, and taken back', () => {
  const odd = { width: 6, height: 12, data: new Uint8Array(6 * 12 * 4).fill(140) };
  const files = sampleBuilt({});
  files.set('view/textures/bank.png', encodePicture(odd));
  const strip = { frameHeight: 4, ticks: 3 };
  files.set('view/textures/bank.strip.json', new TextEncoder().encode(JSON.stringify(strip)));
  const copy = new PackCopy(formOf(kitNamed('block-pack')), files);
  const uneven = copy.findings.find(({ rule }) => rule === 'textures/odd-size')!;
  expect(uneven.mend).toMatchObject({ title: 'Make it 8 × 4', texture: 'bank' });
  expect(copy.mendPicture(uneven)).toBe(true);
  const { width, height } = decodePicture(copy.files.get('view/textures/bank.png')!);
  expect([width, height]).toEqual([8, 12]);
  expect(rulesOf(copy)).not.toContain('textures/odd-size');
  expect(copy.undo).toBe('Make it 8 × 4');
  copy.go('back');
  expect(rulesOf(copy)).toContain('textures/odd-size');
  // One frame after the other becomes square: then no height needs to be said.
  const square = {
    ...uneven.mend!,
    mending: { way: 'resize', frameHeight: 4, width: 8, height: 8 },
  };
  expect(copy.mendPicture({ ...uneven, mend: square as typeof uneven.mend })).toBe(true);
  expect(decodePicture(copy.files.get('view/textures/bank.png')!).height).toBe(24);
  expect(
    JSON.parse(new TextDecoder().decode(copy.files.get('view/textures/bank.strip.json'))),
  ).toEqual({ ticks: 3 });
  expect(copy.mendPicture({ ...uneven, mend: undefined })).toBe(false);
  const gone = { ...uneven.mend!, texture: 'nowhere' };
  expect(copy.mendPicture({ ...uneven, mend: gone })).toBe(false);
});
