import { expect, test } from '@jest/globals';
import { readFolder } from '../../disk/index.ts';
import { expandFamilies, flattened } from '../families/index.ts';
import { readModFolder } from '../folder/index.ts';
import { inspect } from '../inspect/index.ts';
import { sampleMod } from '../inspect/sample.ts';
import { kits } from '../kits/index.ts';
import { printJson } from '../json/index.ts';
import { applyChanges, invertChanges, ModSchema, renameEntry, sameData } from '../mod/index.ts';
import { namespaceMove, renameNamespace, TakeOverProblem } from './index.ts';

const words = (bytes: Uint8Array | undefined) => new TextDecoder().decode(bytes);

test('under another namespace every id follows, and nothing is found that was not before', async () => {
  const { mod: declared, blobs } = readModFolder(await readFolder('demo/saltmarsh'));
  const mod = flattened(declared);
  const changes = renameNamespace(mod, 'tidal');
  const moved = applyChanges(mod, changes);
  expect(ModSchema.safeParse(moved).error).toBeUndefined();
  expect(moved.header.namespace).toBe('tidal');
  const { ledger: _, ...rest } = moved;
  expect(JSON.stringify(rest)).not.toContain('saltmarsh:');
  expect(inspect(moved)).toEqual(inspect(mod));
  expect(sameData(applyChanges(moved, invertChanges(changes)), mod)).toBe(true);
  expect(namespaceMove(mod)).toMatchObject({ registered: mod.ledger.entries.length });
  expect(namespaceMove(mod).places).toBeGreaterThan(100);
  for (const kit of Object.values(kits)) {
    const files = kit.write(moved, (sha256) => blobs.get(sha256)!);
    expect([kit.name, files.size]).toEqual([
      kit.name,
      kit.write(mod, (sha256) => blobs.get(sha256)!).size,
    ]);
  }
});

test('a family goes along: what it makes is the same under the other namespace', async () => {
  const { mod } = readModFolder(await readFolder('demo/saltmarsh'));
  const moved = applyChanges(mod, renameNamespace(mod, 'tidal'));
  const made = expandFamilies(moved);
  expect(inspect(made)).toEqual([]);
  const { ledger: _, ...rest } = made;
  expect(JSON.stringify(rest)).not.toContain('saltmarsh:');
  const alone = flattened(mod);
  expect({ ...made, families: {} }).toEqual(applyChanges(alone, renameNamespace(alone, 'tidal')));
});

test('saved worlds are understood: old ids are written as such, also of what was renamed before', () => {
  const mod = sampleMod();
  const torch = applyChanges(mod, renameEntry(mod, 'blocks', 'lamp', 'torch'));
  const moved = applyChanges(torch, renameNamespace(torch, 'tidal'));
  const entry = moved.ledger.entries.find(({ name }) => name === 'torch')!;
  expect(entry.formerly).toEqual(['lamp', 'saltmarsh:torch', 'saltmarsh:lamp']);
  const grey = new Uint8Array();
  const written = Object.values(kits).map((kit) =>
    [...kit.write(moved, () => grey).values()].map(words).join(' '),
  );
  // A list for people has nothing to understand; the targets that keep worlds have.
  const isAsked = written.filter((text) => text.includes('saltmarsh:lamp'));
  expect(isAsked.length).toBeGreaterThanOrEqual(2);
  // Back again, and everything is known by every name that it had.
  const back = applyChanges(moved, renameNamespace(moved, 'saltmarsh'));
  expect(back.ledger.entries.find(({ name }) => name === 'torch')!.formerly).toEqual([
    'lamp',
    'saltmarsh:torch',
    'saltmarsh:lamp',
    'tidal:torch',
    'tidal:lamp',
  ]);
});

test('a large mod is renamed entry by entry, to the same end', () => {
  const mod = sampleMod();
  const bank = mod.blocks['bank']!;
  const many = Array.from({ length: 3500 }, (_, i) => [`bank_${i}`, bank] as const);
  const large = { ...mod, blocks: Object.fromEntries(many) };
  const changes = renameNamespace(large, 'tidal');
  expect(changes.length).toBeLessThan(3510);
  const { ledger: _, ...rest } = applyChanges(large, changes);
  expect(printJson(rest)).not.toContain('"saltmarsh:bank"');
});

test('what is no namespace is refused', () => {
  expect(() => renameNamespace(sampleMod(), 'Tidal Works')).toThrow(RangeError);
  expect(() => renameNamespace(sampleMod(), 'obrank')).toThrow(TakeOverProblem);
  expect(renameNamespace(sampleMod(), 'saltmarsh')).toEqual([]);
});
