import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { applyChanges, renameEntry, sameData, type Family, type Mod } from '../mod/index.ts';
import {
  changeFamily,
  declaredChanges,
  editFamily,
  expandFamilies,
  expansionOf,
  flattened,
  formFromThing,
  leaveFamily,
  liftToForm,
  liftToMaterial,
  missingPictures,
  newFamily,
  partNameProblem,
  picturesBehind,
  plainMaterial,
  takeFamilyApart,
  tonedPictures,
  withCell,
  withForm,
  withMaterial,
  withoutPart,
  withPart,
  withPartRenamed,
} from './index.ts';
import { anyFamily, modWith } from './testing.ts';

const family: Family = {
  group: 'general',
  materials: ['tile', 'shard', 'lime'].map((name) => ({
    name,
    names: { en: name },
    stock: 'brick',
    traits: { hardness: 4 },
  })),
  forms: [
    { name: 'cube', kind: 'cube' },
    { name: 'stair', kind: 'stair' },
  ],
};
const at = (material: string, form: string) => ({ family: 'salts', material, form });
/** The mod after an edit of its blocks, as the bench makes it. */
const edited = (mod: Mod, path: string, before: unknown, after: unknown): Mod =>
  applyChanges(mod, declaredChanges(mod, [{ path, before, after }]));
const put = (mod: Mod, next: Family): Mod => applyChanges(mod, changeFamily(mod, 'salts', next));

test('a cell that says nothing is not kept, and neither is what held it', () => {
  const out = withCell(family, at('tile', 'cube'), { leftOut: true });
  expect(out.cells).toEqual({ tile: { cube: { leftOut: true } } });
  expect(withCell(out, at('tile', 'cube'), {})).toEqual(family);
  expect(withCell(out, at('tile', 'cube'), undefined)).toEqual(family);
});

test('a part that goes takes what its cells had otherwise along; one renamed keeps it', () => {
  const out = withCell(family, at('tile', 'stair'), { leftOut: true });
  expect(withoutPart(out, 'material', 'tile').cells).toBeUndefined();
  expect(withoutPart(out, 'form', 'stair')).toEqual({ ...family, forms: [family.forms[0]] });
  const renamed = withPartRenamed(out, { of: 'form', from: 'stair', to: 'steps' });
  expect(renamed.cells).toEqual({ tile: { steps: { leftOut: true } } });
  expect(renamed.forms[1]).toEqual({ name: 'steps', kind: 'stair' });
});

test('names of parts are free, and a second form of a kind is called after itself', () => {
  expect(partNameProblem(family, 'material', 'tile')).toBe(
    'There is already a material called tile.',
  );
  expect(partNameProblem(family, 'material', 'tile', 'tile')).toBeUndefined();
  expect(partNameProblem(family, 'form', 'A form')).toContain('lowercase');
  expect(withForm(family, 'cube').forms[2]).toEqual({
    name: 'cube_2',
    kind: 'cube',
    called: '{material}_cube_2',
  });
  expect(() => newFamily(modWith(family), 'salts', family)).toThrow('There is already a family');
});

describe('what one cell has otherwise', () => {
  const hard = edited(modWith(family), '/blocks/tile_stair/traits/hardness', 4, 9);
  const hardness = (mod: Mod) =>
    Object.entries(expandFamilies(mod).blocks).map(([name, { traits }]) => [name, traits.hardness]);

  test('becomes one of its whole form, and the cell says nothing any more', () => {
    const lifted = put(hard, liftToForm(hard, at('tile', 'stair'), '/block/traits/hardness'));
    expect(lifted.families['salts']?.cells).toBeUndefined();
    expect(hardness(lifted).filter(([name]) => /stair/.test(String(name)))).toEqual([
      ['tile_stair', 9],
      ['shard_stair', 9],
      ['lime_stair', 9],
    ]);
  });

  test('becomes one of its material, in every form', () => {
    const lifted = put(hard, liftToMaterial(hard, at('tile', 'stair'), '/block/traits/hardness'));
    expect(lifted.families['salts']?.cells).toBeUndefined();
    expect(hardness(lifted).filter(([, value]) => value === 9)).toEqual([
      ['tile', 9],
      ['tile_stair', 9],
    ]);
  });

  test('is written with open places, so that every material shows its own', () => {
    const before = [{ use: [{ model: 'saltmarsh:tile' }] }];
    const after = [{ use: [{ model: 'saltmarsh:tile', front: 'north' }] }];
    const turned = edited(modWith(family), '/blocks/tile/looks/rows', before, after);
    const lifted = put(turned, liftToForm(turned, at('tile', 'cube'), '/block/looks/rows'));
    expect(expandFamilies(lifted).blocks['shard']?.looks.rows).toEqual([
      { use: [{ model: 'saltmarsh:shard', front: 'north' }] },
    ]);
  });
});

test('what leaves its family stays as it is, under its name and number', () =>
  fc.assert(
    fc.property(anyFamily, fc.nat(100), (any, pick) => {
      const mod = modWith(any);
      const made = [...expansionOf(mod).cells.values()].filter(({ entries }) => entries.length);
      const cell = made[pick % Math.max(1, made.length)];
      if (!cell) return;
      const after = applyChanges(mod, leaveFamily(mod, cell.place));
      expect(after.ledger).toEqual(mod.ledger);
      for (const { kind, name, document } of cell.entries)
        expect((after[kind] as Record<string, unknown>)[name]).toEqual(document);
      const block = expandFamilies(after).blocks[cell.name];
      expect(sameData(block, expandFamilies(mod).blocks[cell.name])).toBe(true);
    }),
  ));

