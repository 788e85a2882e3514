import { heldUnder } from '../lists/index.ts';
import { lookUp, withoutUndefined } from '../json/index.ts';
import {
  countedTraits,
  entrySchemas,
  idOf,
  nameProblem,
  namePatternOf,
  schemaProblems,
  stockNamed,
  traitFacts,
  type CellTemplate,
  type Family,
  type FamilyForm,
  type FamilyPicture,
  type Header,
  type Material,
  type Traits,
} from '../mod/index.ts';
import { applyDifferences } from './differences.ts';
import { fillPlaces, fillText, UnknownPlace, type Filling } from './fill.ts';
import { cellAt, isIn, nameOfCell, titlesOfCell } from './names.ts';
import { shippedForm } from './shipped/index.ts';

/** Where a cell stands. */
export interface CellPlace {
  family: string;
  material: string;
  form: string;
}

/** The same cell is the same text. */
export const keyOf = ({ family, material, form }: CellPlace): string =>
  `${family}/${material}/${form}`;

/** What a cell makes, before its entries have names: models and recipes by their patterns. */
export interface CellDocument {
  block?: unknown;
  item?: unknown;
  models?: Record<string, unknown>;
  recipes?: Record<string, unknown>;
}

/** One entry that a cell makes, and where in its document it stands. */
export interface CellEntry {
  kind: 'blocks' | 'items' | 'models' | 'recipes';
  name: string;
  /** The steps to it within the document of the cell. */
  steps: readonly string[];
  document: unknown;
}

/** A cell of a family and the entries that it makes, or why it makes none. */
export interface MadeCell {
  place: CellPlace;
  name: string;
  entries: CellEntry[];
  problem?: string;
}

/** A cell as it is asked for. */
export interface AskedCell {
  header: Header;
  familyName: string;
  family: Family;
  material: Material;
  form: FamilyForm;
}

/** What each cell of a form makes, with open places: what ships, and what is changed of it. */
export function templateOf(form: FamilyForm, texels: number): CellTemplate {
  const start = form.own ?? shippedForm(form.kind)?.template(texels) ?? {};
  return applyDifferences(start, form.changed);
}

/** What the picture of a family is called and, where it is made from another one, from which. */
export const pictureOf = (
  { pictures: ofFamily }: Pick<Family, 'pictures'>,
  { pictures: ofForm }: Pick<FamilyForm, 'pictures'>,
  role: string,
): FamilyPicture =>
  lookUp(ofForm, role) ??
  lookUp(ofFamily, role) ??
  lookUp(ofForm, 'face') ??
  lookUp(ofFamily, 'face') ??
  '{namespace}:{material}';

/** The stock material that the blocks of a cell start from. */
export const stockOf = (form: FamilyForm, material: Material): string | undefined =>
  form.stock ?? shippedForm(form.kind)?.stock ?? material.stock;

/** The traits that a material brings to a form: its own, and those that count so many times. */
function traitsOf({ material, form }: AskedCell, stock: string | undefined): Partial<Traits> {
  // The rock round a seam has its own traits; what the material says itself counts all the same.
  const own = material.traits ?? {};
  const scaled = countedTraits.flatMap((name) => {
    const factor = form.times?.[name];
    const value = own[name] ?? stockNamed(stock)?.traits[name];
    if (factor === undefined || typeof value !== 'number') return [];
    const times = value * factor;
    return [[name, traitFacts(name).whole ? Math.round(times) : Number(times.toPrecision(6))]];
  });
  return { ...own, ...(Object.fromEntries(scaled) as Partial<Traits>) };
}

/** The places of a cell that are open, by what fills them. */
function fillingOf(asked: AskedCell, name: string, stock: string | undefined): Filling {
  const { header, familyName, family, material, form } = asked;
  const { namespace } = header;
  const traits = traitsOf(asked, stock);
  const kind = traits.toolKind ?? stockNamed(stock)?.traits.toolKind ?? 'none';
  const fixed: Record<string, string | number | undefined> = {
    namespace,
    family: familyName,
    material: material.name,
    form: form.name,
    cell: name,
    id: idOf(namespace, name),
    stock,
    group: family.group,
    dug: kind === 'none' ? undefined : header.tools.kinds[kind]?.tag,
    grade: material.grade ?? 0,
    reward: material.reward,
  };
  const fill: Filling = (place) => {
    const [what = '', which] = place.split(':');
    if (which === undefined && Object.hasOwn(fixed, what)) return fixed[what];
    if (what === 'id' && which !== undefined) return idOfForm(asked, which);
    if (what === 'picture' && which !== undefined) {
      const picture = pictureOf(family, form, which);
      return fillText(typeof picture === 'string' ? picture : picture.texture, fill);
    }
    throw new UnknownPlace(place);
  };
  return fill;
}

