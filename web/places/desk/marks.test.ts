import { expect, test } from '@jest/globals';
import type { Finding } from '../../../core/inspect/index.ts';
import { emptyMod, type Box, type Mod } from '../../../core/mod/index.ts';
import { marksOfFindings } from './marks.ts';
import { blockOfModel, usersOf } from './shown-block.ts';

const boxes: Box[] = [
  { at: [0, 0, 0], size: [4, 4, 4], sides: {} },
  { at: [4, 0, 0], size: [4, 8, 4], sides: {}, spin: { about: 'y', by: 90, pivot: [4, 0, 0] } },
];
const finding = (at: string, rule = 'models/slit', severity: Finding['severity'] = 'hint') => ({
  rule,
  severity,
  message: 'Something is.',
  facet: 'Looks' as const,
  at,
});

test('findings are marked where they are: on a side, in a box, spun with it', () => {
  expect(
    marksOfFindings(
      [
        finding('/models/rack/boxes/0/sides/top', 'models/faces-fight', 'warning'),
        finding('/models/rack/boxes/0'),
        finding('/models/rack/boxes/1', 'models/box-outside', 'error'),
        finding('/models/rack/boxes/9'),
        finding('/models/rack/slots/wood'),
      ],
      boxes,
    ),
  ).toEqual(
    [
      { at: [2, 4, 2], says: 'fights', isBad: true },
      { at: [2, 2, 2], says: 'slit', isBad: false },
      { at: [6, 4, -2], says: 'outside', isBad: true },
    ].map((mark) => ({ ...mark, at: mark.at.map((value) => expect.closeTo(value)) })),
  );
});

test('of many alike the first has its word, and not all are marked', () => {
  const many = Array.from({ length: 20 }, () => finding('/models/rack/boxes/0'));
  const marks = marksOfFindings(many, boxes);
  expect(marks.map(({ says }) => says)).toEqual(['slit', '', '', '', '', '']);
});

const look = (model: string): Mod['blocks'][string] => ({
  identity: {},
  traits: { tint: 'grass' },
  states: { properties: [{ name: 'lit', kind: 'toggle', default: false }] },
  looks: { mode: 'one-of', rows: [{ use: [{ model, front: 'north' }] }] },
  tags: [],
  names: {},
});
const mod: Mod = {
  ...emptyMod('m', 'M'),
  models: { post: { boxes: [] }, thick: { template: 'm:post' }, thicker: { template: 'm:thick' } },
  blocks: { fence: look('m:post'), wall: look('m:thicker'), stone: look('obrank:cube') },
};

test('who shows a model: also by way of models that start from it', () => {
  expect(usersOf(mod, 'm:post')).toEqual(['fence', 'wall']);
  expect(usersOf(mod, 'm:thicker')).toEqual(['wall']);
  expect(usersOf(mod, 'm:none')).toEqual([]);
});

test('on the desk a model stands as it was made, with the traits of its block', () => {
  const block = blockOfModel(mod, 'm:post', 'fence');
  expect(block.space.size).toBe(1);
  expect(block.looks.rows).toEqual([{ when: undefined, value: [{ model: 'm:post' }] }]);
  expect(block.traits.tint).toBe('grass');
  expect(blockOfModel(mod, 'm:post', undefined).looks.rows[0]?.value).toEqual([
    { model: 'm:post' },
  ]);
});
