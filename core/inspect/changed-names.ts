type Entries = Readonly<Record<string, unknown>>;

const known = new WeakMap<Entries, { before: Entries; names: readonly string[] }>();

/**
 * The names under which two records do not hold the same object: what changed, came, or went.
 * Records that were compared last are not compared again.
 *
 * @example changedNames({ a: one, b: two }, { a: one, b: three }) // ['b']
 */
export function changedNames(before: Entries, after: Entries): readonly string[] {
  if (before === after) return [];
  const last = known.get(after);
  if (last?.before === before) return last.names;
  const names: string[] = [];
  let kept = 0;
  for (const name of Object.keys(after))
    // An entry is never something that every object inherits.
    if (before[name] === after[name]) kept += 1;
    else names.push(name);
  const gone = Object.keys(before);
  // Every name that stayed was met above: one that was not has gone.
  if (kept + names.length !== gone.length || names.some((name) => !Object.hasOwn(before, name)))
    names.push(...gone.filter((name) => !Object.hasOwn(after, name)));
  known.set(after, { before, names });
  return names;
}
