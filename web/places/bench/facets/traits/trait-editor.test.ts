import { expect, test } from '@jest/globals';
import { sampleMod, withExample } from '../../../../../core/inspect/sample.ts';
import { resolveBlock, type TraitName } from '../../../../../core/mod/index.ts';
import { shownOfTraits, ticksOf, traitEditor } from './trait-editor.ts';

/** The editor of the sample's lamp, and what it was told to set. */
function lampWith(example: Record<string, unknown>) {
  const mod = withExample(sampleMod(), example);
  const declared = mod.blocks['lamp']!;
  const told: unknown[] = [];
  const block = resolveBlock(mod, 'lamp', declared);
  const set = (...args: unknown[]) => void told.push(args);
  return { block, of: traitEditor(block, 0, set), told };
}

test(
  'a trait that the block does not set has no way back; one that it sets tells by how ' +
    'much it differs',
  () => {
    const { of, told } = lampWith({
      '/blocks/lamp/traits/hardness': 3.2,
      '/blocks/lamp/traits/blastRating': 14,
    });
    expect(of.own('friction')).toEqual({});
    expect(of.own('hardness').changed).toBe('stock: 11 (×0.29)');
    expect(of.own('blastRating').changed).toBe('');
    expect(of.own('hidesNeighbours').changed).toBe('stock: whole');
    of.own('hardness').onReset!();
    of.put('lightAbsorbed', 4);
    expect(told).toEqual([
      ['Put hardness back to stock', ['traits', 'hardness'], undefined],
      ['Change light absorbed', ['traits', 'lightAbsorbed'], 4],
    ]);
  },
);

test(
  'a field is drawn again when its trait, its own value or the stock changes, and not ' +
    'for another trait',
  () => {
    const shown = (example: Record<string, unknown>, ...names: TraitName[]) =>
      shownOfTraits(lampWith(example).block, names);
    const other = { '/blocks/lamp/traits/friction': 0.2 };
    expect(shown(other, 'hardness', 'gated')).toEqual(shown({}, 'hardness', 'gated'));
    expect(shown(other, 'friction')).not.toEqual(shown({}, 'friction'));
    const glass = { '/blocks/lamp/identity/stock': 'glass' };
    expect(shown(glass, 'gated')).not.toEqual(shown({}, 'gated'));
  },
);

test('stock as ticks: one for each number, materials that share it named together', () => {
  expect(ticksOf.hardness).toHaveLength(13);
  expect(ticksOf.blastRating.find((tick) => tick.value === 0.5)!.name).toBe('thatch, glass');
  expect(ticksOf.friction.map((tick) => tick.name).sort()).toEqual(['ice', 'other stock']);
  expect(ticksOf.catchesFire.map((tick) => tick.name).sort()).toEqual([
    'cloth',
    'thatch',
    'timber',
  ]);
});
