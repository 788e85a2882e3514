type Entries = Readonly<Record<string, unknown>>;

/**
 * What was noted of a record that is a copy of another but for some names. The other one is held
 * weakly: a history of edits keeps nothing alive that nobody else needs.
 */
interface Note {
  before: WeakRef<Entries>;
  names: Set<string>;
}
const notes = new WeakMap<Entries, Note>();

/**
 * Notes that a record is a copy of another with something else, or nothing, under a name. Whoever
 * asks what changed need not compare them then.
 */
export function noteCopy(copy: Entries, before: Entries, name: string): void {
  const note = notes.get(copy);
  if (note) note.names.add(name);
  else notes.set(copy, { before: new WeakRef(before), names: new Set([name]) });
}

/** So many copies of copies are followed. */
const mostSteps = 256;

/**
 * The records that one was copied from, the nearest first, each with the names under which the one
 * may differ from it.
 *
 * @example for (const { before, names } of originsOf(mod.blocks)) …
 */
export function* originsOf(
  entries: Entries,
): Generator<{ before: Entries; names: ReadonlySet<string> }> {
  const names = new Set<string>();
  let at: Entries | undefined = entries;
  for (let steps = 0; at && steps < mostSteps; steps += 1) {
    const note: Note | undefined = notes.get(at);
    if (!note) return;
    for (const name of note.names) names.add(name);
    at = note.before.deref();
    if (at) yield { before: at, names };
  }
}

/**
 * The names of entries that are other objects in one record than in another, or are in one of them
 * alone. Of a record that was copied from the other, only what was noted is looked at; else one
 * walk over both.
 *
 * @example changedNames({ a, b }, { a, c }) // ['c', 'b']
 */
export function changedNames(before: Entries, after: Entries): readonly string[] {
  if (before === after) return [];
  for (const origin of originsOf(after))
    if (origin.before === before)
      return [...origin.names].filter((name) => differs(before, after, name));
  return comparedNames(before, after);
}

const differs = (before: Entries, after: Entries, name: string): boolean =>
  before[name] !== after[name] || Object.hasOwn(before, name) !== Object.hasOwn(after, name);

/** What was compared last with a record; held weakly, as above. */
const known = new WeakMap<Entries, { before: WeakRef<Entries>; names: readonly string[] }>();

function comparedNames(before: Entries, after: Entries): readonly string[] {
  const last = known.get(after);
  if (last?.before.deref() === before) return last.names;
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
  known.set(after, { before: new WeakRef(before), names });
  return names;
}
