import { freeName, heldUnder } from '../lists/index.ts';
import { lookUp, pointer, valueAt, withoutUndefined } from '../json/index.ts';
import {
  nameProblem,
  type Cell,
  type Change,
  type Family,
  type FamilyForm,
  type Material,
  type Mod,
} from '../mod/index.ts';
import type { CellPlace } from './cell.ts';
import { changeFamily, type Renamed } from './change-family.ts';
import { expansionOf, madeAt, madeKinds } from './expand.ts';
import { cellAt } from './names.ts';
import { shippedForm } from './shipped/index.ts';

/** A family with a cell otherwise; what says nothing is left out. */
export function withCell(
  family: Family,
  { material, form }: Omit<CellPlace, 'family'>,
  cell: Cell | undefined,
): Family {
  const { [form]: _, ...others } = family.cells?.[material] ?? {};
  const isEmpty = cell === undefined || Object.keys(cell).length === 0;
  const row = isEmpty ? others : { ...others, [form]: cell };
  const { [material]: __, ...rows } = family.cells ?? {};
  const cells = Object.keys(row).length ? { ...rows, [material]: row } : rows;
  const { cells: ___, ...rest } = family;
  return Object.keys(cells).length ? { ...rest, cells } : rest;
}

/** The changes that make a new family, with what it makes registered. Throws where there is one. */
export function newFamily(mod: Mod, name: string, family: Family): Change[] {
  if (lookUp(mod.families, name)) throw new RangeError(`There is already a family called ${name}.`);
  return changeFamily(mod, name, family);
}

/** Why a material or a form cannot have a name, in a sentence; undefined where it can. */
export function partNameProblem(
  family: Family,
  of: Renamed['of'],
  name: string,
  before?: string,
): string | undefined {
  if (name === before) return undefined;
  const parts = of === 'material' ? family.materials : family.forms;
  const isTaken = parts.some((one) => one.name === name);
  return nameProblem(name) ?? (isTaken ? `There is already a ${of} called ${name}.` : undefined);
}

/**
 * A material with nothing but a name, in the languages of the mod: what it is called is written as
 * within a sentence.
 */
export const plainMaterial = (mod: Mod, name: string, like?: Material): Material => {
  const called = name.replaceAll('_', ' ');
  const names = Object.fromEntries(mod.header.languages.map((language) => [language, called]));
  return withoutUndefined({ name, names, stock: like?.stock });
};

/** A family with one more material at the end. */
export const withMaterial = (family: Family, material: Material): Family => ({
  ...family,
  materials: [...family.materials, material],
});

/** A family with one more form that ships, under a name that none of its forms has. */
export const withForm = (family: Family, kind: string): Family => {
  const name = freeName(
    kind,
    family.forms.map((form) => form.name),
  );
  const form: FamilyForm = { name, kind };
  // A second seam is called after itself, so that the cells of both can be told apart.
  const called = name === kind ? {} : { called: `{material}_${name}` };
  return { ...family, forms: [...family.forms, { ...form, ...called }] };
};

/** A family without a material or a form, and without what its cells had otherwise. */
export function withoutPart(family: Family, of: Renamed['of'], name: string): Family {
  const isOther = (one: { name: string }) => one.name !== name;
  const gone = { material: (at: CellPlace) => at.material, form: (at: CellPlace) => at.form }[of];
  const kept = cellPlaces(family).reduce(
    (now, place) => (gone(place) === name ? withCell(now, place, undefined) : now),
    family,
  );
  return of === 'material'
    ? { ...kept, materials: kept.materials.filter(isOther) }
    : { ...kept, forms: kept.forms.filter(isOther) };
}

/** The cells of which a family says something. */
const cellPlaces = ({ cells = {} }: Family): CellPlace[] =>
  Object.entries(cells).flatMap(([material, row]) =>
    Object.keys(row).map((form) => ({ family: '', material, form })),
  );

/** A family in which a material or a form has another name; its cells go along. */
export function withPartRenamed(family: Family, { of, from, to }: Renamed): Family {
  const renamed = <P extends { name: string }>(parts: readonly P[]): P[] =>
    parts.map((one) => (one.name === from ? { ...one, name: to } : one));
  const moved = cellPlaces(family).reduce((now, place) => {
    if (place[of] !== from) return now;
    const cell = cellAt(now, place.material, place.form);
    return withCell(withCell(now, place, undefined), { ...place, [of]: to }, cell);
  }, family);
  if (of === 'material') return { ...moved, materials: renamed(moved.materials) };
  // A form that ships keeps being called by its pattern; one of the user's own was called by its name.
  return { ...moved, forms: renamed(moved.forms) };
}

/** A family with one of its materials or forms otherwise. */
export const withPart = <K extends 'materials' | 'forms'>(
  family: Family,
  kind: K,
  name: string,
  change: (part: Family[K][number]) => Family[K][number],
): Family => ({
  ...family,
  [kind]: family[kind].map((one) => (one.name === name ? withoutUndefined(change(one)) : one)),
});

/**
 * The changes that let a block or an item leave its family: it stays as it is, an entry of the mod's
 * own with its models and recipes, under its name and number.
 */
export function leaveFamily(mod: Mod, place: CellPlace): Change[] {
  const made = madeAt(mod, place);
  if (!made) return [];
  const family = withCell(heldUnder(mod.families, place.family), place, { leftOut: true });
  const path = pointer(['families', place.family]);
  return [
    { path, before: valueAt(mod, path), after: family },
    ...made.entries.map(({ kind, name, document }) => ({
      path: pointer([kind, name]),
      before: lookUp(mod[kind] as Record<string, unknown>, name),
      after: document,
    })),
  ];
}

/**
 * The changes that take a family apart: everything that it makes stays as an entry of the mod's own,
 * under its name and number, and the family is gone.
 */
export function takeFamilyApart(mod: Mod, name: string): Change[] {
  const { entries, owners } = expansionOf(mod);
  return [
    { path: pointer(['families', name]), before: lookUp(mod.families, name) },
    ...madeKinds.flatMap((kind) =>
      [...owners[kind]].flatMap(([entry, { place }]): Change[] => {
        // What the mod itself has under the name goes before.
        const isMade = place.family === name && !Object.hasOwn(mod[kind], entry);
        return isMade ? [{ path: pointer([kind, entry]), after: entries[kind][entry] }] : [];
      }),
    ),
  ];
}

/** What a form ships as, or that it is one of the user's own. */
export const formTitle = (form: FamilyForm): string =>
  shippedForm(form.kind)?.title ?? form.name.replaceAll('_', ' ');

/** A family after an edit, as the changes of the mod that this takes. */
export const editFamily = (
  mod: Mod,
  name: string,
  change: (family: Family) => Family,
  renamed?: Renamed,
): Change[] => changeFamily(mod, name, change(heldUnder(mod.families, name)), renamed);
