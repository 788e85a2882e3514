/** What an open place is filled with: a text or a number; undefined where there is nothing. */
export type Filling = (place: string) => string | number | undefined;

/** Thrown on the way out of what cannot be without an open place that nothing fills. */
class NothingThere extends Error {}
/** Thrown for an open place that means nothing. */
export class UnknownPlace extends Error {
  constructor(readonly place: string) {
    super(`{${place}} is no open place that a family fills`);
    this.name = 'UnknownPlace';
  }
}

const openPlace = /\{([^{}]*)\}/g;
const wholePlace = /^\{[^{}]*\}$/;

/** What one open place holds: of `{id:lump|id}` the first that there is. */
function held(place: string, fill: Filling): string | number | undefined {
  for (const one of place.replace(/\?$/, '').split('|')) {
    const value = fill(one);
    if (value !== undefined) return value;
  }
  return undefined;
}

/** A text with its open places filled; undefined where one that may be missing is. */
function filledText(text: string, fill: Filling): string | number | undefined {
  const places = [...text.matchAll(openPlace)].map(([, place = '']) => place);
  const values = places.map((place) => held(place, fill));
  if (values.some((value, i) => value === undefined && !places[i]?.endsWith('?')))
    throw new NothingThere();
  if (values.includes(undefined)) return undefined;
  if (wholePlace.test(text)) return values[0];
  let next = 0;
  return text.replaceAll(openPlace, () => String(values[next++]));
}

function filled(value: unknown, fill: Filling): unknown {
  if (typeof value === 'string') return value.includes('{') ? filledText(value, fill) : value;
  if (Array.isArray(value)) return filledList(value, fill);
  if (typeof value !== 'object' || value === null) return value;
  const members = Object.entries(value).map(([key, member]): [string, unknown] => {
    const name = key.includes('{') ? filledText(key, fill) : key;
    return [String(name), filled(member, fill)];
  });
  return Object.fromEntries(members.filter(([, member]) => member !== undefined));
}

/** A list without the items that have nothing to say; one that loses all of them says nothing. */
function filledList(list: readonly unknown[], fill: Filling): unknown[] {
  const items = list.flatMap((item) => {
    const found = unlessMissing(() => filled(item, fill));
    return found === undefined ? [] : [found];
  });
  const mayBeEmpty = list.every((item) => typeof item === 'string' && item.endsWith('?}'));
  if (list.length && !items.length && !mayBeEmpty) throw new NothingThere();
  return items;
}

function unlessMissing<T>(make: () => T): T | undefined {
  try {
    return make();
  } catch (error) {
    if (error instanceof NothingThere) return undefined;
    throw error;
  }
}

/**
 * A document with its open places filled. `{name}` must be there: an item of a list without it is
 * left out, and so is the whole document when nothing else is round it. `{name?}` may be missing:
 * then the member that holds it is left out. `{a|b}` is the first of both. A text that is nothing
 * but one open place becomes what fills it, also a number. Undefined where the document cannot be;
 * throws an {@link UnknownPlace} that `fill` throws.
 *
 * @example fillPlaces({ gives: '{id}', reward: '{reward?}' }, fill) // { gives: 'saltmarsh:brack_bar' }
 */
export const fillPlaces = (document: unknown, fill: Filling): unknown =>
  unlessMissing(() => filled(document, fill));

/**
 * A text with its open places filled; undefined where one of them has nothing.
 *
 * @example fillText('{material}_stair', fill) // 'tile_stair'
 */
export function fillText(text: string, fill: Filling): string | undefined {
  const value = unlessMissing(() => filledText(text, fill));
  return value === undefined ? undefined : String(value);
}
