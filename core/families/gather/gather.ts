import { lookUp, pointer, sameData } from '../../json/index.ts';
import {
  applyChanges,
  idOf,
  ownName,
  resultsOf,
  traitNames,
  type Block,
  type CellTemplate,
  type Change,
  type Family,
  type FamilyForm,
  type Item,
  type Material,
  type Mod,
} from '../../mod/index.ts';
import { givenDocument, type CellDocument } from '../cell.ts';
import { putCell } from '../declared-changes.ts';
import { differencesOf } from '../differences.ts';
import { cellAt } from '../names.ts';
import { generalise, type Specimen } from './generalise.ts';
import type { Grid } from './propose.ts';
import { patternsOf } from './titles.ts';

/** A block or an item that goes into a family, with what is its own. */
export interface Member {
  material: string;
  form: string;
  name: string;
  block?: Block;
  item?: Item;
  /** What it makes, as a cell of a family would. */
  document: CellDocument;
  /** Names of models that it alone shows, and of recipes that give it alone. */
  models: string[];
  recipes: string[];
}

/** The models that a block alone shows and from which no other starts. */
function ownModels(mod: Mod, name: string): string[] {
  const shownBy = (block: Block): string[] =>
    block.looks.rows.flatMap(({ use }) => use.map(({ model }) => model));
  const others = Object.entries(mod.blocks).flatMap(([other, block]) =>
    other === name ? [] : shownBy(block),
  );
  const looks = Object.values(mod.newLooks).flatMap(({ looks: { rows } }) =>
    rows.flatMap(({ use }) => use.map(({ model }) => model)),
  );
  const templates = Object.values(mod.models).map(({ template }) => template);
  const held = Object.values(mod.blocks).map(({ identity }) => identity.held?.model);
  const needed = new Set([...others, ...looks, ...templates, ...held]);
  const block = lookUp(mod.blocks, name);
  const own = new Set((block ? shownBy(block) : []).filter((id) => !needed.has(id)));
  return Object.keys(mod.models).filter((model) => own.has(idOf(mod.header.namespace, model)));
}

export function membersOf(mod: Mod, { cells }: Grid): Member[] {
  const { namespace } = mod.header;
  return Object.entries(cells).flatMap(([material, row]) =>
    Object.entries(row).flatMap(([form, name]): Member[] => {
      const [block, item] = [lookUp(mod.blocks, name), lookUp(mod.items, name)];
      if (!block && !item) return [];
      const recipes = Object.entries(mod.recipes).flatMap(([recipe, made]) => {
        const given = new Set(resultsOf(made).map(({ gives }) => gives));
        return given.size === 1 && given.has(idOf(namespace, name)) ? [recipe] : [];
      });
      const models = block ? ownModels(mod, name) : [];
      const member = { material, form, name, ...(block ? { block } : { item: item! }) };
      const parts = { ...member, models, recipes };
      return [{ ...parts, document: documentOf(mod, parts) }];
    }),
  );
}

/** What a text names, by where it stands. */
function namedAt(steps: readonly (string | number)[]): 'model' | 'texture' | 'thing' {
  if (steps.includes('slots') || steps.includes('texture') || steps.includes('picture'))
    return 'texture';
  return steps.at(-1) === 'model' || steps.at(-1) === 'template' ? 'model' : 'thing';
}

/** The ways to write a text of a member with open places, the most telling first. */
function readingsOf(mod: Mod, member: Member, members: readonly Member[]): Specimen['readings'] {
  const { namespace } = mod.header;
  return (text, steps) => {
    const name = ownName(namespace, text);
    if (name === undefined) return [text.replaceAll(member.material, '{material}'), text];
    const what = namedAt(steps);
    const other =
      what === 'thing'
        ? members.find((one) => one.name === name && one.material === member.material)
        : undefined;
    const part = name.replaceAll(member.material, '{material}');
    return [
      ...(other ? [other === member ? '{id}' : `{id:${other.form}}`] : []),
      ...(what === 'model' && member.models.includes(name)
        ? [`{namespace}:${openName(name, member)}`]
        : []),
      ...(part === name ? [] : [`{namespace}:${part}`]),
      text,
    ];
  };
}

