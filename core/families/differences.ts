import { pointer, pointerSteps, sameData } from '../json/index.ts';
import type { Differences } from '../mod/index.ts';

type Members = Record<string, unknown>;
const isMembers = (value: unknown): value is Members =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

const own = (members: Members, key: string): unknown =>
  Object.hasOwn(members, key) ? members[key] : undefined;

/**
 * What has to be put otherwise in one document for it to be another: members one by one, lists
 * whole, null for what is left out.
 *
 * @example differencesOf({ a: 1, b: [1] }, { b: [2] }) // { '/a': null, '/b': [2] }
 */
export function differencesOf(given: unknown, wanted: unknown): Differences {
  const found: Differences = {};
  const compare = (one: unknown, other: unknown, path: string): void => {
    if (sameData(one, other)) return;
    if (path !== '' && !(isMembers(one) && isMembers(other))) found[path] = other ?? null;
    else {
      const [a, b] = [one as Members, other as Members];
      for (const key of new Set([...Object.keys(a), ...Object.keys(b)]))
        compare(own(a, key), own(b, key), path + pointer([key]));
    }
  };
  compare(given, wanted, '');
  return found;
}

/** A document with one difference; the same where its place is not there. */
function withOne(document: unknown, [step, ...rest]: readonly string[], value: unknown): unknown {
  if (step === undefined) return value ?? undefined;
  if (step === '__proto__') return document;
  if (Array.isArray(document)) {
    if (!Object.hasOwn(document, step)) return document;
    return document.with(Number(step), withOne(document[Number(step)], rest, value));
  }
  if (!isMembers(document)) return document;
  const before = own(document, step);
  if (before === undefined && rest.length > 0) return document;
  const after = withOne(before, rest, value);
  if (after !== undefined) return { ...document, [step]: after };
  const { [step]: _, ...others } = document;
  return others;
}

/**
 * A document with differences put into it, in the order of their paths. One whose place is no longer
 * there changes nothing.
 *
 * @example applyDifferences(given, differencesOf(given, wanted)) // the same data as wanted
 */
export const applyDifferences = <D>(document: D, differences: Differences | undefined): D =>
  Object.entries(differences ?? {}).reduce<unknown>(
    (node, [path, value]) => withOne(node, pointerSteps(path), value),
    document,
  ) as D;

/** The differences that change nothing of a document: their place is gone, or it says so already. */
export const idleDifferences = (document: unknown, differences: Differences): string[] =>
  Object.entries(differences).flatMap(([path, value]) =>
    sameData(withOne(document, pointerSteps(path), value), document) ? [path] : [],
  );
