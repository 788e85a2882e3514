import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { applyChanges, emptyMod, type Mod } from '../../mod/index.ts';
import { expandFamilies, expansionOf, flattened } from '../expand.ts';
import { anyFamily, modWith } from '../testing.ts';
import { gatherFamily } from './gather.ts';
import { generalise } from './generalise.ts';
import { proposeFamily, type Grid } from './propose.ts';
import { patternsOf } from './titles.ts';

/** The grid in which the cells of a mod's family stand. */
function gridOf(mod: Mod): Grid {
  const family = mod.families['salts']!;
  const cells: Grid['cells'] = {};
  for (const { place, name } of expansionOf(mod).cells.values())
    (cells[place.material] ??= {})[place.form] = name;
  const forms = family.forms.map(({ name }) => ({ name, called: `{material}_${name}` }));
  return { materials: family.materials.map(({ name }) => name), forms, cells };
}

test('blocks and items that are gathered are made as they were, under the same names and numbers', () =>
  fc.assert(
    fc.property(anyFamily, (family) => {
      const mod = modWith(family);
      const flat = flattened(mod);
      fc.pre(expansionOf(mod).owners.blocks.size + expansionOf(mod).owners.items.size > 0);
      const gathered = applyChanges(flat, gatherFamily(flat, 'salts', gridOf(mod)));
      const made = expandFamilies(gathered);
      for (const kind of ['blocks', 'items', 'models', 'recipes', 'ledger'] as const)
        expect(made[kind]).toEqual(flat[kind]);
      expect(expansionOf(gathered).problems).toEqual([]);
    }),
    { numRuns: 150 },
  ));

test('what is common is the family: cells that differ in nothing else say nothing', () => {
  const mod = modWith({
    materials: [
      { name: 'brack', names: { en: 'brack' }, stock: 'granite', traits: { hardness: 5 } },
      { name: 'ebbite', names: { en: 'ebbite' }, stock: 'granite', traits: { hardness: 7 } },
      { name: 'siltium', names: { en: 'siltium' }, stock: 'granite', traits: { hardness: 8 } },
    ],
    forms: ['seam', 'lump', 'bar'].map((name) => ({ name, kind: name })),
  });
  const flat = flattened(mod);
  const names = [...Object.keys(flat.blocks), ...Object.keys(flat.items)];
  const grid = proposeFamily(flat, names)!;
  expect(grid).toEqual({
    materials: ['brack', 'ebbite', 'siltium'],
    forms: [
      { name: 'seam', called: '{material}_seam' },
      { name: 'raw', called: 'raw_{material}' },
      { name: 'bar', called: '{material}_bar' },
    ],
    cells: {
      brack: { seam: 'brack_seam', bar: 'brack_bar', raw: 'raw_brack' },
      ebbite: { seam: 'ebbite_seam', bar: 'ebbite_bar', raw: 'raw_ebbite' },
      siltium: { seam: 'siltium_seam', bar: 'siltium_bar', raw: 'raw_siltium' },
    },
  });
  const { metals } = applyChanges(flat, gatherFamily(flat, 'metals', grid)).families;
  expect(metals?.cells).toBeUndefined();
  expect(metals?.materials[1]).toEqual({
    name: 'ebbite',
    names: { en: 'ebbite' },
    traits: { hardness: 7 },
  });
  expect(metals?.forms[0]?.own?.block?.['loot']).toEqual({
    draws: [
      {
        times: 1,
        lots: [
          { give: '{id}', when: { careful: true } },
          { give: '{id:raw}', count: [1, 2] },
        ],
      },
    ],
  });
  expect(metals?.forms[1]?.names).toEqual({ en: 'Raw {material}' });
});

test('what differs stays a difference of its cell, and what one lacks is left out', () => {
  const mod = modWith({
    materials: ['brick', 'tile', 'lime'].map((name) => ({
      name: `oyster_${name}`,
      names: { en: `oyster ${name}` },
      stock: 'brick',
    })),
    forms: ['cube', 'stair'].map((name) => ({ name, kind: name })),
    cells: {
      oyster_tile: { stair: { changed: { '/block/tags': ['saltmarsh:wet'] } } },
      oyster_lime: { stair: { leftOut: true } },
    },
  });
  const flat = flattened(mod);
  const grid = proposeFamily(flat, Object.keys(flat.blocks))!;
  expect([grid.materials, grid.forms]).toEqual([
    ['brick', 'tile', 'lime'],
    [
      { name: 'cube', called: 'oyster_{material}' },
      { name: 'stair', called: 'oyster_{material}_stair' },
    ],
  ]);
  const { oyster } = applyChanges(flat, gatherFamily(flat, 'oyster', grid)).families;
  expect(oyster?.cells).toEqual({
    tile: { stair: { changed: { '/block/tags': ['saltmarsh:wet'] } } },
    lime: { stair: { leftOut: true } },
  });
});

test('names in which nothing stands twice propose nothing', () => {
  const mod = emptyMod('saltmarsh', 'Saltmarsh');
  expect(proposeFamily(mod, ['samphire'])).toBeUndefined();
  expect(proposeFamily(mod, [])).toBeUndefined();
});

test('titles give the names of materials as within a sentence, and the patterns of forms', () => {
  const titles = {
    brack: { seam: 'Brackader', lump: 'Rohbrack', bar: 'Brackbarren' },
    ebbite: { seam: 'Ebbitader', lump: 'Rohebbit', bar: 'Ebbitbarren' },
  };
  expect(patternsOf(titles)).toEqual({
    materials: { brack: 'brack', ebbite: 'ebbit' },
    forms: { seam: '{material}ader', lump: 'Roh{material}', bar: '{material}barren' },
  });
  expect(patternsOf({ brick: { cube: 'Oyster brick' }, tile: { cube: 'Oyster tile' } })).toEqual({
    materials: { brick: 'brick', tile: 'tile' },
    forms: { cube: 'Oyster {material}' },
  });
});

test('of several documents the most common is taken, and of texts the reading that most share', () => {
  const specimen = (material: string, document: unknown) => ({
    document,
    readings: (text: string) => [text.replaceAll(material, '{material}'), text],
  });
  expect(
    generalise([
      specimen('brack', { model: 'a:brack', share: 1, rows: [1, 2] }),
      specimen('ebbite', { model: 'a:ebbite', share: 1, rows: [1, 3] }),
      specimen('silt', { model: 'a:other', rows: [] }),
    ]),
  ).toEqual({ model: 'a:{material}', share: 1, rows: [1, 2] });
});
