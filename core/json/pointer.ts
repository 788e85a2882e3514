/** A JSON Pointer (RFC 6901) made of its steps. `pointer(['a/b', 0])` is `/a~1b/0`. */
export const pointer = (steps: readonly (string | number)[]): string =>
  steps.map((step) => `/${String(step).replaceAll('~', '~0').replaceAll('/', '~1')}`).join('');

/**
 * The steps of a JSON Pointer. `pointerSteps('/a~1b/0')` is `['a/b', '0']`. Throws a RangeError
 * when it does not begin with a slash.
 */
export function pointerSteps(path: string): string[] {
  if (path === '') return [];
  if (!path.startsWith('/'))
    throw new RangeError(`'${path}' is not a JSON Pointer: it does not begin with a slash`);
  return path
    .slice(1)
    .split('/')
    .map((step) => step.replaceAll('~1', '/').replaceAll('~0', '~'));
}

/** The value at a pointer, or undefined where there is none. */
export function valueAt(document: unknown, path: string): unknown {
  let at = document;
  for (const step of pointerSteps(path)) {
    if (typeof at !== 'object' || at === null || !Object.hasOwn(at, step)) return undefined;
    at = (at as Record<string, unknown>)[step];
  }
  return at;
}
