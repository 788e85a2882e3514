import { lookUp } from '../json/index.ts';
import type { Cell, Family, FamilyForm, Material } from '../mod/index.ts';
import { fillText } from './fill.ts';
import { shippedForm } from './shipped/index.ts';

/** What differs in a cell; undefined where nothing does. */
export const cellAt = (
  { cells }: Pick<Family, 'cells'>,
  material: string,
  form: string,
): Cell | undefined => lookUp(lookUp(cells, material), form);

/** Whether a material has a form. */
export const isIn = (family: Pick<Family, 'cells'>, material: string, form: string): boolean =>
  !cellAt(family, material, form)?.leftOut;

/** How the cells of a form are called, with open places. */
export const calledBy = (form: FamilyForm): string =>
  form.called ?? shippedForm(form.kind)?.called ?? `{material}_${form.name}`;

/** What players call the cells of a form in a language, with open places. */
export const titledBy = (form: FamilyForm, language: string): string | undefined =>
  lookUp(form.names, language) ?? lookUp(shippedForm(form.kind)?.names, language);

/** The name of a cell: its own, or by the pattern of its form. */
export function nameOfCell(
  family: Family,
  familyName: string,
  { name: material }: Material,
  form: FamilyForm,
): string {
  const own = cellAt(family, material, form.name)?.called;
  const places: Record<string, string> = { material, family: familyName };
  return own ?? fillText(calledBy(form), (place) => lookUp(places, place)) ?? '';
}

/** The first letter of a text as a capital, by the rules of a language. */
const withCapital = (text: string, language: string): string => {
  const [first = '', ...rest] = text;
  return first.toLocaleUpperCase(language) + rest.join('');
};

/**
 * What players call a cell, in the languages in which its material and its form have names.
 *
 * @example titlesOfCell({ names: { de: 'brack' } }, { kind: 'seam' }, ['de']) // { de: 'Brackader' }
 */
export function titlesOfCell(
  { names }: Pick<Material, 'names'>,
  form: FamilyForm,
  languages: readonly string[],
): Record<string, string> {
  const titles: Record<string, string> = {};
  for (const language of languages) {
    const material = lookUp(names, language);
    const pattern = titledBy(form, language);
    if (material === undefined || pattern === undefined) continue;
    const title = pattern.replaceAll('{material}', material);
    titles[language] = withCapital(title, language);
  }
  return titles;
}
