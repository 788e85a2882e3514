import { describe, expect, test } from '@jest/globals';
import { applyChanges } from '../mod/index.ts';
import { inspectBeside } from './index.ts';
import { sampleMod, sampleNeighbour, withExample } from './sample.ts';

const told = (values: Record<string, unknown>, beside: Record<string, unknown> = {}) =>
  inspectBeside(withExample(sampleMod(), values), [sampleNeighbour(beside)]).map(
    ({ severity, rule, message }) => `${severity} ${rule} ${message}`,
  );
const missing = (words: string) => [`error neighbours/thing-missing ${words}`];

test('two mods that know nothing of each other get on', () => expect(told({})).toEqual([]));

describe('what is named of a neighbour is looked up in it', () => {
  test('a tag is there when it has an entry, or when somebody is in it', () => {
    const recipe = (takes: string) => ({
      '/recipes/a': { kind: 'mix', takes: [takes], gives: 'saltmarsh:lamp' },
    });
    const inTag = { '/blocks/bank/itemTags': ['driftwood:wet'] };
    expect(told(recipe('#driftwood:wet'), inTag)).toEqual([]);
    expect(told(recipe('#driftwood:wet'), { '/itemTags/wet': {} })).toEqual([]);
    expect(told(recipe('#driftwood:wte'), { '/itemTags/wet': {} })).toEqual(
      missing(
        'driftwood:wte is named here, but Driftwood has no item tag of that name. ' +
          'Did you mean driftwood:wet?',
      ),
    );
  });

  test('models, pictures and sound sets are looked up among their own kind', () => {
    expect(told({ '/models/bank/slots/face': 'driftwood:lamp' })).toEqual([]);
    expect(told({ '/models/bank/slots/face': 'driftwood:pier' })).toEqual(
      missing('driftwood:pier is named here, but Driftwood has no picture of that name.'),
    );
    expect(told({ '/blocks/lamp/traits/soundSet': 'driftwood:lamp' })).toEqual(
      missing('driftwood:lamp is named here, but Driftwood has no sound set of that name.'),
    );
  });

  test('of mods that do not lie beside it nothing is known', () =>
    expect(told({ '/models/bank/slots/face': 'reed_hall:pier' })).toEqual([]));

  test('the fix keeps the # of a tag', () => {
    const mod = withExample(sampleMod(), {
      '/blockTags/shore/members': ['#driftwood:shroe'],
    });
    const [finding] = inspectBeside(mod, [sampleNeighbour({})]);
    expect(applyChanges(mod, finding!.fix!.changes).blockTags['shore']!.members).toEqual([
      '#driftwood:shore',
    ]);
  });
});

test('recipes meet through tags of either mod; the same recipe in both is none', () => {
  const ours = {
    '/recipes/a': { kind: 'fire', takes: '#driftwood:wet', gives: 'saltmarsh:lamp', seconds: 4 },
  };
  const wet = { '/blocks/bank/itemTags': ['driftwood:wet'] };
  const theirs = { kind: 'fire', takes: 'driftwood:bank', gives: 'driftwood:lamp', seconds: 4 };
  expect(told(ours, { ...wet, '/recipes/b': theirs })).toEqual([
    'warning neighbours/recipes-clash The recipe a takes driftwood:bank, as b of Driftwood does, ' +
      'but that gives 1 driftwood:lamp.',
  ]);
  expect(told(ours, { ...wet, '/recipes/b': { ...theirs, takes: 'driftwood:lamp' } })).toEqual([]);
});

test('of the same namespace ids and numbers are compared, and nothing else', () => {
  const twin = { '/header/namespace': 'saltmarsh' };
  expect(told({}, twin)).toEqual([
    'error neighbours/same-id This mod and Driftwood are both saltmarsh, and both have the blocks ' +
      'bank and lamp, the models bank and lamp, the pictures bank and lamp and the block tags ' +
      'spade_dug, pick_dug and shore.',
  ]);
  const many = Object.fromEntries(
    ['a', 'b', 'c', 'd'].map((name) => [`/lootTables/${name}`, { draws: [] }]),
  );
  expect(told(many, { ...twin, ...many })[0]).toContain('and 4 loot tables.');
});

test('what a mod is silent about is left out here too', () => {
  const silent = {
    '/header/inspection': {
      rules: { 'neighbours/same-id': { gravity: 'hint', why: 'Never loaded together.' } },
    },
  };
  expect(told(silent, { '/header/namespace': 'saltmarsh' })[0]).toMatch(/^hint neighbours/);
});
