import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { inspect } from '../inspect/index.ts';
import { formNamed, newBlock, type RolePictures } from '../forms/index.ts';
import { heldUnder } from '../lists/index.ts';
import { lookUp, pointer, sameData } from '../json/index.ts';
import {
  applyChanges,
  emptyMod,
  invertChanges,
  removeBlock,
  removeItem,
  renameEntry,
  type Change,
  type Family,
  type Mod,
} from '../mod/index.ts';
import {
  applyDifferences,
  changeFamily,
  consequenceOf,
  declaredChanges,
  differencesOf,
  expandFamilies,
  expansionOf,
  idleDifferences,
  ownerOf,
} from './index.ts';
import { fillPlaces, fillText, type Filling, UnknownPlace } from './fill.ts';
import { anyFamily, modWith } from './testing.ts';

const fill: Filling = (place) => {
  const held: Record<string, string | number | undefined> = {
    material: 'brack',
    id: 'saltmarsh:brack_bar',
    'id:lump': undefined,
    'id:seam': 'saltmarsh:brack_seam',
    reward: 0.4,
    group: undefined,
  };
  if (Object.hasOwn(held, place)) return held[place];
  throw new UnknownPlace(place);
};

test('open places are filled: numbers stay numbers, what may be missing is left out', () => {
  expect(fillText('{material}_stair', fill)).toBe('brack_stair');
  expect(fillText('{id:lump}', fill)).toBeUndefined();
  expect(fillPlaces({ gives: '{id}', reward: '{reward?}', group: '{group?}' }, fill)).toEqual({
    gives: 'saltmarsh:brack_bar',
    reward: 0.4,
  });
  expect(fillPlaces({ takes: '{id:lump|id:seam|id}' }, fill)).toEqual({
    takes: 'saltmarsh:brack_seam',
  });
});

test('without what it needs an item of a list goes, and a document that needs it is not made', () => {
  const choices = [{ gives: '{id:lump}' }, { gives: '{id:seam}', count: 2 }];
  expect(fillPlaces({ choices }, fill)).toEqual({
    choices: [{ gives: 'saltmarsh:brack_seam', count: 2 }],
  });
  expect(fillPlaces({ choices: [{ gives: '{id:lump}' }] }, fill)).toBeUndefined();
  expect(fillPlaces({ takes: '{id:lump}' }, fill)).toBeUndefined();
  expect(fillPlaces({ tags: ['{group?}'] }, fill)).toEqual({ tags: [] });
  expect(() => fillPlaces('{what}', fill)).toThrow('{what} is no open place');
});

const anyDocument = fc.dictionary(
  fc.constantFrom('a', 'b', 'c/d', 'e~f'),
  fc.letrec((tie) => ({
    value: fc.oneof(
      { depthSize: 'small' },
      fc.integer({ min: 0, max: 3 }),
      fc.constantFrom('salt', 'reed'),
      fc.array(tie('value'), { maxLength: 3 }),
      fc.dictionary(fc.constantFrom('a', 'b', 'c/d'), tie('value'), { maxKeys: 3 }),
    ),
  })).value,
);

test('differences of two documents, put into the one, make the other, and none of them is idle', () =>
  fc.assert(
    fc.property(anyDocument, anyDocument, (given, wanted) => {
      const differences = differencesOf(given, wanted);
      expect(applyDifferences(given, differences)).toEqual(wanted);
      expect(idleDifferences(given, differences)).toEqual([]);
      expect(differencesOf(wanted, wanted)).toEqual({});
    }),
  ));

test('a difference whose place is gone changes nothing', () => {
  expect(applyDifferences({ a: 1 }, { '/b/c': 2, '/a/x': 3 })).toEqual({ a: 1 });
  expect(idleDifferences({ a: 1 }, { '/b/c': 2, '/a': 1, '/d': null })).toEqual([
    '/b/c',
    '/a',
    '/d',
  ]);
});

/** The same block as one that a person declares by itself in that form. */
function declaredAlone(header: Mod['header'], name: string, form: string, stock: string): Mod {
  const mod = { ...emptyMod('saltmarsh', 'Saltmarsh'), header };
  const roles = ['face', 'side', 'end', 'front', 'edge', 'plant', 'pad', 'rungs'];
  const pictures = Object.fromEntries(
    roles.map((role) => [role, 'saltmarsh:tile']),
  ) as RolePictures;
  return applyChanges(
    mod,
    newBlock(mod, name, 'It', { form: formNamed(form)!, stock, pictures }, false),
  );
}

const sameForms = {
  cube: 'cube',
  pillar: 'column',
  slab: 'slab',
  stair: 'stair',
  fence: 'post_and_arms',
  wall: 'wall',
  pane: 'pane',
  door: 'door',
  hatch: 'hatch',
  gate: 'gate',
  ladder: 'ladder',
  button: 'button',
  plate: 'plate',
  carpet: 'carpet',
};