/** A name of a model or recipe of a member, with open places. */
const openName = (name: string, member: Pick<Member, 'name' | 'material'>): string =>
  name.startsWith(member.name)
    ? `{cell}${name.slice(member.name.length)}`
    : name.replaceAll(member.material, '{material}');

/** What a member makes, as a cell of a family would. */
function documentOf(mod: Mod, member: Omit<Member, 'document'>): CellDocument {
  const { block, item, models, recipes } = member;
  const named = <T>(kind: Readonly<Record<string, T>>, names: readonly string[]) =>
    names.length
      ? Object.fromEntries(names.map((name) => [openName(name, member), lookUp(kind, name)]))
      : undefined;
  const parts = {
    block,
    item,
    models: named(mod.models, models),
    recipes: named(mod.recipes, recipes),
  };
  return Object.fromEntries(Object.entries(parts).filter(([, part]) => part !== undefined));
}

/** Traits that each material has in all its blocks alike, and other materials otherwise. */
function traitsByMaterial(members: readonly Member[]): Map<string, Material['traits']> {
  const blocks = members.filter(({ block }) => block);
  const materials = [...new Set(blocks.map(({ material }) => material))];
  const valueIn = (material: string, trait: (typeof traitNames)[number]) => {
    const values = blocks
      .filter((one) => one.material === material)
      .map(({ block }) => block?.traits[trait]);
    return values.every((value) => sameData(value, values[0])) ? values[0] : undefined;
  };
  const moved = traitNames.filter((trait) => {
    const values = materials.map((material) => valueIn(material, trait));
    const isTold = values.filter((value) => value !== undefined).length > 0;
    return isTold && values.some((value) => !sameData(value, values[0]));
  });
  return new Map(
    materials.map((material) => [
      material,
      Object.fromEntries(
        moved.flatMap((trait) => {
          const value = valueIn(material, trait);
          return value === undefined ? [] : [[trait, value]];
        }),
      ),
    ]),
  );
}

const withoutTraits = (template: CellTemplate, gone: ReadonlySet<string>): CellTemplate => {
  const traits = template.block?.['traits'];
  if (typeof traits !== 'object' || traits === null) return template;
  const kept = Object.entries(traits).filter(([trait]) => !gone.has(trait));
  return { ...template, block: { ...template.block, traits: Object.fromEntries(kept) } };
};

/** A form of the family: what most of its cells have in common, with open places. */
export function formFrom(
  mod: Mod,
  members: readonly Member[],
  { name, called }: Grid['forms'][number],
  moved: ReadonlySet<string>,
): FamilyForm {
  const specimens = members
    .filter(({ form }) => form === name)
    .map((member): Specimen => ({
      document: member.document,
      readings: readingsOf(mod, member, members),
    }));
  const { block, item, ...rest } = generalise(specimens) as CellTemplate;
  const withoutNames = (part: Record<string, unknown> | undefined) => {
    const { names: _, ...others } = part ?? {};
    return part && others;
  };
  const own: CellTemplate = {
    ...(block && { block: withoutNames(block) }),
    ...(item && { item: withoutNames(item) }),
    ...rest,
  };
  return { name, called, own: withoutTraits(own, moved) };
}

/** The names of materials and the patterns of titles, in every language that any member has. */
export function titled(mod: Mod, members: readonly Member[]) {
  const languages = mod.header.languages.map((language) => {
    const titles: Record<string, Record<string, string>> = {};
    for (const { material, form, block, item } of members) {
      const title = lookUp(block?.names ?? item?.names, language);
      if (title !== undefined) (titles[material] ??= {})[form] = title;
    }
    return [language, patternsOf(titles)] as const;
  });
  const of = (part: 'materials' | 'forms', name: string) =>
    Object.fromEntries(
      languages.flatMap(([language, patterns]) => {
        const text = lookUp(patterns[part], name);
        return text === undefined ? [] : [[language, text]];
      }),
    );
  return of;
}

