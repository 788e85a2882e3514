import { heldUnder } from '../lists/index.ts';
import { pointerSteps, sameData } from '../json/index.ts';
import { ownName, traitNames, type Family, type Mod, type TraitName } from '../mod/index.ts';
import { withCell, withPart } from './acts.ts';
import type { CellPlace } from './cell.ts';
import { cellAt, nameOfCell } from './names.ts';

/** A value with the ids of one cell in it written with open places, so that it fits every material. */
function opened(value: unknown, namespace: string, cell: string, material: string): unknown {
  if (typeof value === 'string') {
    const name = ownName(namespace, value);
    if (name === undefined) return value;
    if (name.startsWith(cell)) return `{namespace}:{cell}${name.slice(cell.length)}`;
    const part = name.replaceAll(material, '{material}');
    return part === name ? value : `{namespace}:${part}`;
  }
  if (Array.isArray(value)) return value.map((item) => opened(item, namespace, cell, material));
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(
    Object.entries(value).map(([key, member]) => [key, opened(member, namespace, cell, material)]),
  );
}

/** A family whose cells of some places no longer have a difference of their own at a path. */
function withoutDifference(
  family: Family,
  places: readonly Omit<CellPlace, 'family'>[],
  path: string,
  value: unknown,
): Family {
  return places.reduce((now, place) => {
    const cell = cellAt(now, place.material, place.form);
    const changed = cell?.changed;
    if (!cell || !changed || !Object.hasOwn(changed, path)) return now;
    if (!sameData(changed[path], value)) return now;
    const { [path]: _, ...others } = changed;
    const { changed: __, ...rest } = cell;
    return withCell(now, place, Object.keys(others).length ? { ...rest, changed: others } : rest);
  }, family);
}

/** Whether a difference can be one of the whole form: names follow a pattern of their own. */
export const canLiftToForm = (path: string): boolean =>
  !/^\/(?:block|item)\/names(?:\/|$)/.test(path);

/**
 * A family in which what one cell has otherwise is so in its whole form: every material has it.
 *
 * @example liftToForm(mod, { family: 'oyster', material: 'tile', form: 'stair' }, '/block/tags')
 */
export function liftToForm(mod: Mod, place: CellPlace, path: string): Family {
  const family = heldUnder(mod.families, place.family);
  const material = family.materials.find(({ name }) => name === place.material);
  const form = family.forms.find(({ name }) => name === place.form);
  const value = cellAt(family, place.material, place.form)?.changed?.[path];
  if (!material || !form || value === undefined) return family;
  const cell = nameOfCell(family, place.family, material, form);
  const open = opened(value, mod.header.namespace, cell, material.name);
  const all = family.materials.map(({ name }) => ({ material: name, form: form.name }));
  const lifted = withPart(family, 'forms', form.name, (one) => ({
    ...one,
    changed: { ...one.changed, [path]: open },
  }));
  return withoutDifference(lifted, all, path, value);
}

/** The trait that a difference is about; undefined for any other. */
export function traitOfDifference(path: string): TraitName | undefined {
  const [part, traits, name, ...rest] = pointerSteps(path);
  if (part !== 'block' || traits !== 'traits' || rest.length) return undefined;
  return traitNames.find((trait) => trait === name);
}

/** A family in which a trait that one cell has otherwise is one of its material, in every form. */
export function liftToMaterial(mod: Mod, place: CellPlace, path: string): Family {
  const family = heldUnder(mod.families, place.family);
  const value = cellAt(family, place.material, place.form)?.changed?.[path];
  const trait = traitOfDifference(path);
  if (trait === undefined || value === undefined || value === null) return family;
  const all = family.forms.map(({ name }) => ({ material: place.material, form: name }));
  const lifted = withPart(family, 'materials', place.material, (one) => ({
    ...one,
    traits: { ...one.traits, [trait]: value },
  }));
  return withoutDifference(lifted, all, path, value);
}
