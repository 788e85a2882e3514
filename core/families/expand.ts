import { changedNames, heldUnder, noteCopy } from '../lists/index.ts';
import { lookUp, sameData } from '../json/index.ts';
import type { Cell, Family, FamilyForm, Header, Material, Mod } from '../mod/index.ts';
import { keyOf, madeCell, type CellPlace, type MadeCell } from './cell.ts';
import { cellAt, isIn, nameOfCell } from './names.ts';

/** The kinds of entries that cells make. */
export const madeKinds = ['blocks', 'items', 'models', 'recipes'] as const;
export type MadeKind = (typeof madeKinds)[number];

/** An entry that a cell makes, and the cell. */
export interface Owned {
  place: CellPlace;
  /** The steps to it within the document of the cell. */
  steps: readonly string[];
}

/** Why a cell, or one of its entries, is not there. */
export interface FamilyProblem {
  place: CellPlace;
  problem: 'does not fit' | 'name taken';
  message: string;
}

type Entries = Record<MadeKind, Record<string, unknown>>;

/** All that the families of a mod make. */
export interface Expansion {
  cells: ReadonlyMap<string, MadeCell>;
  entries: Entries;
  owners: Readonly<Record<MadeKind, ReadonlyMap<string, Owned>>>;
  problems: readonly FamilyProblem[];
}

/** What a cell was made of last, and what came of it. */
interface Remembered {
  header: Header;
  cell: Cell | undefined;
  rest: string;
  made: MadeCell | undefined;
}
const remembered = new WeakMap<Material, WeakMap<FamilyForm, Remembered>>();

/** What the cells of a material rest on beside it, as it was told last. */
interface Beside {
  familyName: string;
  group: string | undefined;
  pictures: Family['pictures'];
  forms: Family['forms'];
  row: Readonly<Record<string, Cell>> | undefined;
  told: string;
}
const toldBeside = new WeakMap<Material, Beside>();

/** What else of its family a cell rests on: how the same material is called in the other forms. */
function namesBeside(familyName: string, family: Family, material: Material): string {
  const { group, pictures, forms } = family;
  const row = lookUp(family.cells, material.name);
  const before = toldBeside.get(material);
  const isSame =
    before?.familyName === familyName &&
    before.group === group &&
    before.pictures === pictures &&
    before.forms === forms &&
    before.row === row;
  if (isSame) return before.told;
  const names = forms.map((form) =>
    isIn(family, material.name, form.name)
      ? [form.name, nameOfCell(family, familyName, material, form)]
      : [form.name],
  );
  const told = JSON.stringify([familyName, group, pictures, names]);
  toldBeside.set(material, { familyName, group, pictures, forms, row, told });
  return told;
}

/** The cells of one family, material by material; those of which nothing changed are the same. */
function cellsOf(header: Header, familyName: string, family: Family): MadeCell[] {
  return family.materials.flatMap((material) => {
    const rest = namesBeside(familyName, family, material);
    const byForm = remembered.get(material) ?? new WeakMap<FamilyForm, Remembered>();
    remembered.set(material, byForm);
    return family.forms.flatMap((form) => {
      const cell = cellAt(family, material.name, form.name);
      const before = byForm.get(form);
      const isSame = before?.header === header && before.cell === cell && before.rest === rest;
      if (isSame) return before.made ?? [];
      const made = madeCell({ header, familyName, family, material, form });
      byForm.set(form, { header, cell, rest, made });
      return made ?? [];
    });
  });
}

const known = new WeakMap<Mod['families'], Map<Header, Expansion>>();
/** So many headers are remembered for the same families: one for each kit that is asked. */
const mostHeaders = 8;

/**
 * What the families of a mod make: the first cell to claim a name has it. Linear in their cells;
 * cells of which nothing changed are the same objects as before.
 */
export function expansionOf({ header, families }: Pick<Mod, 'header' | 'families'>): Expansion {
  const byHeader = known.get(families) ?? new Map<Header, Expansion>();
  known.set(families, byHeader);
  const before = byHeader.get(header);
  if (before) return before;
  const expansion = expanded(header, families);
  if (byHeader.size >= mostHeaders) byHeader.clear();
  byHeader.set(header, expansion);
  return expansion;
}

