/** What a list or a record surely holds, taken out with a check. Knows nobody. */

/**
 * The item of a list at an index that is surely in it. Throws a RangeError when it is not, so that
 * a slip is told where it happens and not where its `undefined` arrives.
 *
 * @example itemAt(['bank', 'lamp'], 1) // 'lamp'
 */
export function itemAt<T>(list: ArrayLike<T>, index: number): T {
  const item = list[index];
  if (item === undefined && !(index in list))
    throw new RangeError(`The list of ${list.length} has no item ${index}.`);
  return item as T;
}

/**
 * What a record surely holds under a key of its own. Throws a RangeError when it does not.
 *
 * @example heldUnder(mod.blocks, 'lamp')
 */
export function heldUnder<T>(record: Readonly<Record<string, T>>, key: string): T {
  if (!Object.hasOwn(record, key)) throw new RangeError(`Nothing is held under ${key}.`);
  return record[key] as T;
}

export { changedNames, noteCopy } from './changed-names.ts';
export { foundInEach, moving } from './moving.ts';

/** A list with one of its items a place further up: `movedUp(['a', 'b'], 1)` is `['b', 'a']`. */
export const movedUp = <T>(list: readonly T[], index: number): T[] =>
  list.with(index, itemAt(list, index - 1)).with(index - 1, itemAt(list, index));

/** A name that is not taken: the wanted one, or that with the first number that makes it free. */
export function freeName(wanted: string, taken: readonly string[]): string {
  let name = wanted;
  for (let number = 2; taken.includes(name); number += 1) name = `${wanted}_${number}`;
  return name;
}
