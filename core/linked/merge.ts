import { pointer, sameData } from '../json/index.ts';

/** One of the two places in which a mod stands that lives in a folder. */
export type Side = 'page' | 'folder';

/** A value that was changed on both sides, and not alike. Absent means that there is none. */
export interface Clash {
  /** A JSON Pointer into what was merged. */
  path: string;
  base?: unknown;
  page?: unknown;
  folder?: unknown;
}

/** What came of merging: the value, and where both sides had changed it. */
export interface Merged {
  value: unknown;
  clashes: Clash[];
}

/**
 * Merges what two sides made of one value, member by member (a three-way merge: Khanna, Kunal and
 * Pierce, "A formal investigation of diff3", 2007). What one side alone changed is as that side has
 * it. Where both did, `prefer` decides or, without it, the base stays; it is told either way.
 *
 * @example mergeValues({ a: 1, b: 1 }, { a: 2, b: 1 }, { a: 1, b: 3 }).value // { a: 2, b: 3 }
 */
export function mergeValues(
  base: unknown,
  page: unknown,
  folder: unknown,
  prefer?: Side,
  path = '',
): Merged {
  if (sameData(page, folder) || sameData(base, folder)) return { value: page, clashes: [] };
  if (sameData(base, page)) return { value: folder, clashes: [] };
  if (isRecord(base) && isRecord(page) && isRecord(folder))
    return mergeRecords(base, page, folder, prefer, path);
  if (Array.isArray(base) && Array.isArray(page) && Array.isArray(folder))
    if (base.length === page.length && base.length === folder.length) {
      const parts = base.map((item, i) =>
        mergeValues(item, page[i], folder[i], prefer, `${path}/${i}`),
      );
      return together(
        parts.map(({ value }) => value),
        parts,
      );
    }
  const value = prefer === undefined ? base : { page, folder }[prefer];
  return { value, clashes: [{ path, base, page, folder }] };
}

type Plain = Record<string, unknown>;

/** Facts of a file belong together: half of each picture would be the facts of none. */
const isRecord = (value: unknown): value is Plain =>
  typeof value === 'object' &&
  value !== null &&
  !Array.isArray(value) &&
  !Object.hasOwn(value, 'sha256');

function mergeRecords(
  base: Plain,
  page: Plain,
  folder: Plain,
  prefer: Side | undefined,
  path: string,
): Merged {
  const keys = new Set([...Object.keys(page), ...Object.keys(folder), ...Object.keys(base)]);
  const parts = [...keys].map((key) => {
    const [was, mine, theirs] = [base, page, folder].map((record) =>
      Object.hasOwn(record, key) ? record[key] : undefined,
    );
    return { key, ...mergeValues(was, mine, theirs, prefer, path + pointer([key])) };
  });
  const held = parts.filter(({ value }) => value !== undefined);
  return together(Object.fromEntries(held.map(({ key, value }) => [key, value])), parts);
}

const together = (value: unknown, parts: readonly Merged[]): Merged => ({
  value,
  clashes: parts.flatMap(({ clashes }) => clashes),
});
