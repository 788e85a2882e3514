import { expect, test } from '@jest/globals';
import { sampleMod } from '../../../core/inspect/sample.ts';
import { defaultStateOf } from './default-state.ts';
import { firstOf, shelfGroups } from './groups.ts';

const mod = sampleMod();
mod.header.groups.push({ name: 'deep', names: { en: 'Deep water' } });
mod.blocks['eel'] = {
  ...mod.blocks['bank']!,
  identity: { group: 'deep' },
  names: { en: 'Eel trap' },
};
mod.blocks['adrift'] = { ...mod.blocks['bank']!, identity: { group: 'gone' }, names: {} };

test(
  'blocks stand by group in the order of the catalogue, sorted by title, those without ' +
    'a group last',
  () => {
    expect(
      shelfGroups(mod).map(({ title, blocks }) => [title, blocks.map((block) => block.title)]),
    ).toEqual([
      ['Shore', ['Bank', 'Lamp']],
      ['Deep water', ['Eel trap']],
      ['In no group', ['adrift']],
    ]);
  },
);

test.each([
  ['LAMP', ['lamp']],
  ['saltmarsh:e', ['eel']],
  [' trap ', ['eel']],
  ['zzz', []],
])('the filter %j finds %j', (filter, names) => {
  expect(
    shelfGroups(mod, filter).flatMap((group) => group.blocks.map((block) => block.name)),
  ).toEqual(names);
});

test('a block that can be lit is shown lit', () => {
  expect(defaultStateOf(mod, 'lamp')).toBe(5);
  expect(defaultStateOf(mod, 'bank')).toBe(0);
  expect(defaultStateOf(mod, 'nothing')).toBe(0);
});

test(
  'the first few blocks of all groups: full groups stay whole, the last is cut, the ' +
    'rest is left out',
  () => {
    const group = (title: string, many: number) => ({
      title,
      blocks: Array.from({ length: many }, (_, i) => ({ name: `${title}${i}`, title, id: title })),
    });
    const groups = [group('shore', 2), group('empty', 0), group('plants', 3), group('deep', 1)];
    expect(
      firstOf(groups, 4).map(({ title, blocks, total }) => [title, blocks.length, total]),
    ).toEqual([
      ['shore', 2, 2],
      ['plants', 2, 3],
    ]);
    expect(firstOf(groups, Infinity).map(({ title }) => title)).toEqual([
      'shore',
      'plants',
      'deep',
    ]);
  },
);
