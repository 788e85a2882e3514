import { changedNames, linesOf, type Line } from './changed-names.ts';

type Entries<E> = Readonly<Record<string, E>>;

/** What was worked out for one record, under the circumstances of that time. */
interface Held<E, T> {
  entries: Entries<E>;
  value: T;
  given: readonly unknown[];
}

/**
 * Something that is worked out from all entries of a record and then kept up to date: of another
 * record of the same line only the entries that changed are looked at. The value is altered in
 * place and goes over from the one record to the other, so whoever holds it must ask again. `given`
 * is what else it rests on: where that is otherwise all is worked out anew.
 *
 * @example
 * const lengths = moving(() => new Map<string, number>(), (map, name, text: string | undefined) =>
 *   text === undefined ? map.delete(name) : map.set(name, text.length));
 * lengths({ a: 'salt' }).get('a') // 4
 */
export function moving<E, T, G extends readonly unknown[]>(
  begin: (...given: G) => T,
  put: (value: T, name: string, entry: E | undefined, before: E | undefined, ...given: G) => void,
): (entries: Entries<E>, ...given: G) => T {
  const known = new WeakMap<Line, Held<E, T>>();
  return (entries, ...given) => {
    const lines = linesOf(entries);
    const at = lines.find((line) => known.has(line)) ?? lines[0];
    const held = known.get(at);
    const isKnown = held && isSame(held.given, given);
    if (isKnown && held.entries === entries) return held.value;
    // Whoever falls over on the way leaves nothing half moved behind.
    known.delete(at);
    const value = isKnown ? held.value : begin(...given);
    if (isKnown)
      for (const name of changedNames(held.entries, entries))
        put(value, name, ownOf(entries, name), ownOf(held.entries, name), ...given);
    else
      for (const [name, entry] of Object.entries(entries))
        put(value, name, entry, undefined, ...given);
    known.set(lines[0], { entries, value, given });
    return value;
  };
}

const isSame = (a: readonly unknown[], b: readonly unknown[]): boolean =>
  a.length === b.length && a.every((one, i) => one === b[i]);

const ownOf = <E>(entries: Entries<E>, name: string): E | undefined =>
  Object.hasOwn(entries, name) ? entries[name] : undefined;

/**
 * What is found in each entry by itself, of all entries in which something is: after an edit only
 * what changed is looked at. `given` is what else the findings rest on.
 *
 * @example
 * const bare = foundInEach((name: string, { tags }: Block) => (tags.length ? [] : [name]));
 * bare(mod.blocks) // the names of blocks without a tag
 */
export function foundInEach<E, R, G extends readonly unknown[]>(
  find: (name: string, entry: E, ...given: G) => readonly R[],
): (entries: Entries<E>, ...given: G) => R[] {
  const kept = moving<E, Map<string, readonly R[]>, G>(
    () => new Map(),
    (found, name, entry, _before, ...given) => {
      const all = entry === undefined ? [] : find(name, entry, ...given);
      if (all.length) found.set(name, all);
      else found.delete(name);
    },
  );
  return (entries, ...given) => [...kept(entries, ...given).values()].flat();
}
