import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { readFolder } from '../../disk/index.ts';
import { flattened } from '../families/index.ts';
import { readModFolder } from '../folder/index.ts';
import { inspect } from '../inspect/index.ts';
import { sampleMod, withExample } from '../inspect/sample.ts';
import {
  applyChanges,
  emptyMod,
  invertChanges,
  ModSchema,
  resolveBlock,
  type Mod,
} from '../mod/index.ts';
import { sameBlock } from './meaning.ts';
import { bringBlocks, moveToNamespace } from './index.ts';

const { mod: declared } = readModFolder(await readFolder('demo/saltmarsh'));
const demo = flattened(declared);
const mire = (): Mod => emptyMod('mire', 'Mire');
const brought = (target: Mod, source: Mod, chosen: string[], names?: Record<string, string>) => {
  const bringing = bringBlocks(target, source, chosen, names);
  return { ...bringing, mod: applyChanges(target, bringing.changes) };
};
const ways = ({ arrivals }: ReturnType<typeof bringBlocks>) =>
  arrivals.map(({ kind, from, to, how }) => `${kind} ${from} → ${to} (${how})`);

test('whatever blocks are chosen: the mod fits, names nothing that is not there, and is the old one once it is taken back', () =>
  fc.assert(
    fc.property(
      fc.subarray(Object.keys(demo.blocks), { minLength: 1 }),
      fc.constantFrom(mire(), moveToNamespace(sampleMod(), 'mire'), sampleMod()),
      (chosen, target) => {
        const { mod, changes } = brought(target, demo, chosen);
        expect(ModSchema.safeParse(mod).error).toBeUndefined();
        const told = new Set(inspect(target).map(({ message }) => message));
        const isNew = inspect(mod).filter(({ message }) => !told.has(message));
        expect(isNew.filter(({ severity }) => severity === 'error')).toEqual([]);
        expect(applyChanges(mod, invertChanges(changes))).toEqual(target);
      },
    ),
    { numRuns: 40 },
  ));

test('a block comes with what it needs, under the namespace of the mod, with the next numbers', () => {
  const { mod, pictures, sounds, notes } = brought(mire(), demo, ['tide_lantern']);
  expect(mod.blocks['tide_lantern']!.traits.soundSet).toBe('mire:lantern');
  expect(mod.models['lantern/lit']!.template).toBe('mire:lantern/body');
  expect(Object.keys(mod.textures)).toContain('lantern/brass');
  expect(pictures).toHaveLength(Object.keys(mod.textures).length);
  expect(sounds).toHaveLength(Object.keys(mod.sounds).length);
  expect(mod.header.groups.map(({ name }) => name)).toEqual([
    'general',
    'light_and_glass',
    'salt_works',
  ]);
  expect(mod.ledger.entries).toEqual([
    { number: 0, kind: 'group', name: 'general' },
    { number: 1, kind: 'group', name: 'light_and_glass' },
    { number: 2, kind: 'group', name: 'salt_works' },
    { number: 3, kind: 'block', name: 'tide_lantern' },
    // Brine puts it out, and leaves its crust.
    { number: 4, kind: 'block', name: 'salt_crust' },
    { number: 5, kind: 'fluid', name: 'brine' },
    { number: 6, kind: 'item', name: 'salt' },
  ]);
  expect(notes).toEqual([
    'Names in de stay behind: the mod is not in this language.',
    'The recipe tide_lantern stays behind: it takes saltmarsh:brack_bar, which does not come along.',
  ]);
  const moved = moveToNamespace(demo, 'mire');
  const before = resolveBlock(moved, 'tide_lantern', {
    ...moved.blocks['tide_lantern']!,
    names: mod.blocks['tide_lantern']!.names,
  });
  expect(sameBlock(before, resolveBlock(mod, 'tide_lantern', mod.blocks['tide_lantern']!))).toBe(
    true,
  );
});

test('what the mod has already does not come twice', () => {
  expect(bringBlocks(demo, demo, Object.keys(demo.blocks)).changes).toEqual([]);
  const moved = moveToNamespace(demo, 'mire');
  expect(bringBlocks(demo, moved, ['tide_lantern', 'brack_seam']).changes).toEqual([]);
});

test('a name that is taken by something else gets a number, and whatever names it follows', () => {
  const source = withExample(moveToNamespace(sampleMod(), 'mire'), {
    '/textures/lamp/picture/mean': '#102030',
  });
  const found = brought(sampleMod(), source, ['lamp']);
  expect(ways(found)).toEqual([
    'blocks lamp → lamp_2 (chosen)',
    'models lamp → lamp_2 (along)',
    'groups shore → shore (joined)',
    'textures lamp → lamp_2 (along)',
  ]);
  expect(found.mod.models['lamp_2']!.slots).toEqual({ metal: 'saltmarsh:lamp_2' });
  expect(found.mod.blocks['lamp_2']!.looks.rows[0]!.use[0]!.model).toBe('saltmarsh:lamp_2');
  const named = brought(sampleMod(), source, ['lamp'], {
    'blocks lamp': 'brass_lamp',
    'models lamp': 'bank',
  });
  expect(ways(named)).toContain('blocks lamp → brass_lamp (chosen)');
  expect(ways(named)).toContain('models lamp → bank_2 (along)');
  for (const none of ['', 'Brass lamp', 'constructor', 'x'.repeat(80), 'a/b'])
    expect(ways(brought(sampleMod(), source, ['lamp'], { 'blocks lamp': none }))[0]).toBe(
      'blocks lamp → lamp_2 (chosen)',
    );
});

