import { mergeValues } from '../merge/index.ts';

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

/** Facts of a file belong together: half of each picture would be the facts of none. */
const isWhole = (group: object): boolean => Object.hasOwn(group, 'sha256');

/**
 * Merges what two sides made of one value, member by member. What one side alone changed is as that
 * side has it. Where both did, `prefer` decides or, without it, the base stays; it is told either
 * way.
 *
 * @example mergeSides({ a: 1, b: 1 }, { a: 2, b: 1 }, { a: 1, b: 3 }).value // { a: 2, b: 3 }
 */
export function mergeSides(base: unknown, page: unknown, folder: unknown, prefer?: Side): Merged {
  const unchosen = 'base';
  const chosen = () => prefer && ({ page: 'mine', folder: 'built' } as const)[prefer];
  const merged = mergeValues(base, page, folder, { chosen, unchosen, isCautious: true, isWhole });
  const clashes = merged.clashes.map(({ mine, built, ...clash }) => ({
    ...clash,
    page: mine,
    folder: built,
  }));
  return { value: merged.value, clashes };
}
