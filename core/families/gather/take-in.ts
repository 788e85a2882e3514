import { pointer, sameData } from '../../json/index.ts';
import { heldUnder } from '../../lists/index.ts';
import { applyChanges, type Change, type FamilyForm, type Mod } from '../../mod/index.ts';
import { changeFamily } from '../change-family.ts';
import { cellsDiffering, cellsPresent, formFrom, membersOf, takenOut, titled } from './gather.ts';
import type { Grid } from './propose.ts';

/**
 * The changes that make a form of a family out of a block or an item that is there: it becomes the
 * cell of one material, as it was, and every other material gets one like it. Throws a RangeError
 * where there is no such thing, or a form of that name.
 *
 * @example formFromThing(mod, 'oyster', { name: 'arch', material: 'tile', thing: 'tile_arch' })
 */
export function formFromThing(
  mod: Mod,
  familyName: string,
  { name, material, thing }: { name: string; material: string; thing: string },
): Change[] {
  const family = heldUnder(mod.families, familyName);
  if (family.forms.some((form) => form.name === name))
    throw new RangeError(`There is already a form called ${name}.`);
  const called = thing.includes(material)
    ? thing.replaceAll(material, '{material}')
    : `{material}_${name}`;
  const grid: Grid = {
    materials: [material],
    forms: [{ name, called }],
    cells: { [material]: { [name]: thing } },
  };
  const members = membersOf(mod, grid);
  if (members.length === 0) throw new RangeError(`There is nothing called ${thing}.`);
  const ofMaterial = family.materials.find((one) => one.name === material);
  // What the material says itself follows it, in every form.
  const moved = new Set(
    Object.entries(ofMaterial?.traits ?? {}).flatMap(([trait, value]) => {
      const own = members[0]?.block?.traits ?? {};
      return sameData((own as Record<string, unknown>)[trait], value) ? [trait] : [];
    }),
  );
  const form: FamilyForm = {
    ...formFrom(mod, members, { name, called }, moved),
    names: titled(mod, members)('forms', name),
  };
  const out = takenOut(mod, members);
  const then = applyChanges(mod, out);
  const path = pointer(['families', familyName]);
  const first = [{ path, before: family, after: { ...family, forms: [...family.forms, form] } }];
  let made = applyChanges(then, first);
  for (const cells of [cellsPresent, cellsDiffering])
    made = applyChanges(made, cells(familyName, made, grid, members));
  return [...out, ...changeFamily(then, familyName, heldUnder(made.families, familyName))];
}