test('a name that was retired is not given again', () => {
  const target = withExample(sampleMod(), {
    '/ledger/retired': [{ number: 9, kind: 'block', name: 'pier' }],
  });
  const source = moveToNamespace(sampleMod(), 'mire');
  const renamed = { ...source, blocks: { pier: source.blocks['bank']! } };
  expect(ways(brought(target, renamed, ['pier']))[0]).toBe('blocks pier → pier_2 (chosen)');
});

test('a group whose name was retired comes under another', () => {
  const source = withExample(sampleMod(), { '/blocks/bank/identity/group': 'shore' });
  const target = withExample(mire(), {
    '/ledger/retired': [{ number: 9, kind: 'group', name: 'shore' }],
  });
  const { mod } = brought(target, source, ['bank']);
  expect(mod.header.groups.at(-1)!.name).toBe('shore_2');
  expect(mod.blocks['bank']!.identity.group).toBe('shore_2');
});

test('tags are joined, and bring those of their members that come or are others’', () => {
  const source = withExample(moveToNamespace(sampleMod(), 'mire'), {
    '/blocks/bank/tags': ['mire:shore', 'mire:wet'],
    '/blockTags/shore/members': ['driftwood:pier', '#mire:wet', '#mire:dry'],
    '/blockTags/wet': { note: 'Wet.' },
    '/blockTags/dry': {},
  });
  const renamed = {
    ...source,
    blocks: { mud: { ...source.blocks['bank']!, looks: source.blocks['lamp']!.looks } },
  };
  const { mod, notes } = brought(sampleMod(), renamed, ['mud']);
  expect(mod.blockTags['shore']!.members).toEqual(['driftwood:pier', '#saltmarsh:wet']);
  expect(mod.blockTags['wet']).toEqual({ note: 'Wet.' });
  expect(mod.blocks['mud']!.tags).toEqual(['saltmarsh:shore', 'saltmarsh:wet']);
  expect(mod.header.needs).toEqual([{ namespace: 'driftwood' }]);
  expect(notes).toContain('The mod then needs driftwood: something that comes names things of it.');
});

test('a grade is the grade of the same name, wherever it stands on the ladder', () => {
  const grades = [
    { name: 'bone', pace: 1.5 },
    { name: 'flint', pace: 2 },
    { name: 'bronze', pace: 3.4 },
    { name: 'coral', pace: 9 },
  ];
  const source = withExample(moveToNamespace(sampleMod(), 'mire'), {
    '/header/tools/grades': grades,
    '/blocks/lamp/traits/leastGrade': 2,
    '/blocks/lamp/loot': {
      draws: [{ times: 1, lots: [{ give: 'mire:lamp', when: { any: [{ grade: 2 }] } }] }],
    },
    '/blocks/bank/traits/leastGrade': 3,
    '/header/tools/kinds/pick/tag': 'mire:picked',
    '/blocks/lamp/tags': ['mire:picked'],
  });
  const { mod, notes } = brought(sampleMod(), source, ['lamp', 'bank'], {
    'blocks lamp': 'torch',
    'blocks bank': 'reef',
  });
  expect(mod.blocks['torch']!.traits.leastGrade).toBe(1);
  expect(mod.blocks['torch']!.loot).toEqual({
    draws: [{ times: 1, lots: [{ give: 'saltmarsh:torch', when: { any: [{ grade: 1 }] } }] }],
  });
  expect(mod.blocks['torch']!.tags).toEqual(['saltmarsh:pick_dug']);
  expect(mod.blockTags).not.toHaveProperty('picked');
  expect(notes).toEqual([
    'reef asks for the grade coral, which the tool ladder here does not have.',
  ]);
});

test('a kind of tool that the mod does not know comes with its tag', () => {
  const target = withExample(mire(), { '/header/tools/kinds': {} });
  const source = withExample(sampleMod(), { '/blocks/lamp/traits/toolKind': 'pick' });
  const { mod } = brought(target, source, ['lamp']);
  expect(mod.header.tools.kinds).toEqual({ pick: { tag: 'mire:pick_dug' } });
  expect(mod.blocks['lamp']!.tags).toEqual(['mire:pick_dug']);
});

test('lengths are scaled to the texels of the mod', () => {
  const source = withExample(sampleMod(), {
    '/blocks/lamp/shapes': { collision: [{ at: [0, 0, 0], size: [4, 4, 4] }], outline: 'none' },
  });
  const { mod } = brought(withExample(mire(), { '/header/texels': 32 }), source, ['lamp']);
  expect(mod.models['lamp']!.boxes![0]).toMatchObject({ at: [8, 0, 16], size: [16, 24, 16] });
  expect(mod.blocks['lamp']!.shapes).toEqual({
    collision: [{ at: [0, 0, 0], size: [8, 8, 8] }],
    outline: 'none',
  });
});
