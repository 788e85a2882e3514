import { diffArrays } from 'diff';
import { itemAt } from '../lists/index.ts';
import { sameData } from './plain.ts';

/** Says that a change finds no place in a document. */
export const nowhere = Symbol('nowhere');

/**
 * Does to a document what turned one document into another, where the three say the same but not in
 * the same form: keys that only one has, such as what is left out because it is usual, stay as they
 * are; elements of lists are found by what they say. {@link nowhere} where the document holds
 * nothing that the change could be made to.
 *
 * @example carry({ a: 1, b: 2 }, { a: 3, b: 2 }, { a: 1, note: 'mine' }) // { a: 3, note: 'mine' }
 */
export function carry(before: unknown, after: unknown, mine: unknown): unknown {
  if (sameData(before, after)) return mine;
  if (sameData(before, mine)) return after;
  if (Array.isArray(before) && Array.isArray(after) && Array.isArray(mine))
    return carryList(before, after, mine);
  if (isObject(before) && isObject(after) && isObject(mine))
    return carryObject(before, after, mine);
  return isObject(mine) === isObject(after) && Array.isArray(mine) === Array.isArray(after)
    ? after
    : nowhere;
}

type Plain = Record<string, unknown>;

const isObject = (value: unknown): value is Plain =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

const held = (from: Plain, key: string): unknown =>
  Object.hasOwn(from, key) ? from[key] : undefined;

function carryObject(before: Plain, after: Plain, mine: Plain): unknown {
  const turned = new Map(Object.entries(mine));
  for (const key of new Set([...Object.keys(before), ...Object.keys(after)])) {
    const [was, becomes] = [held(before, key), held(after, key)];
    if (sameData(was, becomes)) continue;
    const has = turned.get(key);
    const value = becomes === undefined || has === undefined ? becomes : carry(was, becomes, has);
    if (value === nowhere) return nowhere;
    if (value === undefined) turned.delete(key);
    else turned.set(key, value);
  }
  return Object.fromEntries(turned);
}

function carryList(
  before: readonly unknown[],
  after: readonly unknown[],
  mine: readonly unknown[],
): unknown {
  const places = placesOf(before, mine);
  if (!places) return nowhere;
  // By the place of what stays: what is put in its place, and what follows it.
  const turned = new Map<number, unknown[]>();
  let [at, last] = [0, -1];
  let gone: number[] = [];
  for (const { added, removed, value } of diffArrays([...before], [...after], {
    comparator: sameData,
  })) {
    if (added) {
      for (const [j, item] of value.entries()) {
        const from = gone[j];
        const place = from === undefined ? last : itemAt(places, from);
        const one =
          from === undefined ? item : carry(itemAt(before, from), item, itemAt(mine, place));
        if (one === nowhere) return nowhere;
        if (from === undefined)
          turned.set(last, [...(turned.get(last) ?? keptAt(mine, last)), one]);
        else turned.set(place, [one]);
        last = place;
      }
      gone = [];
      continue;
    }
    const run = value.map((_, j) => at + j);
    at += value.length;
    if (removed) for (const i of run) turned.set(itemAt(places, i), []);
    else last = itemAt(places, itemAt(run, run.length - 1));
    gone = removed ? run : [];
  }
  return [...(turned.get(-1) ?? []), ...mine.flatMap((item, place) => turned.get(place) ?? [item])];
}

const keptAt = (mine: readonly unknown[], place: number): unknown[] =>
  place < 0 ? [] : [mine[place]];

/** Where each element of a list is found in another one; undefined when one of them is not. */
function placesOf(list: readonly unknown[], mine: readonly unknown[]): number[] | undefined {
  const free = new Set(mine.keys());
  const places: number[] = [];
  for (const [i, item] of list.entries()) {
    const place =
      free.has(i) && agrees(item, mine[i])
        ? i
        : [...free].find((one) => agrees(item, itemAt(mine, one)));
    if (place === undefined) return undefined;
    free.delete(place);
    places.push(place);
  }
  return places;
}

/** Whether two values say nothing different of what both speak of. */
function agrees(a: unknown, b: unknown): boolean {
  if (Array.isArray(a) && Array.isArray(b))
    return a.length === b.length && a.every((item, i) => agrees(item, b[i]));
  if (isObject(a) && isObject(b))
    return Object.keys(a).every(
      (key) => held(a, key) === undefined || held(b, key) === undefined || agrees(a[key], b[key]),
    );
  return sameData(a, b);
}
