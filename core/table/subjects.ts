import {
  resolveBlocks,
  stocks,
  titleOf,
  type Mod,
  type ResolvedBlock,
  type TraitName,
  type Traits,
} from '../mod/index.ts';
import { columns, sortKey, traitOf } from './columns.ts';

/** A block of the mod or a stock material, with its traits as a table shows them. */
export interface Subject {
  /** The name of the block, or `stock/` and the name of the material. */
  key: string;
  title: string;
  traits: Traits;
  block?: ResolvedBlock;
}

/** In which order lines stand: by a trait or by the name. */
export interface SubjectOrder {
  by: TraitName | 'name';
  down: boolean;
}

const collator = new Intl.Collator('en', { numeric: true });
const stockKey = (name: string): string => `stock/${name}`;

/** The materials of the stock as lines of the table. */
export const stockSubjects: readonly Subject[] = stocks.map(({ name, title, traits }) => ({
  key: stockKey(name),
  title,
  traits,
}));

/** The blocks of a mod as lines of the table, with the stock below where that is wanted. */
export const subjectsOf = (mod: Mod, withStock: boolean): Subject[] => [
  ...resolveBlocks(mod).map((block): Subject => ({
    key: block.name,
    title: titleOf(mod, block.name, block.declared.names),
    block,
    traits: Object.fromEntries(
      columns.map(({ trait }) => [trait, traitOf(block, trait)]),
    ) as Traits,
  })),
  ...(withStock ? stockSubjects : []),
];

/**
 * The lines whose name or title holds a text, in order. Equal ones stand by their titles.
 *
 * @example shownSubjects(subjects, 'brick', { by: 'hardness', down: true })
 */
export function shownSubjects(
  subjects: readonly Subject[],
  filter: string,
  { by, down }: SubjectOrder,
): Subject[] {
  const wanted = filter.trim().toLowerCase();
  const keyOf = (subject: Subject) => (by === 'name' ? subject.title : sortKey(subject.traits[by]));
  return subjects
    .filter(({ key, title }) => key.includes(wanted) || title.toLowerCase().includes(wanted))
    .sort((a, b) => {
      const order = compareKeys(keyOf(a), keyOf(b));
      return (down ? -order : order) || collator.compare(a.title, b.title);
    });
}

/** The subjects with these keys, in their order; keys that name nothing are left out. */
export const subjectsNamed = (subjects: readonly Subject[], keys: readonly string[]): Subject[] =>
  keys.flatMap(
    (key) =>
      subjects.find((subject) => subject.key === key) ??
      stockSubjects.find((subject) => subject.key === key) ??
      [],
  );

function compareKeys(a: string | number, b: string | number): number {
  if (typeof a !== 'number' || typeof b !== 'number') return collator.compare(String(a), String(b));
  // Two that are unbreakable are equal, and their difference is none.
  return a === b ? 0 : a - b;
}
