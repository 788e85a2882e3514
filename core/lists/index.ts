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
