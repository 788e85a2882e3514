import {
  changeFamily,
  declaredChanges,
  expandFamilies,
  flattened,
  shippedForms,
} from '../core/families/index.ts';
import { inspect } from '../core/inspect/index.ts';
import { applyChanges, emptyMod, type Change, type Family, type Mod } from '../core/mod/index.ts';
import type { Line, Median } from './figures.ts';

/** How often each edit is made: the middle one counts. */
const runs = 15;
const manyMaterials = 40;
const manyForms = 12;

/** A family of 40 materials in the 12 plainest forms that ship: 480 blocks. */
const family: Family = {
  group: 'general',
  materials: Array.from({ length: manyMaterials }, (_, i) => ({
    name: `salt_${i}`,
    names: { en: `salt ${i}` },
    stock: 'chalk',
    traits: { hardness: 2 + i / 10 },
  })),
  forms: shippedForms
    .filter(({ makes }) => makes === 'block')
    .slice(0, manyForms)
    .map(({ name }) => ({ name, kind: name })),
};

function familyMod(): Mod {
  const mod = emptyMod('saltmarsh', 'Saltmarsh');
  return applyChanges(mod, changeFamily(mod, 'salts', family));
}

/**
 * One edit of a material or of one block of a family of 480, from the edit to its findings, beside
 * the same edit of 480 single blocks.
 */
export function benchFamilies(median: Median, line: Line): void {
  const all = `${manyMaterials * manyForms} blocks of one family`;
  let spread = familyMod();
  const first = median(1, () => void inspect(expandFamilies(spread)));
  line(
    'families.480.first',
    `spread out and inspect ${all} from nothing`,
    `${first.toFixed(0)} ms`,
  );
  const material = median(runs, (run) => {
    const path = '/families/salts/materials/7/traits/hardness';
    const before = spread.families['salts']?.materials[7]?.traits?.hardness;
    spread = applyChanges(spread, [{ path, before, after: 5 + run }]);
    inspect(expandFamilies(spread));
  });
  const cell = median(runs, (run) => {
    const change = hardnessOf(expandFamilies(spread), run);
    spread = applyChanges(spread, declaredChanges(spread, [change]));
    inspect(expandFamilies(spread));
  });
  let single = flattened(familyMod());
  inspect(single);
  const alone = median(runs, (run) => {
    single = applyChanges(single, [hardnessOf(single, run)]);
    inspect(single);
  });
  line(
    'families.480.material',
    `one edit of a material of ${all}, inspected`,
    `${material.toFixed(1)} ms`,
    `${manyForms} blocks; × ${(material / alone).toFixed(1)} of one single block`,
  );
  line(
    'families.480.cell',
    `one edit of a block of ${all}, inspected`,
    `${cell.toFixed(1)} ms`,
    `${alone.toFixed(1)} ms where it is one of ${manyMaterials * manyForms} single blocks`,
  );
}

const hardnessOf = (mod: Mod, run: number): Change => ({
  path: '/blocks/salt_9_stair/traits/hardness',
  before: mod.blocks['salt_9_stair']?.traits.hardness,
  after: 10 + run,
});
