import { pointerSteps, sameData } from '../json/index.ts';
import { noteCopy } from '../lists/index.ts';

/**
 * One change of a document: what stood at a JSON Pointer before, and what stands there after.
 * Absent means that there is nothing.
 */
export interface Change {
  path: string;
  before?: unknown;
  after?: unknown;
}

/** What a person did in one step, in words, as changes in the order in which they apply. */
export interface Edit {
  label: string;
  changes: Change[];
}

/** Thrown when what a change expects to find is not there: somebody else was faster. */
export class EditConflict extends Error {
  constructor(
    readonly path: string,
    readonly expected: unknown,
    readonly found: unknown,
  ) {
    super(`${path} is not as the edit expects it`);
    this.name = 'EditConflict';
  }
}

/**
 * A document with one change applied. Nothing of the given document is altered; parts that the
 * change does not touch are shared. A member that becomes absent is removed; an array's element can
 * only be replaced, so a list that grows or shrinks is changed whole. Throws an {@link
 * EditConflict} when the document does not hold `before` at the path.
 *
 * @example applyChange({ a: { b: 1 } }, { path: '/a/b', before: 1, after: 2 }) // { a: { b: 2 } }
 */
export function applyChange<D>(document: D, change: Change): D {
  return applied(document, change, new Set());
}

/**
 * One change applied. What is in `fresh` was copied for this batch already, so it is altered
 * instead of being copied again: many changes of one large object copy it once.
 */
function applied<D>(document: D, change: Change, fresh: Set<unknown>): D {
  const replace = (node: unknown, steps: readonly string[]): unknown => {
    const [step, ...rest] = steps;
    if (step === undefined) {
      if (!sameData(node, change.before)) throw new EditConflict(change.path, change.before, node);
      return change.after;
    }
    const isList = Array.isArray(node);
    if (
      typeof node !== 'object' ||
      node === null ||
      step === '__proto__' ||
      (isList && !Object.hasOwn(node, step))
    )
      throw new EditConflict(change.path, change.before, undefined);
    const held: unknown = Object.hasOwn(node, step)
      ? (node as Record<string, unknown>)[step]
      : undefined;
    const value = replace(held, rest);
    if (isList) {
      if (value === undefined) throw new EditConflict(change.path, change.before, held);
      const list: unknown[] = fresh.has(node) ? node : [...(node as unknown[])];
      fresh.add(list);
      list[Number(step)] = value;
      return list;
    }
    const copy: Record<string, unknown> = fresh.has(node)
      ? (node as Record<string, unknown>)
      : { ...node };
    fresh.add(copy);
    noteCopy(copy, node as Record<string, unknown>, step);
    if (value === undefined) delete copy[step];
    else copy[step] = value;
    return copy;
  };
  return replace(document, pointerSteps(change.path)) as D;
}

/** A document with all changes applied, one after the other; all or, by throwing, none. */
export function applyChanges<D>(document: D, changes: readonly Change[]): D {
  const fresh = new Set<unknown>();
  return changes.reduce<D>((node, change) => applied(node, change, fresh), document);
}

/** The changes that take these back: each turned round, last first. */
export const invertChanges = (changes: readonly Change[]): Change[] =>
  [...changes].reverse().map(({ path, before, after }) => ({ path, before: after, after: before }));

/** True when one path is the other or lies in it, so that two changes may disturb each other. */
export const pathsMeet = (a: string, b: string): boolean =>
  a === b || a.startsWith(`${b}/`) || b.startsWith(`${a}/`);

/** The first pair of changes that may disturb each other. */
export function firstClash(
  mine: readonly Change[],
  theirs: readonly Change[],
): { mine: Change; theirs: Change } | undefined {
  for (const one of mine)
    for (const other of theirs)
      if (pathsMeet(one.path, other.path)) return { mine: one, theirs: other };
  return undefined;
}

/**
 * Changes with steps on the same path drawn together, and those that change nothing left out.
 * `[{1→2}, {2→3}]` on one path becomes `[{1→3}]`.
 */
export function squashChanges(changes: readonly Change[]): Change[] {
  const squashed: Change[] = [];
  for (const change of changes) {
    const last = squashed.at(-1);
    if (last && last.path === change.path)
      squashed[squashed.length - 1] = {
        path: change.path,
        before: last.before,
        after: change.after,
      };
    else squashed.push(change);
  }
  return squashed.filter(({ before, after }) => !sameData(before, after));
}

/** The entry that a path lies in: its kind and, but for the two single documents, its name. */
export function entryOf(path: string): { kind: string; name: string } {
  const [kind = '', name = ''] = pointerSteps(path);
  return kind === 'header' || kind === 'ledger' ? { kind, name: '' } : { kind, name };
}
