const versions = new WeakMap<object, number>();
let last = 0;

/**
 * A number that stands for an object as such: the same object always has the same one, every other
 * object another. For keys.
 */
export function versionOf(object: object): number {
  const known = versions.get(object);
  if (known !== undefined) return known;
  last += 1;
  versions.set(object, last);
  return last;
}
