import fc from 'fast-check';
import { applyChanges, emptyMod, type Family, type FamilyForm, type Mod } from '../mod/index.ts';
import { changeFamily } from './change-family.ts';
import { shippedForms } from './shipped/index.ts';

/** Stock materials whose pictures have no transparency, as those of new blocks at first. */
const stocks = ['chalk', 'timber', 'brick', 'granite', 'sand'] as const;
const materialNames = ['brack', 'ebbite', 'siltium', 'tile', 'shell_lime'] as const;

export const anyMaterial = fc.record(
  {
    name: fc.constantFrom(...materialNames),
    names: fc.constantFrom({ en: 'brack' }, { en: 'salt lime', de: 'salzkalk' }, {}),
    stock: fc.constantFrom(...stocks),
    traits: fc.record(
      { hardness: fc.integer({ min: 1, max: 40 }), blastRating: fc.integer({ min: 1, max: 40 }) },
      { requiredKeys: [] },
    ),
    grade: fc.integer({ min: 0, max: 2 }),
    reward: fc.constantFrom(0.4, 1.2),
  },
  { requiredKeys: ['name', 'names', 'stock'] },
);
export const anyForm: fc.Arbitrary<FamilyForm> = fc
  .constantFrom(...shippedForms.map(({ name }) => name))
  .map((kind) => ({ name: kind, kind }));

const anyCell = fc.oneof(
  fc.constant({ leftOut: true as const }),
  fc.record({ changed: fc.constant({ '/block/traits/hardness': 7, '/item/stack': 3 }) }),
);

/** Families of materials and forms that ship, some cells left out or otherwise. */
export const anyFamily: fc.Arbitrary<Family> = fc
  .record({
    materials: fc.uniqueArray(anyMaterial, {
      minLength: 1,
      maxLength: 4,
      selector: ({ name }) => name,
    }),
    forms: fc.uniqueArray(anyForm, { minLength: 1, maxLength: 6, selector: ({ name }) => name }),
    cells: fc.array(fc.tuple(fc.nat(3), fc.nat(5), anyCell), { maxLength: 4 }),
  })
  .map(({ materials, forms, cells }) => {
    const byMaterial: NonNullable<Family['cells']> = {};
    for (const [i, j, cell] of cells) {
      const [material, form] = [materials[i], forms[j]];
      if (material && form) (byMaterial[material.name] ??= {})[form.name] = cell;
    }
    const some = Object.keys(byMaterial).length > 0;
    const family: unknown = { group: 'general', materials, forms };
    return { ...(family as Family), ...(some && { cells: byMaterial }) };
  });

/** A mod that has this family and nothing else. */
export function modWith(family: Family, name = 'salts'): Mod {
  const mod = emptyMod('saltmarsh', 'Saltmarsh');
  return applyChanges(mod, changeFamily(mod, name, family));
}