/** The family that blocks and items make: what they share. */
function familyFrom(mod: Mod, grid: Grid, members: readonly Member[]): Family {
  const traits = traitsByMaterial(members);
  const moved = new Set([...traits.values()].flatMap((own) => Object.keys(own ?? {})));
  const titles = titled(mod, members);
  const groups = members.map(({ block, item }) => block?.identity.group ?? item?.group);
  const [group] = groups;
  const isOneGroup = group !== undefined && groups.every((one) => one === group);
  return {
    ...(isOneGroup && { group }),
    materials: grid.materials.map((name): Material => {
      const own = traits.get(name);
      return {
        name,
        names: titles('materials', name),
        ...(own && Object.keys(own).length > 0 && { traits: own }),
      };
    }),
    forms: grid.forms.map((form): FamilyForm => ({
      ...formFrom(mod, members, form, moved),
      names: titles('forms', form.name),
    })),
  };
}

/** The changes that take the members away as entries of the mod's own. */
export const takenOut = (mod: Mod, members: readonly Member[]): Change[] => {
  const gone = members.flatMap(({ name, block, models, recipes }) => [
    [block ? 'blocks' : 'items', name] as const,
    ...models.map((model) => ['models', model] as const),
    ...recipes.map((recipe) => ['recipes', recipe] as const),
  ]);
  return gone.map(([kind, name]) => ({
    path: pointer([kind, name]),
    before: lookUp(mod[kind] as Record<string, unknown>, name),
  }));
};

/** The changes that leave out the cells that nothing stands for, and name those called otherwise. */
export function cellsPresent(
  name: string,
  mod: Mod,
  grid: Grid,
  members: readonly Member[],
): Change[] {
  return eachCell(mod, grid, ({ material, form }, now) => {
    const place = { family: name, material, form: form.name };
    const member = members.find((one) => one.material === material && one.form === form.name);
    if (!member) return putCell(now, place, { leftOut: true });
    const called = form.called.replaceAll('{material}', material);
    return called === member.name ? [] : putCell(now, place, { called: member.name });
  });
}

/** The changes that keep what a member has otherwise than its family gives. */
export function cellsDiffering(
  name: string,
  mod: Mod,
  grid: Grid,
  members: readonly Member[],
): Change[] {
  return eachCell(mod, grid, ({ material, form }, now) => {
    const member = members.find((one) => one.material === material && one.form === form.name);
    const family = lookUp(now.families, name);
    const ofMaterial = family?.materials.find((one) => one.name === material);
    const ofForm = family?.forms.find((one) => one.name === form.name);
    if (!member || !family || !ofMaterial || !ofForm) return [];
    const asked = { header: now.header, familyName: name, family };
    const given = givenDocument({ ...asked, material: ofMaterial, form: ofForm });
    const changed = differencesOf(given, member.document);
    if (Object.keys(changed).length === 0) return [];
    const before = cellAt(family, material, form.name);
    return putCell(now, { family: name, material, form: form.name }, { ...before, changed });
  });
}

/** Changes cell by cell, each on the mod as the one before leaves it. */
function eachCell(
  mod: Mod,
  { materials, forms }: Grid,
  make: (cell: { material: string; form: Grid['forms'][number] }, now: Mod) => Change[],
): Change[] {
  const changes: Change[] = [];
  let now = mod;
  for (const material of materials)
    for (const form of forms) {
      const more = make({ material, form }, now);
      now = applyChanges(now, more);
      changes.push(...more);
    }
  return changes;
}

/**
 * The changes that make a family of blocks and items that are there: what they share becomes its
 * materials and forms, what differs stays as differences of its cells. Everything is made as it was,
 * under the same names and numbers. Throws a RangeError where there is a family of that name, or
 * nothing to gather.
 *
 * @example gatherFamily(mod, 'metals', proposeFamily(mod, ['brack_seam', 'ebbite_seam'])!)
 */
export function gatherFamily(mod: Mod, name: string, grid: Grid): Change[] {
  if (lookUp(mod.families, name)) throw new RangeError(`There is already a family called ${name}.`);
  const members = membersOf(mod, grid);
  if (members.length === 0) throw new RangeError('None of these is a block or an item of the mod.');
  const used: Grid = {
    ...grid,
    materials: grid.materials.filter((one) => members.some(({ material }) => material === one)),
    forms: grid.forms.filter((one) => members.some(({ form }) => form === one.name)),
  };
  const changes: Change[] = [
    ...takenOut(mod, members),
    { path: pointer(['families', name]), after: familyFrom(mod, used, members) },
  ];
  for (const cells of [cellsPresent, cellsDiffering])
    changes.push(...cells(name, applyChanges(mod, changes), used, members));
  return changes;
}
