import {
  isTraitRows,
  traitFacts,
  TraitsSchema,
  type Header,
  type TraitName,
  type Traits,
} from '../mod/index.ts';
import { cellText } from './columns.ts';

type Ladder = Pick<Header, 'tools'>;

/** The words that a trait may have, where there are only a few; undefined where there are many. */
export function wordsOf(trait: TraitName): readonly string[] | undefined {
  const schema = TraitsSchema.shape[trait] as { options?: unknown };
  return Array.isArray(schema.options) && schema.options.every((one) => typeof one === 'string')
    ? schema.options
    : undefined;
}

/** A trait as one reads it in a table: toggles as yes and no, grades by their names. */
export function spokenCell(trait: TraitName, value: Traits[TraitName], { tools }: Ladder): string {
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (trait === 'leastGrade' && typeof value === 'number')
    return tools.grades[value]?.name ?? String(value);
  return isTraitRows(value)
    ? [...new Set(value.map((row) => row.value))].join(', ')
    : cellText(value);
}

/** The same with a word for what depends on the state: `13, 0 by state`. */
export const cellInWords = (trait: TraitName, value: Traits[TraitName], ladder: Ladder): string =>
  `${spokenCell(trait, value, ladder)}${isTraitRows(value) ? ' by state' : ''}`;

/** What a text in a file stands for: rows from JSON, toggles, numbers, else the word itself. */
export function writtenValue(trait: TraitName, text: string): unknown {
  if (text.startsWith('[')) {
    try {
      return JSON.parse(text);
    } catch {
      return undefined;
    }
  }
  if (traitFacts(trait).kind === 'toggle') return { true: true, false: false }[text.toLowerCase()];
  return /^[+-]?(\d+\.?\d*|\.\d+)(e[+-]?\d+)?$/i.test(text) ? Number(text) : text;
}

const toggles: Readonly<Record<string, string>> = {
  yes: 'true',
  y: 'true',
  no: 'false',
  n: 'false',
};

/**
 * The value of a trait that somebody typed, as a table shows it or as a file has it: `yes`, the name
 * of a grade, the beginning of a word, a decimal comma. Undefined where the trait can have no such
 * value.
 *
 * @example readCell('leastGrade', 'brack', header) // 2
 */
export function readCell(
  trait: TraitName,
  typed: string,
  { tools }: Ladder,
): Traits[TraitName] | undefined {
  const text = typed.trim();
  if (text === '') return undefined;
  const lower = text.toLowerCase();
  const grade = tools.grades.findIndex(({ name }) => name.toLowerCase() === lower);
  const meant =
    trait === 'leastGrade' && grade >= 0
      ? String(grade)
      : traitFacts(trait).kind === 'toggle'
        ? (toggles[lower] ?? lower)
        : (wordsOf(trait)?.find((word) => word.toLowerCase().startsWith(lower)) ??
          text.replace(/^([+-]?\d*),(\d+)$/, '$1.$2'));
  return TraitsSchema.shape[trait].safeParse(writtenValue(trait, meant)).data;
}