/** The id of the same material in another form of the family, where it is. */
function idOfForm(asked: AskedCell, name: string): string | undefined {
  const { header, familyName, family, material } = asked;
  const form = family.forms.find((one) => one.name === name);
  if (!form || !isIn(family, material.name, name)) return undefined;
  return idOf(header.namespace, nameOfCell(family, familyName, material, form));
}

type Members = Record<string, unknown>;

/** A template of a block with the traits that the material brings. */
function withMaterial(block: Members, asked: AskedCell, stock: string | undefined): Members {
  const traits = { ...traitsOf(asked, stock), ...(lookUp(block, 'traits') as object | undefined) };
  return { tags: [], ...block, traits };
}

/**
 * What a cell makes as its family gives it, without what the cell itself has otherwise. Models and
 * recipes that cannot be without a form that is left out are left out too. Throws an {@link
 * UnknownPlace}.
 */
export function givenDocument(asked: AskedCell): CellDocument {
  const { header, familyName, family, material, form } = asked;
  const name = nameOfCell(family, familyName, material, form);
  const stock = stockOf(form, material);
  const fill = fillingOf(asked, name, stock);
  const { block, item, models, recipes } = templateOf(form, header.texels);
  const named = { names: titlesOfCell(material, form, header.languages) };
  // What a material is called may hold a brace: names are filled already.
  const filledMembers = (open: Members, more: Members): unknown => {
    const members = fillPlaces(open, fill);
    return members === undefined ? undefined : { ...members, ...more };
  };
  const all = (open: Record<string, Members> | undefined) => {
    const found = Object.entries(open ?? {}).flatMap(([pattern, document]) => {
      const filled = fillPlaces(document, fill);
      return filled === undefined ? [] : [[pattern, filled] as const];
    });
    return found.length ? Object.fromEntries(found) : undefined;
  };
  return withoutUndefined({
    block: block && filledMembers(withMaterial(block, asked, stock), named),
    item: item && filledMembers(item, named),
    models: all(models),
    recipes: all(recipes),
  });
}

/** The entries of a document of a cell under their names. */
function entriesOf(document: CellDocument, fill: Filling, name: string): CellEntry[] {
  const single = (['block', 'item'] as const).flatMap((part): CellEntry[] =>
    document[part] === undefined
      ? []
      : [{ kind: `${part}s`, name, steps: [part], document: document[part] }],
  );
  const several = (['models', 'recipes'] as const).flatMap((kind) =>
    Object.entries(document[kind] ?? {}).map(([pattern, entry]): CellEntry => ({
      kind,
      name: fillText(pattern, fill) ?? '',
      steps: [kind, pattern],
      document: entry,
    })),
  );
  return [...single, ...several];
}

/** An entry as its schema leaves it, or why it does not fit. */
function fitted(entry: CellEntry): CellEntry | string {
  const { kind, name, document } = entry;
  const flaw = nameProblem(name, namePatternOf(kind));
  if (flaw !== undefined) return `"${name}" cannot be its name. ${flaw}`;
  const fits = heldUnder(entrySchemas, kind).safeParse(document, { reportInput: true });
  if (fits.success) return { ...entry, document: fits.data };
  const [first] = schemaProblems(fits.error);
  return `What it makes of ${kind} does not fit at ${first?.path.join('/') ?? ''}: ${first?.message ?? ''}`;
}

/** The entries that a cell makes; undefined for one that is left out. */
export function madeCell(asked: AskedCell): MadeCell | undefined {
  const { familyName, family, material, form } = asked;
  const differs = cellAt(family, material.name, form.name);
  if (differs?.leftOut) return undefined;
  const place = { family: familyName, material: material.name, form: form.name };
  const name = nameOfCell(family, familyName, material, form);
  const flawed = (problem: string): MadeCell => ({ place, name, entries: [], problem });
  try {
    const document = applyDifferences(givenDocument(asked), differs?.changed);
    const fill = fillingOf(asked, name, stockOf(form, material));
    const entries = entriesOf(document, fill, name).map(fitted);
    const problem = entries.find((entry) => typeof entry === 'string');
    if (problem !== undefined) return flawed(problem);
    const whole = entries.filter((entry) => typeof entry !== 'string');
    return whole.some(({ kind }) => kind === 'blocks' || kind === 'items')
      ? { place, name, entries: whole }
      : flawed('Its form makes neither a block nor an item.');
  } catch (error) {
    if (!(error instanceof UnknownPlace)) throw error;
    return flawed(`${error.message}.`);
  }
}
