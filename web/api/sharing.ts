/**
 * A record as it is now, in which every part that is as it was is the very object from before: so
 * whoever shows a part can tell by `===` that there is nothing new to show. Parts are plain data.
 *
 * @example sharing({ at: [1, 2], hour: 0 }, { at: [1, 2], hour: 1 }) // the same `at`, another `hour`
 */
export function sharing<T extends object>(before: T | undefined, now: T): T {
  if (!before) return now;
  const known = before as Readonly<Record<string, unknown>>;
  const parts = Object.entries(now).map(([name, part]: [string, unknown]) => {
    const isSame = JSON.stringify(known[name]) === JSON.stringify(part);
    return [name, isSame ? known[name] : part] as const;
  });
  return Object.fromEntries(parts) as T;
}