test.each(Object.entries(sameForms))(
  'a %s of a family is the block that one declares by hand in that form',
  (kind, form) => {
    const material = { name: 'tile', names: { en: 'it' }, stock: 'brick' };
    const family: Family = {
      group: 'general',
      materials: [material],
      forms: [{ name: kind, kind, called: '{material}', names: { en: '{material}' } }],
      pictures: { face: 'saltmarsh:tile' },
    };
    const mod = expandFamilies(modWith(family));
    const alone = declaredAlone(mod.header, 'tile', form, 'brick');
    expect(mod.blocks['tile']).toEqual(alone.blocks['tile']);
    expect(mod.models).toEqual(alone.models);
  },
);

test('what a family makes is called by its patterns, and does not depend on what was made before', () =>
  fc.assert(
    fc.property(anyFamily, (family) => {
      const mod = modWith(family);
      expect(expansionOf(mod).problems.filter(({ problem }) => problem !== 'does not fit')).toEqual(
        [],
      );
      const again = JSON.parse(JSON.stringify(mod)) as Mod;
      expect(expandFamilies(mod)).toEqual(expandFamilies(again));
      for (const { place, entries } of expansionOf(mod).cells.values())
        for (const { kind, name } of entries)
          expect(ownerOf(mod, kind, name)?.place).toEqual(place);
    }),
  ));

/** Things that a person does to what a family makes, as to blocks of the mod's own. */
const anyAct = fc.record({
  pick: fc.nat(1000),
  act: fc.constantFrom('hardness', 'names', 'tags', 'slots', 'remove', 'rename', 'recipe', 'group'),
});

/** The changes of one act, as they are made on the mod with its families spread out. */
function changesOf(mod: Mod, { pick, act }: { pick: number; act: string }): Change[] {
  const chosen = <T>(record: Record<string, T>) =>
    Object.keys(record).sort()[pick % Math.max(1, Object.keys(record).length)];
  const block = chosen(mod.blocks);
  const put = (steps: string[], after: unknown, before?: unknown): Change[] => [
    { path: pointer(steps), ...(before !== undefined && { before }), after },
  ];
  if (act === 'group') return put(['header', 'title'], `Salt ${pick}`, mod.header.title);
  if (act === 'slots' || act === 'recipe') {
    const kind = act === 'slots' ? 'models' : 'recipes';
    const name = chosen(mod[kind] as Record<string, unknown>);
    if (name === undefined) return [];
    const before = lookUp(mod[kind] as Record<string, Record<string, unknown>>, name)!;
    return act === 'slots'
      ? put([kind, name, 'slots'], { face: 'saltmarsh:other' }, before['slots'])
      : put([kind, name], undefined, before);
  }
  if (block === undefined) {
    const item = chosen(mod.items);
    return item === undefined ? [] : removeItem(mod, item);
  }
  const held = heldUnder(mod.blocks, block);
  if (act === 'remove') return removeBlock(mod, block);
  if (act === 'rename') return renameEntry(mod, 'blocks', block, `renamed_${pick}`);
  if (act === 'names') return put(['blocks', block, 'names', 'en'], 'Salt', held.names['en']);
  if (act === 'tags') return put(['blocks', block, 'tags'], ['saltmarsh:wet'], held.tags);
  return put(['blocks', block, 'traits', 'hardness'], pick, held.traits.hardness);
}

