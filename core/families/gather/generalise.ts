import { sameData } from '../../json/index.ts';

/** One document of a column, with the ways in which its texts may be written with open places. */
export interface Specimen {
  document: unknown;
  /** The steps to it from where one began. */
  steps?: readonly (string | number)[];
  /**
   * Ways to write a text, which stands at these steps, so that it would be filled to the same again,
   * the most telling first.
   */
  readings: (text: string, steps: readonly (string | number)[]) => string[];
}

/** The value that most of a list are, the first of equals. */
function mostOf<T>(values: readonly T[], isSame: (a: T, b: T) => boolean): T | undefined {
  let best: T | undefined;
  let many = 0;
  for (const value of values) {
    const count = values.filter((other) => isSame(value, other)).length;
    if (count > many) [best, many] = [value, count];
  }
  return best;
}

const isMembers = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/**
 * A document with open places from which the most of several follow: members that most have, texts
 * in the way that most of them can be read, lists item by item where most are as long. What a
 * specimen has otherwise is its difference.
 *
 * @example
 * generalise([{ document: 'a:brack', readings }, { document: 'a:ebbite', readings }]) // 'a:{material}'
 */
export function generalise(specimens: readonly Specimen[]): unknown {
  const documents = specimens.map(({ document }) => document);
  const kind = mostOf(documents.map(kindOf), (a, b) => a === b);
  const alike = specimens.filter(({ document }) => kindOf(document) === kind);
  if (kind === 'text') return textOf(alike);
  if (kind === 'members') return membersOf(alike);
  if (kind === 'list') return listOf(alike);
  return mostOf(documents, sameData);
}

const kindOf = (value: unknown): string =>
  typeof value === 'string'
    ? 'text'
    : Array.isArray(value)
      ? 'list'
      : isMembers(value)
        ? 'members'
        : 'other';

function textOf(specimens: readonly Specimen[]): string {
  const all = specimens.map(({ document, steps, readings }) =>
    readings(document as string, steps ?? []),
  );
  const ranked = all.flat();
  const votes = (reading: string) => all.filter((one) => one.includes(reading)).length;
  const best = ranked.reduce<string | undefined>(
    (found, one) => (found === undefined || votes(one) > votes(found) ? one : found),
    undefined,
  );
  return best ?? '';
}

function membersOf(specimens: readonly Specimen[]): Record<string, unknown> {
  const keys = new Set(specimens.flatMap(({ document }) => Object.keys(document as object)));
  const members = [...keys].flatMap((key): [string, unknown][] => {
    const having = specimens.filter(({ document }) => Object.hasOwn(document as object, key));
    if (having.length * 2 <= specimens.length) return [];
    return [[key, generalise(having.map((one) => within(one, key)))]];
  });
  return Object.fromEntries(members);
}

function listOf(specimens: readonly Specimen[]): unknown[] {
  const lengths = specimens.map(({ document }) => (document as unknown[]).length);
  const length = mostOf(lengths, (a, b) => a === b) ?? 0;
  const alike = specimens.filter(({ document }) => (document as unknown[]).length === length);
  return Array.from({ length }, (_, i) => generalise(alike.map((one) => within(one, i))));
}

const within = ({ document, steps = [], readings }: Specimen, key: string | number): Specimen => ({
  document: (document as Record<string | number, unknown>)[key],
  steps: [...steps, key],
  readings,
});