function expanded(header: Header, families: Mod['families']): Expansion {
  const cells = Object.keys(families)
    .sort()
    .flatMap((name) => cellsOf(header, name, heldUnder(families, name)));
  const entries: Entries = { blocks: {}, items: {}, models: {}, recipes: {} };
  const owners = Object.fromEntries(
    madeKinds.map((kind) => [kind, new Map<string, Owned>()]),
  ) as Record<MadeKind, Map<string, Owned>>;
  const problems: FamilyProblem[] = [];
  for (const { place, entries: made, problem } of cells) {
    if (problem !== undefined) problems.push({ place, problem: 'does not fit', message: problem });
    // A cell is there whole or not at all.
    const taken = made.find((entry) => owners[entry.kind].has(entry.name));
    if (taken)
      problems.push({ place, problem: 'name taken', message: `${taken.kind}/${taken.name}` });
    else
      for (const { kind, name: entry, document, steps } of made) {
        entries[kind][entry] = document;
        owners[kind].set(entry, { place, steps });
      }
  }
  return {
    cells: new Map(cells.map((cell) => [keyOf(cell.place), cell])),
    entries,
    owners,
    problems,
  };
}

/** A mod as it was declared last under a header, and with its families spread out. */
const latest = new WeakMap<Header, { declared: Mod; mod: Mod }>();
const spread = new WeakMap<Mod, Mod>();

/**
 * A mod with the blocks, items, models and recipes of its families among its own, as everybody but
 * the editors of families sees it. What the mod itself has under a name goes before. The same mod
 * where it has no families; entries that did not change are the same objects from edit to edit.
 *
 * @example expandFamilies(mod).blocks['oyster_tile_stair'] // made by the family of oyster
 */
export function expandFamilies(declared: Mod): Mod {
  if (Object.keys(declared.families).length === 0) return declared;
  const before = spread.get(declared);
  if (before) return before;
  const last = latest.get(declared.header);
  const mod = { ...declared };
  for (const kind of madeKinds) Object.assign(mod, { [kind]: entriesOf(kind, declared, last) });
  spread.set(declared, mod);
  latest.set(declared.header, { declared, mod });
  return mod;
}

/** The entries of a kind, carried over from the mod before where there was one. */
function entriesOf(
  kind: MadeKind,
  declared: Mod,
  last: { declared: Mod; mod: Mod } | undefined,
): Record<string, unknown> {
  const own = declared[kind] as Record<string, unknown>;
  const made = expansionOf(declared).entries[kind];
  if (!last) return { ...made, ...own };
  const before = last.mod[kind] as Record<string, unknown>;
  const names = new Set([
    ...changedNames(last.declared[kind], own),
    ...changedNames(expansionOf(last.declared).entries[kind], made),
  ]);
  const entryOf = (name: string) => lookUp(own, name) ?? lookUp(made, name);
  // What was made anew and holds the same data stays the same object, so that nothing seems changed.
  const changed = [...names].filter((name) => !sameData(lookUp(before, name), entryOf(name)));
  if (!changed.length) return before;
  const copy = { ...before };
  let from = before;
  for (const name of changed) {
    const entry = entryOf(name);
    if (entry === undefined) delete copy[name];
    else copy[name] = sharing(lookUp(before, name), entry);
    noteCopy(copy, from, name);
    from = copy;
  }
  return copy;
}

/** An entry in which the parts that hold the same data as before are the same objects. */
function sharing(before: unknown, entry: unknown): unknown {
  if (typeof before !== 'object' || before === null) return entry;
  const parts = Object.entries(entry as object).map(([key, part]: [string, unknown]) => {
    const held = (before as Record<string, unknown>)[key];
    return [key, sameData(held, part) ? held : part] as const;
  });
  return Object.fromEntries(parts);
}

/**
 * A mod in which everything that its families make is an entry of its own, and nothing is a family
 * any more.
 *
 * @example flattened(mod).families // {}
 */
export const flattened = (declared: Mod): Mod => ({ ...expandFamilies(declared), families: {} });

/** What a cell makes; undefined where there is none. */
export const madeAt = (declared: Mod, place: CellPlace): MadeCell | undefined =>
  expansionOf(declared).cells.get(keyOf(place));

/** Which cell makes an entry; undefined for one that the mod declares itself. */
export function ownerOf(declared: Mod, kind: string, name: string): Owned | undefined {
  if (!isMadeKind(kind) || Object.keys(declared.families).length === 0) return undefined;
  if (Object.hasOwn(declared[kind], name)) return undefined;
  return expansionOf(declared).owners[kind].get(name);
}

export const isMadeKind = (kind: string): kind is MadeKind =>
  (madeKinds as readonly string[]).includes(kind);
