/** Titles by material and form. */
export type Titles = Readonly<Record<string, Readonly<Record<string, string>>>>;

const commonStart = (texts: readonly string[]): number => {
  const [first = ''] = texts;
  let many = 0;
  while (many < first.length && texts.every((text) => text[many] === first[many])) many += 1;
  return many;
};
const reversed = (text: string): string => [...text].reverse().join('');
/** A cut at a letter's middle of a word is none: back to where a word begins or ends. */
const isLetter = (text: string | undefined): boolean => text !== undefined && /\p{L}/u.test(text);

/** What of each title is the material: what is left without what the titles of a form share. */
function ownParts(titles: readonly string[]): string[] {
  let start = commonStart(titles);
  const [first = ''] = titles;
  while (start > 0 && isLetter(first[start - 1]) && isLetter(first[start])) {
    const isHeadOfAll = titles.every((title) => isLetter(title[start]));
    if (!isHeadOfAll || /\s/.test(first.slice(0, start))) start -= 1;
    else break;
  }
  const rests = titles.map((title) => reversed(title.slice(start)));
  const end = titles.length > 1 ? commonStart(rests) : 0;
  return titles.map((title) => title.slice(start, title.length - end));
}

const small = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);

/** What materials are called, and how the titles of each form are made of that. */
export interface TitlePatterns {
  materials: Record<string, string>;
  forms: Record<string, string>;
}

/**
 * What the materials of a family are called in one language, as within a sentence, and the pattern
 * of the titles of each form, found from the titles as they are.
 *
 * @example
 * patternsOf({ brack: { seam: 'Brack seam', lump: 'Raw brack' }, ebbite: { seam: 'Ebbite seam' } })
 * // { materials: { brack: 'brack', ebbite: 'ebbite' }, forms: { seam: '{material} seam', … } }
 */
export function patternsOf(titles: Titles): TitlePatterns {
  const votes = new Map<string, Map<string, number>>();
  const forms = [...new Set(Object.values(titles).flatMap((row) => Object.keys(row)))];
  const column = (form: string) =>
    Object.entries(titles).flatMap(([material, row]) => {
      const title = row[form];
      return title === undefined ? [] : [{ material, title }];
    });
  for (const form of forms) {
    const cells = column(form);
    ownParts(cells.map(({ title }) => title)).forEach((part, i) => {
      const material = cells[i]?.material ?? '';
      const counted = votes.get(material) ?? new Map<string, number>();
      const called = small(part.trim());
      if (called) counted.set(called, (counted.get(called) ?? 0) + (cells.length > 1 ? 2 : 1));
      votes.set(material, counted);
    });
  }
  const materials = Object.fromEntries(
    Object.keys(titles).map((material) => {
      const [best] = [...(votes.get(material) ?? [])].sort(([, a], [, b]) => b - a);
      return [material, best?.[0] ?? material.replaceAll('_', ' ')];
    }),
  );
  return {
    materials,
    forms: Object.fromEntries(forms.map((form) => [form, formPattern(column(form), materials)])),
  };
}

/** The pattern that most titles of a form follow. */
function formPattern(
  cells: readonly { material: string; title: string }[],
  materials: Readonly<Record<string, string>>,
): string {
  const counts = new Map<string, number>();
  for (const { material, title } of cells) {
    const called = materials[material] ?? '';
    const at = title.toLowerCase().indexOf(called.toLowerCase());
    if (at < 0 || called === '') continue;
    const pattern = `${title.slice(0, at)}{material}${title.slice(at + called.length)}`;
    counts.set(pattern, (counts.get(pattern) ?? 0) + 1);
  }
  const [best] = [...counts].sort(([, a], [, b]) => b - a);
  return best?.[0] ?? '{material}';
}