test('a family that is taken apart leaves everything that it made as entries of the mod', () =>
  fc.assert(
    fc.property(anyFamily, (any) => {
      const mod = modWith(any);
      expect(applyChanges(mod, takeFamilyApart(mod, 'salts'))).toEqual(flattened(mod));
    }),
  ));

test('of a block that is there a form is made: it stays as it was, every other material has one', () => {
  const mod = modWith(family);
  const arch = {
    ...flattened(mod).blocks['tile']!,
    looks: { mode: 'one-of' as const, rows: [{ use: [{ model: 'saltmarsh:tile_arch' }] }] },
    names: { en: 'Tile arch' },
  };
  const withArch = applyChanges(mod, [
    { path: '/blocks/tile_arch', after: arch },
    {
      path: '/models/tile_arch',
      after: { template: 'obrank:slab', slots: { side: 'saltmarsh:tile', end: 'saltmarsh:tile' } },
    },
    {
      path: '/ledger/entries',
      before: mod.ledger.entries,
      after: [...mod.ledger.entries, { number: 40, kind: 'block', name: 'tile_arch' }],
    },
  ]);
  const wish = { name: 'arch', material: 'tile', thing: 'tile_arch' };
  const after = applyChanges(withArch, formFromThing(withArch, 'salts', wish));
  const made = expandFamilies(after);
  expect(after.blocks).toEqual({});
  expect(made.blocks['tile_arch']).toEqual(arch);
  expect(made.models['shard_arch']?.slots).toEqual({
    side: 'saltmarsh:shard',
    end: 'saltmarsh:shard',
  });
  expect(made.blocks['lime_arch']?.names).toEqual({ en: 'Lime arch' });
  expect(made.ledger.entries.slice(-3).map(({ number, name }) => [number, name])).toEqual([
    [40, 'tile_arch'],
    [41, 'shard_arch'],
    [42, 'lime_arch'],
  ]);
  expect(() => formFromThing(after, 'salts', wish)).toThrow('There is already a form');
  expect(() => formFromThing(after, 'salts', { ...wish, name: 'b', thing: 'none' })).toThrow(
    'There is nothing called none',
  );
});

const grey = {
  sha256: '0'.repeat(64),
  bytes: 80,
  width: 16,
  height: 16,
  alpha: 'none' as const,
  mean: '#8d8d86',
  grey: false,
};

describe('pictures', () => {
  const toned = withPart(family, 'forms', 'cube', (form) => ({
    ...form,
    pictures: {
      face: { texture: '{namespace}:wall/{material}', from: '{namespace}:wall/tile' },
    },
  }));

  test('in tones are those made from another one, of materials that have tones', () => {
    const tones = ['#102030', '#a0b0c0'];
    const mod = modWith(withPart(toned, 'materials', 'shard', (one) => ({ ...one, tones })));
    expect(tonedPictures(mod, 'salts', 'shard')).toEqual([
      { texture: 'wall/shard', from: 'wall/tile', tones, greysStay: false },
    ]);
    expect(tonedPictures(mod, 'salts', 'lime')).toEqual([]);
  });

  test('made from one that was painted since are behind, unless they were painted over themselves', () => {
    const tones = ['#102030', '#a0b0c0'];
    const declared = modWith(withPart(toned, 'materials', 'shard', (one) => ({ ...one, tones })));
    const digest = (digit: string) => ({ ...grey, sha256: digit.repeat(64) });
    const made = { from: 'saltmarsh:wall/tile', was: '1'.repeat(64), gave: '2'.repeat(64) };
    const behind = (original: string, shown: string, how: object | undefined) =>
      picturesBehind(
        {
          ...declared,
          textures: {
            'wall/tile': { picture: digest(original) },
            'wall/shard': { picture: digest(shown), ...(how && { toned: made }) },
          },
        },
        'salts',
      ).map(({ material, picture }) => [material, picture.texture]);
    expect(behind('1', '2', made)).toEqual([]);
    expect(behind('3', '2', made)).toEqual([['shard', 'wall/shard']]);
    expect(behind('3', '4', made)).toEqual([]);
    expect(behind('3', '2', undefined)).toEqual([]);
  });

  test('are found again when the one that they are made from is called otherwise', () => {
    const mod = modWith(toned);
    const texture = { picture: { ...grey } };
    const there = applyChanges(mod, [{ path: '/textures/wall~1tile', after: texture }]);
    const changes = renameEntry(expandFamilies(there), 'textures', 'wall/tile', 'wall/first');
    const after = applyChanges(there, declaredChanges(there, changes));
    expect(after.families['salts']?.forms[0]?.pictures).toEqual({
      face: { texture: '{namespace}:wall/{material}', from: 'saltmarsh:wall/first' },
    });
    const { models } = expandFamilies(after);
    expect(models['tile']?.slots).toEqual({ face: 'saltmarsh:wall/first' });
    expect(models['shard']?.slots).toEqual({ face: 'saltmarsh:wall/shard' });
  });

  test('that are missing are told once each, with what they show', () => {
    const mod = modWith(toned);
    expect(missingPictures(mod, 'salts', 'shard')).toEqual([
      { texture: 'wall/shard', role: 'face' },
      { texture: 'shard', role: 'side' },
    ]);
  });
});

test('a material more comes in every form at once, named in every language of the mod', () => {
  const mod = modWith(family);
  const more = editFamily(mod, 'salts', (one) => withMaterial(one, plainMaterial(mod, 'sea_salt')));
  const after = expandFamilies(applyChanges(mod, more));
  expect(after.blocks['sea_salt_stair']?.names).toEqual({ en: 'Sea salt stair' });
  expect(after.ledger.entries.map(({ name }) => name)).toContain('sea_salt');
});
