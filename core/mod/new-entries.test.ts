import { formNamed, newBlock } from '../forms/index.ts';
import { expect, test } from '@jest/globals';
import { inspect } from '../inspect/index.ts';
import { sampleMod, withExample } from '../inspect/sample.ts';
import {
  applyChanges,
  catalogueOf,
  invertChanges,
  ModSchema,
  nameFrom,
  newGroup,
  newItem,
  newRecipe,
  otherNamespaces,
  recipeKinds,
  resultsOf,
  removeBlock,
  removeGroup,
  removeItem,
  renameEntry,
  tagIdsIn,
  usesOfItem,
  type Change,
  type Mod,
} from './index.ts';

const after = (mod: Mod, changes: Change[]): Mod => {
  const next = applyChanges(mod, changes);
  expect(ModSchema.safeParse(next).error).toBeUndefined();
  expect(applyChanges(next, invertChanges(changes))).toEqual(mod);
  return next;
};
const rules = (mod: Mod) =>
  inspect(mod)
    .map(({ rule }) => rule)
    .sort();

test(
  'an item is named, registered, in a group; what is missing is its picture and a way ' +
    'to have it',
  () => {
    const mod = after(sampleMod(), newItem(sampleMod(), 'salt', 'Salt'));
    expect(mod.items['salt']).toEqual({ group: 'shore', stack: 50, names: { en: 'Salt' } });
    expect(mod.ledger.entries.at(-1)).toEqual({ number: 3, kind: 'item', name: 'salt' });
    expect(rules(mod)).toEqual(['identity/item-without-picture', 'recipes/unobtainable']);
    expect(() => newItem(mod, 'salt', 'Salt')).toThrow(/already something called salt/);
    expect(() => newItem(mod, 'lamp', 'Lamp')).toThrow(RangeError);
  },
);

test('an item that is removed gives up its number for ever, and comes back under another', () => {
  const with_ = after(sampleMod(), newItem(sampleMod(), 'salt', 'Salt'));
  const gone = after(with_, removeItem(with_, 'salt'));
  expect(gone.ledger.retired).toEqual([{ number: 3, kind: 'item', name: 'salt' }]);
  const again = after(gone, newItem(gone, 'salt', 'Salt'));
  expect(again.ledger.entries.at(-1)!.number).toBe(4);
});

test('a group that is removed leaves what was in it in none, and says so', () => {
  const mod = after(sampleMod(), newGroup(sampleMod(), 'reeds', 'Reeds'));
  expect(mod.header.groups.map(({ name }) => name)).toEqual(['shore', 'reeds']);
  expect(() => newGroup(mod, 'reeds', 'Reeds')).toThrow(/already a group/);
  const gone = after(mod, removeGroup(mod, 'shore'));
  expect(gone.blocks['lamp']!.identity.group).toBeUndefined();
  expect(rules(gone)).toEqual(['identity/no-group', 'identity/no-group']);
  expect(gone.ledger.retired).toEqual([{ number: 0, kind: 'group', name: 'shore' }]);
});

test('what was renamed can be removed: the retired number knows the old names too', () => {
  const renamed = after(sampleMod(), renameEntry(sampleMod(), 'blocks', 'bank', 'mudbank'));
  const gone = after(renamed, removeBlock(renamed, 'mudbank'));
  expect(gone.ledger.retired).toEqual([
    { number: 1, kind: 'block', name: 'mudbank', formerly: ['bank'] },
  ]);
});

test('a new block can be had from the start, and says so by itself', () => {
  const mod = after(
    sampleMod(),
    newBlock(sampleMod(), 'pier', 'Pier', {
      form: formNamed('cube')!,
      stock: 'timber',
      pictures: { face: sampleMod().textures['bank']!.picture },
    }),
  );
  expect(mod.blocks['pier']!.identity.natural).toBe(true);
  expect(rules(mod)).not.toContain('recipes/unobtainable');
});

test('a group is renamed wherever it is named, and saved worlds still know it', () => {
  const mod = withExample(sampleMod(), {
    '/items/salt': { names: { en: 'Salt' }, group: 'shore' },
  });
  const next = after(mod, renameEntry(mod, 'groups', 'shore', 'coast'));
  expect([
    next.header.groups[0]!.name,
    next.blocks['lamp']!.identity.group,
    next.items['salt']!.group,
  ]).toEqual(['coast', 'coast', 'coast']);
  expect(next.ledger.entries[0]).toEqual({
    number: 0,
    kind: 'group',
    name: 'coast',
    formerly: ['shore'],
  });
});

test('who would miss an item: the recipes and the loot that name it, and no longer name', () => {
  const mod = withExample(sampleMod(), {
    '/recipes/a': { kind: 'mix', takes: ['saltmarsh:salt'], gives: 'saltmarsh:bank' },
    '/recipes/b': { kind: 'mix', takes: ['saltmarsh:saltbush'], gives: 'saltmarsh:bank' },
    '/blocks/bank/loot': { draws: [{ times: 1, lots: [{ give: 'saltmarsh:salt' }] }] },
  });
  expect(usesOfItem(mod, 'saltmarsh:salt')).toEqual({ recipes: 1, blocks: 1 });
});

test('tags as they are typed become ids; what can be none is left out', () => {
  const typed = ['Wet things', 'wet_things', ' driftwood:soft ', 'Über', '#'];
  expect(tagIdsIn('saltmarsh', typed)).toEqual(['saltmarsh:wet_things', 'driftwood:soft']);
});

test('a new recipe is for the first thing that has none, under a free name, and fits the schema', () => {
  const mod = withExample(sampleMod(), {
    '/recipes/lamp': { kind: 'mix', takes: ['obrank:clay'], gives: 'saltmarsh:bank' },
  });
  for (const kind of recipeKinds) {
    const { name, recipe } = newRecipe(mod, kind, ['saltmarsh:bank', 'saltmarsh:lamp']);
    expect([name, resultsOf(recipe)[0]?.gives]).toEqual(['lamp_2', 'saltmarsh:lamp']);
    expect(ModSchema.safeParse({ ...mod, recipes: { ...mod.recipes, [name]: recipe } }).error).toBe(
      undefined,
    );
  }
  expect(newRecipe(mod, 'mix', []).name).toBe('thing');
});

test('the catalogue: what is in each group, and what is in none or in one that is gone', () => {
  const mod = withExample(sampleMod(), {
    '/header/groups/1': { name: 'deep', names: {} },
    '/blocks/lamp/identity/group': 'gone',
    '/items/oil': { names: { en: 'Oil' }, group: 'shore' },
    '/items/salt': { names: { en: 'Salt' } },
  });
  const titles = [...catalogueOf(mod)].map(([group, entries]) => [
    group,
    entries.map(({ title }) => title),
  ]);
  expect(titles).toEqual([
    [undefined, ['Lamp', 'Salt']],
    ['shore', ['Bank', 'Oil']],
    ['deep', []],
  ]);
});

test('other mods as they are typed: names of others, each once', () => {
  const typed = [' Driftwood', 'driftwood', 'saltmarsh', 'obrank', 'two words', 'eel_creek'];
  expect(otherNamespaces('saltmarsh', typed)).toEqual(['driftwood', 'eel_creek']);
});

test('a name from what a person calls a thing keeps what a name may have', () => {
  const texts = ['Kelp glass!', '  3 Reeds_and salt ', 'Über', '!?'];
  expect(texts.map(nameFrom)).toEqual(['kelp_glass', 'reeds_and_salt', 'ber', '']);
});
