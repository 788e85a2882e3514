import { expect, test } from '@jest/globals';
import { newBlock } from '../forms/index.ts';
import { inspect } from '../inspect/index.ts';
import { sampleMod } from '../inspect/sample.ts';
import { applyChanges } from '../mod/index.ts';
import { ownModelsFor, sharedModels } from './own-models.ts';

const mod = sampleMod();
const copied = applyChanges(mod, newBlock(mod, 'lantern', 'Lantern', { copyOf: 'lamp' }));

test('a copied block shows the models of the one that it was copied from', () => {
  expect([...sharedModels(mod, 'lamp')]).toEqual([]);
  expect([...sharedModels(copied, 'lantern')]).toEqual([['saltmarsh:lamp', ['lamp']]]);
  expect([...sharedModels(copied, 'lamp')]).toEqual([['saltmarsh:lamp', ['lantern']]]);
});

test('made its own, each shows its own, turned as before, and nothing is found wrong', () => {
  const own = applyChanges(copied, ownModelsFor(copied, 'lantern'));
  expect(own.models['lantern_lamp']).toEqual(mod.models['lamp']);
  expect(own.blocks['lamp']).toBe(copied.blocks['lamp']);
  expect(own.blocks['lantern']!.looks.rows.map(({ use }) => use)).toEqual(
    mod.blocks['lamp']!.looks.rows.map(({ use }) =>
      use.map((one) => ({ ...one, model: 'saltmarsh:lantern_lamp' })),
    ),
  );
  expect([...sharedModels(own, 'lantern')]).toEqual([]);
  expect(ownModelsFor(own, 'lantern')).toEqual([]);
  const found = (one: typeof mod) => inspect(one).map(({ rule }) => rule);
  expect(found(own)).toEqual(found(copied));
});
