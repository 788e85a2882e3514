import { expect, test } from '@jest/globals';
import { kitNamed, type Kit } from '../kits/index.ts';
import { applyChanges, type Mod } from '../mod/index.ts';
import { forEachKit } from './each-kit.ts';
import { inspect } from './index.ts';
import { sampleMod, withExample } from './sample.ts';

const [large, small] = [kitNamed('block-pack'), kitNamed('block-pack-small')];

test('what asks nothing of the kit is said once, and is not asked again', () => {
  let asked = 0;
  const said = forEachKit([large, small], () => {
    asked += 1;
    return [{ at: ['a'], message: 'x' }];
  });
  expect([said, asked]).toEqual([[{ at: ['a'], message: 'x' }], 1]);
});

test('what only some kits are asked too much of names them; what all are does not', () => {
  const check = ({ limits, title }: Kit) => [
    ...(limits.states < 100 ? [{ at: ['few'], message: title }] : []),
    { at: ['both'], message: title },
  ];
  expect(forEachKit([large, small], check)).toEqual([
    { at: ['both'], message: large.title },
    { at: ['few'], message: small.title, kits: [small.name] },
  ]);
  expect(forEachKit([small, large], check)).toEqual([
    { at: ['few'], message: small.title, kits: [small.name] },
    { at: ['both'], message: small.title },
  ]);
});

const tidal = (limits: object) => ({ model: 1, title: 'Tidal', limits, files: [] });
const told = (mod: Mod) =>
  inspect(mod).map(({ rule, block, kits }) => [rule, block, kits?.join(' ')].join(' ').trim());

test('every kit that a mod is built for is asked', () => {
  const mod = withExample(sampleMod(), {
    '/kits/tidal': tidal({ states: 4 }),
    '/header/alsoFor': ['tidal'],
  });
  expect(told(mod)).toEqual(['states/too-many-states lamp tidal']);
  expect(told(withExample(sampleMod(), { '/kits/tidal': tidal({ states: 4 }) }))).toEqual([]);
});

test('a kit of one’s own that holds more or less changes what is found, edit by edit', () => {
  const mod = withExample(sampleMod(), {
    '/kits/tidal': tidal({ states: 4, textureSide: 8 }),
    '/header/kit': 'tidal',
  });
  expect(told(mod)).toContain('states/too-many-states lamp');
  const { limits } = mod.kits['tidal']!;
  const held = applyChanges(mod, [
    { path: '/kits/tidal/limits', before: limits, after: { states: 8 } },
  ]);
  expect(told(held)).toEqual([]);
  expect(
    told(
      applyChanges(held, [{ path: '/kits/tidal/limits', before: { states: 8 }, after: limits }]),
    ),
  ).toEqual(told(mod));
});
