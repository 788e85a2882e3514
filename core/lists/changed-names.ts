type Entries = Readonly<Record<string, unknown>>;

/**
 * A line of records, each copied from the one before with something else under some names. The line
 * itself holds the names alone, so a history of edits keeps no record alive.
 */
export interface Line {
  /** The names under which one record after the other was changed. */
  names: string[];
  /** How many names were forgotten before the first of these. */
  forgotten: number;
  /** Where it branched off from another line, and how many lines lie above it. */
  from?: Place;
  depth: number;
}
/** Where a record stands: in a line, after so many names. */
interface Place {
  line: Line;
  at: number;
}
const places = new WeakMap<Entries, Place>();

/** So many names a line remembers; older ones are forgotten, half of them at a time. */
const mostNames = 4096;
/** So many times a line branches off another that did. */
const mostBranches = 64;

const endOf = ({ names, forgotten }: Line): number => forgotten + names.length;

function placeOf(entries: Entries): Place {
  const known = places.get(entries);
  if (known) return known;
  const place: Place = { line: { names: [], forgotten: 0, depth: 0 }, at: 0 };
  places.set(entries, place);
  return place;
}

/** The lines that a record stands in: its own first, then those that this one branched off. */
export function linesOf(entries: Entries): [Line, ...Line[]] {
  const lines: [Line, ...Line[]] = [placeOf(entries).line];
  for (let { from } = lines[0]; from; from = from.line.from) lines.push(from.line);
  return lines;
}

/**
 * Notes that a record is a copy of another with something else, or nothing, under a name. Whoever
 * asks what changed need not compare them then. The first copy of a record continues its line,
 * others branch off.
 */
export function noteCopy(copy: Entries, before: Entries, name: string): void {
  const from = placeOf(before);
  const goesOn = from.at === endOf(from.line);
  const isDeep = from.line.depth >= mostBranches;
  const line = goesOn
    ? from.line
    : {
        names: [],
        forgotten: 0,
        ...(isDeep ? { depth: 0 } : { from, depth: from.line.depth + 1 }),
      };
  line.names.push(name);
  if (line.names.length > mostNames) {
    line.names.splice(0, mostNames / 2);
    line.forgotten += mostNames / 2;
  }
  places.set(copy, { line, at: endOf(line) });
}

/**
 * The names of entries that are other objects in one record than in another, or are in one of them
 * alone. Of records that were copied one from the other, over whatever others, only what was noted
 * is looked at; else one walk over both.
 *
 * @example changedNames({ a, b }, { a, c }) // ['c', 'b']
 */
export function changedNames(before: Entries, after: Entries): readonly string[] {
  if (before === after) return [];
  const noted = notedBetween(places.get(before), places.get(after));
  return noted
    ? [...new Set(noted)].filter((name) => differs(before, after, name))
    : comparedNames(before, after);
}

/** What was noted on the way from one place to another; undefined where that is not known. */
function notedBetween(one: Place | undefined, other: Place | undefined): string[] | undefined {
  if (!one || !other) return undefined;
  const [ways, others] = [wayUp(one), wayUp(other)];
  for (const [i, place] of ways.entries()) {
    const j = others.findIndex(({ line }) => line === place.line);
    const met = others[j];
    if (!met) continue;
    const parts = [
      ...[...ways.slice(0, i), ...others.slice(0, j)].map(({ line, at }) => namesIn(line, 0, at)),
      namesIn(place.line, Math.min(place.at, met.at), Math.max(place.at, met.at)),
    ];
    return parts.every((part) => part !== undefined) ? parts.flat() : undefined;
  }
  return undefined;
}

/** A place, and those at which its line and the ones above it branched off. */
function wayUp(place: Place): Place[] {
  const way: Place[] = [];
  for (let at: Place | undefined = place; at; at = at.line.from) way.push(at);
  return way;
}

/** The names that a line noted from one place to another; undefined when it has forgotten them. */
const namesIn = ({ names, forgotten }: Line, from: number, to: number): string[] | undefined =>
  from === to ? [] : from < forgotten ? undefined : names.slice(from - forgotten, to - forgotten);

const differs = (before: Entries, after: Entries, name: string): boolean =>
  before[name] !== after[name] || Object.hasOwn(before, name) !== Object.hasOwn(after, name);

function comparedNames(before: Entries, after: Entries): readonly string[] {
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
  return names;
}
