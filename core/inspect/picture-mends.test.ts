import { expect, test } from '@jest/globals';
import { applyChanges } from '../mod/index.ts';
import { inspect } from './index.ts';
import type { ModExample } from './rule.ts';
import { sampleMod, withExample } from './sample.ts';

const found = (rule: string, example: ModExample) => {
  const mod = withExample(sampleMod(), example);
  return { mod, all: inspect(mod).filter((finding) => finding.rule === rule) };
};

test.each<[string, ModExample, object]>([
  [
    'textures/alpha-under-mode',
    { '/textures/bank/picture/alpha': 'holes' },
    { title: 'Fill its holes', texture: 'bank', mending: { way: 'fill' } },
  ],
  [
    'textures/alpha-under-mode',
    {
      '/textures/bank/picture/alpha': 'partial',
      '/blocks/bank/traits': { alphaMode: 'mask', alphaCutoff: 0.3 },
    },
    { title: 'Cut its partial alpha', texture: 'bank', mending: { way: 'cut', from: 0.3 } },
  ],
  [
    'textures/odd-size',
    { '/textures/bank/picture/width': 18, '/textures/bank/picture/height': 18 },
    {
      title: 'Make it 16 × 16',
      texture: 'bank',
      mending: { way: 'resize', frameHeight: 18, width: 16, height: 16 },
    },
  ],
  [
    'textures/not-square',
    { '/textures/bank/picture/height': 24 },
    {
      title: 'Make it 32 × 32',
      texture: 'bank',
      mending: { way: 'resize', frameHeight: 24, width: 32, height: 32 },
    },
  ],
  [
    'textures/tint-over-coloured',
    { '/blocks/bank/traits/tint': 'grass' },
    { title: 'Make it grey', texture: 'bank', mending: { way: 'grey' } },
  ],
])('%s says how the picture itself is mended', (rule, example, mend) => {
  expect(found(rule, example).all.map((finding) => finding.mend)).toEqual([mend]);
});

test('what flashes is slowed down until it harms nobody, its frames in proportion', () => {
  const lights = Array.from({ length: 32 }, (_, row) => (row < 16 ? 0 : 1000));
  const { mod, all } = found('textures/flashes', {
    '/textures/bank/picture/height': 32,
    '/textures/bank/picture/lights': lights,
    '/textures/bank/strip': { ticks: 1, order: [0, { frame: 1, ticks: 2 }], blend: true },
  });
  expect(all.map(({ message }) => message)).toEqual([
    'The strip saltmarsh:bank flashes 7 times in a second; more than 3 can harm people.',
  ]);
  const mended = applyChanges(mod, all[0]!.fix!.changes);
  expect(inspect(mended).filter(({ rule }) => rule === 'textures/flashes')).toEqual([]);
  expect(mended.textures['bank']!.strip).toMatchObject({ blend: true });
});

test('nothing is said of flashes where nobody knows how light the frames are', () => {
  const { all } = found('textures/flashes', {
    '/textures/bank/picture/height': 32,
    '/textures/bank/strip': { ticks: 1 },
  });
  expect(all).toEqual([]);
});

test('a side that no tint colours may have colours of its own', () => {
  const { all } = found('textures/tint-over-coloured', {
    '/blocks/lamp/traits/tint': 'leaf',
    '/models/lamp/boxes/0/sides': { front: { slot: 'metal', untinted: true } },
  });
  expect(all).toEqual([]);
});
