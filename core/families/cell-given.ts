import { lookUp, valueAt } from '../json/index.ts';
import type { Mod } from '../mod/index.ts';
import { givenDocument, type CellDocument, type CellPlace } from './cell.ts';

/** What a family gives a cell, without what the cell has otherwise; undefined where it is not. */
export function givenAt(
  mod: Pick<Mod, 'header' | 'families'>,
  { family: familyName, ...place }: CellPlace,
): CellDocument | undefined {
  const family = lookUp(mod.families, familyName);
  const material = family?.materials.find(({ name }) => name === place.material);
  const form = family?.forms.find(({ name }) => name === place.form);
  if (!family || !material || !form) return undefined;
  return givenDocument({ header: mod.header, familyName, family, material, form });
}

/** What stands at a place of what a family gives a cell. */
export const givenValue = (mod: Mod, place: CellPlace, path: string): unknown =>
  valueAt(givenAt(mod, place), path);