test('an edit of what a family makes comes to the same as one of blocks declared one by one', () =>
  fc.assert(
    fc.property(anyFamily, fc.array(anyAct, { maxLength: 6 }), (family, acts) => {
      let declared = modWith(family);
      for (const act of acts) {
        const seen = expandFamilies(declared);
        const changes = changesOf(seen, act);
        const isRemoved =
          act.act === 'remove' || changes.some(({ path }) => /^\/items\//.test(path));
        const wanted = applyChanges(seen, changes);
        const real = declaredChanges(declared, changes);
        const after = applyChanges(declared, real);
        expect(applyChanges(after, invertChanges(real))).toEqual(declared);
        const got = expandFamilies(after);
        expect({ ...got, families: {} }.blocks).toEqual(wanted.blocks);
        expect(got.items).toEqual(wanted.items);
        expect(got.ledger).toEqual(wanted.ledger);
        // Models and recipes of a cell go with it.
        if (!isRemoved && act.act !== 'rename') {
          expect(got.models).toEqual(wanted.models);
          expect(got.recipes).toEqual(wanted.recipes);
        }
        declared = after;
      }
    }),
    { numRuns: 300 },
  ));

test('what is put back as the family has it is no difference any more', () => {
  const family: Family = {
    materials: [{ name: 'tile', names: { en: 'tile' }, stock: 'brick', traits: { hardness: 4 } }],
    forms: [{ name: 'stair', kind: 'stair' }],
  };
  const mod = modWith(family);
  const path = '/blocks/tile_stair/traits/hardness';
  const there = applyChanges(mod, declaredChanges(mod, [{ path, before: 4, after: 9 }]));
  expect(there.families['salts']?.cells).toEqual({
    tile: { stair: { changed: { '/block/traits/hardness': 9 } } },
  });
  const back = applyChanges(there, declaredChanges(there, [{ path, before: 9, after: 4 }]));
  expect(back.families).toEqual(mod.families);
});

/** Things that a person does to a family itself. */
const anyFamilyAct = fc.record({
  act: fc.constantFrom('rename', 'drop material', 'drop form', 'toggle', 'add'),
  pick: fc.nat(50),
});

function familyAfter(family: Family, { act, pick }: { act: string; pick: number }) {
  const material = family.materials[pick % Math.max(1, family.materials.length)];
  const form = family.forms[pick % Math.max(1, family.forms.length)];
  if (act === 'add')
    return { family: { ...family, materials: [...family.materials, fresh(pick)] } };
  if (!material || !form) return { family };
  if (act === 'drop form')
    return { family: { ...family, forms: family.forms.filter((one) => one !== form) } };
  if (act === 'drop material')
    return { family: { ...family, materials: family.materials.filter((one) => one !== material) } };
  if (act === 'toggle') {
    const row = { ...family.cells?.[material.name] };
    if (row[form.name]?.leftOut) delete row[form.name];
    else row[form.name] = { leftOut: true };
    return { family: { ...family, cells: { ...family.cells, [material.name]: row } } };
  }
  const to = `new_${pick}_${family.materials.length}`;
  const { [material.name]: row, ...others } = family.cells ?? {};
  return {
    family: {
      ...family,
      materials: family.materials.map((one) => (one === material ? { ...one, name: to } : one)),
      ...(row && { cells: { ...others, [to]: row } }),
    },
    renamed: { of: 'material' as const, from: material.name, to },
  };
}
const fresh = (pick: number): Family['materials'][number] => ({
  name: `fresh_${pick}`,
  names: { en: 'fresh' },
  stock: 'chalk',
});

const thingsOf = (mod: Mod) =>
  [
    ...Object.keys(mod.blocks).map((name) => `block ${name}`),
    ...Object.keys(mod.items).map((name) => `item ${name}`),
  ].sort();

test('whatever is done to a family, each thing is registered once, and numbers neither move nor come again', () =>
  fc.assert(
    fc.property(anyFamily, fc.array(anyFamilyAct, { maxLength: 8 }), (start, acts) => {
      let mod = modWith(start);
      const numberOf = new Map<number, string>();
      for (const act of acts) {
        const before = heldUnder(mod.families, 'salts');
        const { family, renamed } = familyAfter(before, act);
        const names = family.materials.map(({ name }) => name);
        if (new Set(names).size < names.length) continue;
        const told = consequenceOf(mod, 'salts', family, renamed);
        const changes = changeFamily(mod, 'salts', family, renamed);
        const after = applyChanges(mod, changes);
        expect(sameData(applyChanges(after, invertChanges(changes)), mod)).toBe(true);
        const { entries, retired } = after.ledger;
        const isThing = ({ kind }: { kind: string }) => kind !== 'group';
        expect(
          entries
            .filter(isThing)
            .map(({ kind, name }) => `${kind} ${name}`)
            .sort(),
        ).toEqual(thingsOf(expandFamilies(after)));
        const numbers = [...entries, ...retired].map(({ number }) => number);
        expect(new Set(numbers).size).toBe(numbers.length);
        for (const { number, name } of mod.ledger.entries) {
          const now = [...entries, ...retired].find((entry) => entry.number === number);
          const to = told.renamed.find(([from]) => from === name)?.[1] ?? name;
          expect(now?.name).toBe(to);
          numberOf.set(number, to);
        }
        mod = after;
      }
    }),
    { numRuns: 200 },
  ));

test('a material that is renamed takes its names, pictures, recipes and other references along', () => {
  const family: Family = {
    materials: [{ name: 'tile', names: { en: 'tile' }, stock: 'brick' }],
    forms: [
      { name: 'cube', kind: 'cube' },
      { name: 'stair', kind: 'stair' },
    ],
    cells: { tile: { stair: { changed: { '/block/loot': { draws: [] } } } } },
  };
  const picture = { picture: { ...anyPicture } };
  const start = modWith(family);
  const mod = applyChanges(start, [
    { path: '/textures/tile', after: picture },
    {
      path: '/recipes/heap',
      after: { kind: 'mix', takes: ['saltmarsh:tile'], gives: 'saltmarsh:tile_stair' },
    },
  ]);
  const renamed = { of: 'material', from: 'tile', to: 'shard' } as const;
  const after = expandFamilies(
    applyChanges(
      mod,
      changeFamily(
        mod,
        'salts',
        {
          ...family,
          materials: [{ name: 'shard', names: { en: 'tile' }, stock: 'brick' }],
          cells: { shard: family.cells!['tile']! },
        },
        renamed,
      ),
    ),
  );
  expect(Object.keys(after.blocks)).toEqual(['shard', 'shard_stair']);
  expect(Object.keys(after.textures)).toEqual(['shard']);
  expect(after.recipes['heap']).toEqual({
    kind: 'mix',
    takes: ['saltmarsh:shard'],
    gives: 'saltmarsh:shard_stair',
  });
  expect(after.blocks['shard_stair']?.loot).toEqual({ draws: [] });
  expect(after.ledger.entries.map(({ name, formerly }) => [name, formerly])).toEqual([
    ['general', undefined],
    ['shard', ['tile']],
    ['shard_stair', ['tile_stair']],
  ]);
});
const anyPicture = {
  sha256: '0'.repeat(64),
  bytes: 80,
  width: 16,
  height: 16,
  alpha: 'none' as const,
  mean: '#8d8d86',
  grey: false,
};

test('one material that changes makes its cells anew and leaves all others the same objects', () => {
  const family: Family = {
    materials: ['tile', 'shard'].map((name) => ({ name, names: { en: name }, stock: 'brick' })),
    forms: [
      { name: 'cube', kind: 'cube' },
      { name: 'slab', kind: 'slab' },
    ],
  };
  const mod = modWith(family);
  const before = expandFamilies(mod);
  const after = expandFamilies(
    applyChanges(mod, [{ path: '/families/salts/materials/0/traits', after: { hardness: 9 } }]),
  );
  expect(after.blocks['tile_slab']?.traits.hardness).toBe(9);
  for (const same of ['shard', 'shard_slab']) expect(after.blocks[same]).toBe(before.blocks[same]);
  // What the material does not reach is the same too.
  expect(after.models).toBe(before.models);
});

test('a name that the mod itself has goes before, and two cells of one name are told of', () => {
  const family: Family = {
    materials: [{ name: 'tile', names: {}, stock: 'brick' }],
    forms: [
      { name: 'cube', kind: 'cube' },
      { name: 'stair', kind: 'stair', called: '{material}' },
    ],
  };
  const mod = modWith(family);
  expect(expansionOf(mod).problems).toMatchObject([
    { problem: 'name taken', place: { form: 'stair' } },
  ]);
  const own = expandFamilies(mod).blocks['tile']!;
  const other = applyChanges(mod, [
    { path: '/blocks/tile', after: { ...own, names: { en: 'Mine' } } },
  ]);
  expect(expandFamilies(other).blocks['tile']?.names).toEqual({ en: 'Mine' });
  expect(ownerOf(other, 'blocks', 'tile')).toBeUndefined();
});

test('what a family does wrong in all its cells is found once', () => {
  const family: Family = {
    group: 'general',
    materials: ['tile', 'shard'].map((name) => ({ name, names: { en: name }, stock: 'brick' })),
    forms: [{ name: 'cube', kind: 'cube', changed: { '/block/traits/friction': 7 } }],
    pictures: { face: 'saltmarsh:none' },
  };
  const found = inspect(expandFamilies(modWith(family))).filter(
    ({ rule }) => rule === 'traits/number-out-of-range',
  );
  expect(found.map(({ block, cause }) => [block, cause])).toEqual([
    ['shard', 'The form cube of the family salts has it.'],
    ['tile', 'The form cube of the family salts has it.'],
  ]);
});

test('a cell that cannot be says why, and the others are there', () => {
  const family: Family = {
    materials: [{ name: 'tile', names: { en: 'tile' } }],
    forms: [
      { name: 'odd', own: { block: { identity: { item: '{nothing}' } } } },
      {
        name: 'bad',
        own: { block: { identity: { item: 'block' }, traits: { hardness: 'soft' } } },
      },
      { name: 'none' },
      { name: 'cube', kind: 'cube' },
    ],
  };
  const mod = modWith(family);
  expect(Object.keys(expandFamilies(mod).blocks)).toEqual(['tile']);
  expect(expansionOf(mod).problems.map(({ place, message }) => [place.form, message])).toEqual([
    ['odd', '{nothing} is no open place that a family fills.'],
    ['bad', expect.stringMatching(/^What it makes of blocks does not fit at /)],
    ['none', 'Its form makes neither a block nor an item.'],
  ]);
});
